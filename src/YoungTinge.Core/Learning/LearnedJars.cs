using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>A colour as it is predicted.</summary>
/// <param name="Range">CIEDE2000 that nine of ten come out within.</param>
public sealed record RangedColour(Lab Colour, double Range);

/// <summary>What all readings together tell of the jars and of the maker's own units, as of one moment.</summary>
public sealed class LearnedJars
{
    private readonly KnownJars known;

    /// <param name="places">Of the unknowns.</param>
    internal LearnedJars(LearnedFrom basis, UnknownPlaces places, Fitted fitted)
    {
        (Basis, Places, Fitted) = (basis, places, fitted);
        known = new KnownJars(id => basis.Jars[id].Name, places.Jars, new JarUnknowns(basis.Jars, places.Jars).Known(fitted, basis.Readings.Select(reading => reading.Doses.Select(dose => dose.JarId))));
        Units = [.. places.Units.Select(unit => new UnitKnowledge(
            unit.Key.Kind, unit.Key.IsWeighed, TimesAt(unit.Value), basis.Readings.Count(reading => reading.Doses.Any(dose => dose.Counted?.Unit == unit.Key))))];
        Rest = places.Rest is { } rest ? new RestKnowledge(TimesAt(rest), basis.Readings.Count(reading => reading.Unknowns.RestedHours is not null)) : null;

        LikelyTimes TimesAt(int place) => LikelyTimes.Of(fitted.X[place], Math.Sqrt(fitted.Covariance[place, place]));
    }

    internal LearnedFrom Basis { get; }

    internal UnknownPlaces Places { get; }

    internal Fitted Fitted { get; }

    /// <summary>How far a paste is off what its jars say, whoever reads it: a standard deviation in L, a and b.</summary>
    public double ModelError => Fitted.ModelError;

    /// <summary>How much of each reading is believed, 0 to about 1, by its id: a slip of the hand hardly at all.</summary>
    public IReadOnlyDictionary<Guid, double> Trust => Fitted.Trust;

    /// <summary>Those that a paste that was read was measured by.</summary>
    public IReadOnlyList<UnitKnowledge> Units { get; }

    /// <summary>How colours come out here; null when every paste that was read had rested.</summary>
    public RestKnowledge? Rest { get; }

    /// <summary>How many times as long colours take to come out as their lists say; 1 when no paste has told of it.</summary>
    public double TimesOfRest => Rest?.Times.Times ?? 1;

    /// <summary>How many times as much as written one of a unit is; 1 for one that no paste has told of.</summary>
    public double TimesOf(OwnUnit unit) => Places.Of(unit) is { } at ? Math.Exp(Fitted.X[at]) : 1;

    /// <summary>Whether a reading is hardly believed: a slip, or another jar.</summary>
    public bool IsOutlier(Guid readingId) => IsHardlyBelieved(Trust, readingId);

    internal static bool IsHardlyBelieved(IReadOnlyDictionary<Guid, double> trusts, Guid readingId) => trusts.TryGetValue(readingId, out var trust) && trust < OutlierTrust;

    private const double OutlierTrust = 0.35;

    /// <summary>As the list has it, with all its doubt, for a jar that nobody has read; a new lot begins where the others of its name are.</summary>
    public JarKnowledge Of(string jarId) => known.Of(jarId, Basis.Jars.GetValueOrDefault(jarId)?.Name);

    /// <summary>K and S of a jar as it is thought to be.</summary>
    /// <exception cref="KeyNotFoundException">There is no such jar.</exception>
    public KubelkaMunkSpectra OpticsOf(string jarId) => Of(jarId).Difference.Of(Basis.Jars[jarId].Listed);

    /// <summary>K and S of a rested paste, in 1/mm.</summary>
    /// <param name="doses">That were weighed.</param>
    /// <param name="differenceOf">Of the jar of a dose, by its place.</param>
    /// <exception cref="KeyNotFoundException">There is no such base or jar.</exception>
    internal KubelkaMunkSpectra MixOf(string baseId, IReadOnlyList<JarDose> doses, Func<int, JarDifference> differenceOf) =>
        doses.Index().Aggregate(Basis.Bases[baseId], (mix, dose) => mix.With(differenceOf(dose.Index).Of(Basis.Jars[dose.Item.JarId].Listed).Times(dose.Item.GPer100g)));

    /// <summary>The colour of an opaque paste, and how sure it is.</summary>
    /// <param name="restedHours">Null when its colour has come out.</param>
    /// <exception cref="KeyNotFoundException">There is no such base or jar.</exception>
    public RangedColour Predict(string baseId, IReadOnlyList<JarDose> doses, double? restedHours = null)
    {
        var unknowns = new PasteUnknowns(doses, restedHours);
        Span<Lab> slopes = stackalloc Lab[unknowns.Count];
        var colour = new PasteSlopes(Basis.Bases[baseId], [.. doses.Select(dose => OpticsOf(dose.JarId))], [.. doses.Select(dose => Basis.Jars[dose.JarId].Development.Times(TimesOfRest))])
            .ColourAndSlopes([.. Enumerable.Range(0, doses.Count)], unknowns, TimesOf, slopes);
        Span<double> spread = stackalloc double[9];
        spread.Clear();
        Spread.Add(spread, slopes, CovarianceOf(unknowns));
        foreach (var (slot, variance) in unknowns.Apart(ageing: 0))
            Spread.Add(spread, slopes[slot], slopes[slot], variance);
        Spread.AddEvenly(spread, ModelError);
        return new RangedColour(colour, Spread.NineOfTen(colour, spread));
    }

    /// <summary>Whether all that a reading hangs on was read before.</summary>
    internal bool KnowsAllOf(PasteReading reading) => reading.Unknowns.In(Places).All(place => place is not null);

    /// <summary>Of two of the unknowns of a paste, by their places in it.</summary>
    internal Func<int, int, double> CovarianceOf(PasteUnknowns paste) => Fitted.CovarianceOf([.. paste.In(Places)], paste.PriorVariance);
}
