namespace YoungTinge.Core.Learning;

/// <summary>What is thought of one jar.</summary>
/// <param name="StrengthDeviation">Standard deviation of its strength.</param>
/// <param name="TiltDeviation">Standard deviation of its tilt.</param>
/// <param name="Readings">That it was in.</param>
public readonly record struct JarKnowledge(JarDifference Difference, double StrengthDeviation, double TiltDeviation, int Readings)
{
    public LikelyTimes Strength => LikelyTimes.Of(Difference.Strength, StrengthDeviation);
}

/// <summary>How many times as much as listed or planned.</summary>
/// <param name="Low">Nine of ten times it is between this ...</param>
/// <param name="High">... and this.</param>
public sealed record LikelyTimes(double Times, double Low, double High)
{
    /// <summary>Standard deviations to either side that hold nine of ten.</summary>
    private const double NineOfTen = 1.645;

    /// <param name="logarithm">Natural.</param>
    /// <param name="deviation">Standard deviation of it.</param>
    internal static LikelyTimes Of(double logarithm, double deviation) =>
        new(Math.Exp(logarithm), Math.Exp(logarithm - NineOfTen * deviation), Math.Exp(logarithm + NineOfTen * deviation));
}

/// <summary>What is thought of every jar that was read, and of those that were not.</summary>
/// <param name="nameOf">Of a jar that was read: shared by the lots of one colour.</param>
/// <param name="places">Of the jars that were read, in all that was solved.</param>
internal sealed class KnownJars(Func<string, string> nameOf, IReadOnlyDictionary<string, int> places, IReadOnlyList<JarKnowledge> known)
{
    /// <summary>As the list has it, with all its doubt, for a jar that was never read; a new lot begins where the others of its name are, on the whole.</summary>
    public JarKnowledge Of(string jarId, string? name)
    {
        if (places.TryGetValue(jarId, out var at))
            return known[at];
        var others = places.Where(place => nameOf(place.Key) == name).Select(place => known[place.Value].Difference).ToList();
        return new JarKnowledge(
            others.Count == 0 ? default : new JarDifference(others.Average(other => other.Strength), others.Average(other => other.Tilt)), JarPrior.Strength, JarPrior.Tilt, 0);
    }
}
