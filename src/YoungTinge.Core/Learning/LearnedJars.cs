using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>A colour as it is predicted.</summary>
/// <param name="Range">CIEDE2000 that nine of ten come out within.</param>
public sealed record RangedColour(Lab Colour, double Range);

/// <summary>What all readings together tell of the jars, as of one moment.</summary>
public sealed class LearnedJars
{
    private readonly IReadOnlyDictionary<string, Jar> jars;
    private readonly IReadOnlyDictionary<string, KubelkaMunkSpectra> bases;
    private readonly Dictionary<string, int> places;
    private readonly KnownJars known;
    private readonly double[,] covariance;

    internal LearnedJars(
        IReadOnlyDictionary<string, Jar> jars, IReadOnlyDictionary<string, KubelkaMunkSpectra> bases, Dictionary<string, int> places, IReadOnlyList<JarKnowledge> known, double[,] covariance, double modelError,
        IReadOnlyDictionary<Guid, double> trust)
    {
        (this.jars, this.bases, this.places, this.known, this.covariance, ModelError, Trust) = (jars, bases, places, new KnownJars(id => jars[id].Name, places, known), covariance, modelError, trust);
    }

    /// <summary>How far a paste is off what its jars say, whoever reads it: a standard deviation in L, a and b.</summary>
    public double ModelError { get; }

    /// <summary>How much of each reading is believed, 0 to about 1, by its id: a slip of the hand hardly at all.</summary>
    public IReadOnlyDictionary<Guid, double> Trust { get; }

    /// <summary>Whether a reading is hardly believed: a slip, or another jar.</summary>
    public bool IsOutlier(Guid readingId) => IsHardlyBelieved(Trust, readingId);

    internal static bool IsHardlyBelieved(IReadOnlyDictionary<Guid, double> trusts, Guid readingId) => trusts.TryGetValue(readingId, out var trust) && trust < OutlierTrust;

    private const double OutlierTrust = 0.35;

    /// <summary>As the list has it, with all its doubt, for a jar that nobody has read; a new lot begins where the others of its name are.</summary>
    public JarKnowledge Of(string jarId) => known.Of(jarId, jars.GetValueOrDefault(jarId)?.Name);

    /// <summary>K and S of a jar as it is thought to be.</summary>
    /// <exception cref="KeyNotFoundException">There is no such jar.</exception>
    public KubelkaMunkSpectra OpticsOf(string jarId) => Of(jarId).Difference.Of(jars[jarId].Listed);

    /// <summary>K and S of a rested paste, in 1/mm.</summary>
    /// <param name="differenceOf">Of the jar of a dose, by its place.</param>
    /// <exception cref="KeyNotFoundException">There is no such base or jar.</exception>
    internal KubelkaMunkSpectra MixOf(string baseId, IReadOnlyList<JarDose> doses, Func<int, JarDifference> differenceOf) =>
        doses.Index().Aggregate(bases[baseId], (mix, dose) => mix.With(differenceOf(dose.Index).Of(jars[dose.Item.JarId].Listed).Times(dose.Item.GPer100g)));

    /// <summary>The colour of a rested opaque paste, and how sure it is.</summary>
    /// <exception cref="KeyNotFoundException">There is no such base or jar.</exception>
    public RangedColour Predict(string baseId, IReadOnlyList<JarDose> doses)
    {
        Span<Lab> slopes = stackalloc Lab[2 * doses.Count];
        var colour = new PasteSlopes(bases[baseId], [.. doses.Select(dose => OpticsOf(dose.JarId))]).ColourAndSlopes([.. Enumerable.Range(0, doses.Count)], doses, slopes);
        return new RangedColour(colour, RangeOf(colour, doses, slopes));
    }

    private double RangeOf(Lab colour, IReadOnlyList<JarDose> doses, ReadOnlySpan<Lab> slopes)
    {
        Span<double> spread = stackalloc double[9];
        spread.Clear();
        Spread.Add(spread, slopes, (i, j) => CovarianceOf(doses, i, j));
        Spread.AddEvenly(spread, ModelError);
        return Spread.NineOfTen(colour, spread);
    }

    /// <summary>Of two of the unknowns of a paste: strength and tilt of each of its doses, in their order.</summary>
    internal double CovarianceOf(IReadOnlyList<JarDose> doses, int one, int other)
    {
        var (jar, otherJar) = (doses[one / 2].JarId, doses[other / 2].JarId);
        if (places.TryGetValue(jar, out var at) && places.TryGetValue(otherJar, out var atOther))
            return covariance[2 * at + one % 2, 2 * atOther + other % 2];
        return jar != otherJar || one % 2 != other % 2 ? 0 : JarPrior.Variance(one % 2);
    }
}
