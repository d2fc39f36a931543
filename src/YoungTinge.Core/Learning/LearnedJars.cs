using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>What is thought of one jar.</summary>
/// <param name="StrengthDeviation">Standard deviation of its strength.</param>
/// <param name="TiltDeviation">Standard deviation of its tilt.</param>
/// <param name="Readings">Of pastes that it was in.</param>
public readonly record struct JarKnowledge(JarDifference Difference, double StrengthDeviation, double TiltDeviation, int Readings);

/// <summary>A colour as it is predicted.</summary>
/// <param name="Range">CIEDE2000 that nine of ten come out within.</param>
public sealed record RangedColour(Lab Colour, double Range);

/// <summary>What all readings together tell of the jars, as of one moment.</summary>
public sealed class LearnedJars
{
    private readonly IReadOnlyDictionary<string, Jar> jars;
    private readonly IReadOnlyDictionary<string, KubelkaMunkSpectra> bases;
    private readonly Dictionary<string, int> places;
    private readonly JarKnowledge[] known;
    private readonly double[,] covariance;

    internal LearnedJars(
        IReadOnlyDictionary<string, Jar> jars, IReadOnlyDictionary<string, KubelkaMunkSpectra> bases, Dictionary<string, int> places, JarKnowledge[] known, double[,] covariance, double modelError,
        IReadOnlyDictionary<Guid, double> trust)
    {
        (this.jars, this.bases, this.places, this.known, this.covariance, ModelError, Trust) = (jars, bases, places, known, covariance, modelError, trust);
    }

    /// <summary>How far a paste is off what its jars say, whoever reads it: a standard deviation in L, a and b.</summary>
    public double ModelError { get; }

    /// <summary>How much of each reading is believed, 0 to about 1, by its id: a slip of the hand hardly at all.</summary>
    public IReadOnlyDictionary<Guid, double> Trust { get; }

    /// <summary>Whether a reading is hardly believed: a slip, or another jar.</summary>
    public bool IsOutlier(Guid readingId) => IsHardlyBelieved(Trust, readingId);

    internal static bool IsHardlyBelieved(IReadOnlyDictionary<Guid, double> trusts, Guid readingId) => trusts.TryGetValue(readingId, out var trust) && trust < OutlierTrust;

    private const double OutlierTrust = 0.35;

    /// <summary>As the list has it, with all its doubt, for a jar that nobody has read.</summary>
    public JarKnowledge Of(string jarId) => places.TryGetValue(jarId, out var at) ? known[at] : new JarKnowledge(NewLotOf(jarId), JarPrior.Strength, JarPrior.Tilt, 0);

    /// <summary>A new lot begins where the others of its name are, on the whole, with all its doubt.</summary>
    private JarDifference NewLotOf(string jarId)
    {
        if (!jars.TryGetValue(jarId, out var jar))
            return default;
        var others = places.Where(place => jars[place.Key].Name == jar.Name).Select(place => known[place.Value]).ToList();
        return others.Count == 0 ? default : new JarDifference(others.Average(other => other.Difference.Strength), others.Average(other => other.Difference.Tilt));
    }

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
        for (var i = 0; i < slopes.Length; i++)
        {
            for (var j = 0; j < slopes.Length; j++)
                Spread.Add(spread, slopes[i], slopes[j], CovarianceOf(doses[i / 2].JarId, i % 2, doses[j / 2].JarId, j % 2));
        }

        for (var axis = 0; axis < 3; axis++)
            spread[4 * axis] += ModelError * ModelError;
        return Spread.NineOfTen(colour, spread);
    }

    internal double CovarianceOf(string jar, int which, string other, int whichOther)
    {
        if (places.TryGetValue(jar, out var at) && places.TryGetValue(other, out var atOther))
            return covariance[2 * at + which, 2 * atOther + whichOther];
        return jar != other || which != whichOther ? 0 : JarPrior.Variance(which);
    }
}
