namespace YoungTinge.Core.Cabinet;

/// <summary>The mean mass of a maker's own touch, from several weighed together: one alone is less than a scale can tell.</summary>
/// <param name="MeanG">Of one.</param>
public sealed record UnitWeighing(double MeanG)
{
    public const int MostWeighed = 100;

    /// <exception cref="ArgumentOutOfRangeException">Not at least one, or no mass.</exception>
    public static UnitWeighing Together(double totalG, int count)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(totalG);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(count);
        return new UnitWeighing(totalG / count);
    }
}
