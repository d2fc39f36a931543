namespace YoungTinge.Core.Cabinet;

/// <summary>The mean mass of a maker's own touch, from ten weighed together or each by itself.</summary>
/// <param name="MeanG">Of one.</param>
/// <param name="SpreadShare">Standard deviation of one over the mean; null if they were weighed together.</param>
public sealed record UnitWeighing(double MeanG, double? SpreadShare)
{
    public const int MostWeighed = 100;

    /// <exception cref="ArgumentOutOfRangeException">Not at least one, or no mass.</exception>
    public static UnitWeighing Together(double totalG, int count)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(totalG);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(count);
        return new UnitWeighing(totalG / count, null);
    }

    /// <exception cref="ArgumentException">None, or one without mass.</exception>
    public static UnitWeighing Each(IReadOnlyList<double> masses)
    {
        if (masses.Count == 0 || masses.Any(mass => !(mass > 0)))
            throw new ArgumentException("At least one is needed, and each has a mass.", nameof(masses));
        var mean = masses.Average();
        var spread = masses.Count > 1 ? Math.Sqrt(masses.Sum(mass => (mass - mean) * (mass - mean)) / (masses.Count - 1)) / mean : (double?)null;
        return new UnitWeighing(mean, spread);
    }
}
