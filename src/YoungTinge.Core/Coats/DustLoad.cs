using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats;

/// <summary>How much dust leaves the pot for what stays on the pieces.</summary>
public static class DustLoad
{
    /// <summary>Share of the dust taken up that stays on the piece; a brush loses more than half.</summary>
    public const double TransferShare = 0.35;

    /// <summary>Less than this cannot be mixed or picked up, in g.</summary>
    public const double SmallestMixG = 0.2;

    /// <summary>Dust to mix for a coat on many pieces, in g.</summary>
    /// <param name="meanShare">Mean of the coat's mask over one side, 0 to 1.</param>
    public static double MixG(DustCoat coat, double areaCm2, double meanShare, int pieces) =>
        Math.Max(SmallestMixG, pieces * coat.Sides.Count() * areaCm2 * meanShare * coat.LoadMgPerCm2 / TransferShare / 1000);
}
