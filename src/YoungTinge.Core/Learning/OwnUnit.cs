using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Learning;

/// <summary>A measure of the maker's: what one weighs against what is written is alike for all colours that are measured by it. What was weighed is nearer to what is written.</summary>
public readonly record struct OwnUnit(DoseUnitKind Kind, bool IsWeighed)
{
    public static OwnUnit Of(DoseUnit unit) => new(unit.Kind, unit.IsWeighed);
}

/// <summary>How a dose was counted.</summary>
/// <param name="Count">Above 0; not whole where a let-down carried some of it.</param>
public sealed record Counted(OwnUnit Unit, double Count);

/// <summary>What is taken of units that no paste has told of. House figures.</summary>
internal static class UnitPrior
{
    /// <summary>Standard deviations of the logarithm of how many times as much as written one is.</summary>
    private const double Usual = 0.3, Weighed = 0.1;

    /// <summary>Standard deviation of the logarithm of one of them: no touch is quite like the last.</summary>
    private const double ScatterOfOne = 0.2;

    public static double Variance(OwnUnit unit) => unit.IsWeighed ? Weighed * Weighed : Usual * Usual;

    /// <summary>Of a dose that was counted, beside what one is on the mean: the more of them, the nearer.</summary>
    public static double ScatterVariance(double count) => ScatterOfOne * ScatterOfOne / Math.Max(1, count);
}

/// <summary>What is thought of one unit.</summary>
/// <param name="Times">How many times as much as written.</param>
/// <param name="Readings">Of pastes that were measured by it.</param>
public sealed record UnitKnowledge(DoseUnitKind Kind, bool IsWeighed, LikelyTimes Times, int Readings);
