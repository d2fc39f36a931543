using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>What a hand calls a load.</summary>
public enum LoadWord
{
    Light,
    Medium,
    Heavy,
}

/// <param name="MgPerCm2">What stays on the piece.</param>
public sealed record NamedLoad(LoadWord Word, double MgPerCm2);

/// <summary>Loads by the words of a hand, and how much dust leaves the pot for them.</summary>
public static class DustLoad
{
    public static IReadOnlyList<NamedLoad> Named { get; } =
        [new(LoadWord.Light, 0.05), new(LoadWord.Medium, 0.15), new(LoadWord.Heavy, 0.40)];

    /// <summary>Share of the dust taken up that stays on the piece; a brush loses more than half.</summary>
    public const double TransferShare = 0.35;

    /// <summary>The nearest of them, by ratio: twice as much is as far as half as much.</summary>
    /// <param name="mgPerCm2">Above 0.</param>
    public static NamedLoad Nearest(double mgPerCm2) => Named.MinBy(load => Math.Abs(Math.Log(mgPerCm2 / load.MgPerCm2)))!;

    /// <summary>Dust that a coat takes on many pieces, what the brush loses counted in, in g.</summary>
    /// <param name="laidMgPerCm2">Where the place is full.</param>
    /// <param name="meanShare">Mean of the coat's mask over one side, 0 to 1.</param>
    public static double MixG(double laidMgPerCm2, Sides sides, double areaCm2, double meanShare, int pieces) =>
        pieces * sides.Count() * areaCm2 * meanShare * laidMgPerCm2 / TransferShare / 1000;
}
