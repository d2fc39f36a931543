using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>Pieces of one whorl as they come from the hand: alike, but no clones.</summary>
public static class WhorlLooks
{
    /// <summary>Looks that are told apart; a whorl goes round through them.</summary>
    public const int Looks = 3;

    private const double TrialShare = 0.15;

    /// <summary>However wide the spread may be, a hand does not stray farther with a load.</summary>
    private const double MostShare = 0.5;

    /// <summary>A lighter piece, one as planned, and a heavier one, each with strokes of its own.</summary>
    /// <returns>Plans whose zones differ from the planned look by about the spread of their targets, as far as loads can do that.</returns>
    public static IReadOnlyList<PiecePlan> Of(PiecePlan plan, PieceShape shape, Materials materials)
    {
        if (plan.Coats.Count == 0)
            return [plan];
        var share = ShareFor(plan, shape, materials);
        return [Strayed(plan, 1 - share, 1), plan, Strayed(plan, 1 + share, 2)];
    }

    /// <summary>How much lighter or heavier a hand must be for the zones to differ by their spread.</summary>
    private static double ShareFor(PiecePlan plan, PieceShape shape, Materials materials)
    {
        var spread = plan.Targets.Values.Average(target => target.Spread);
        var (planned, trial) = (new ZoneColourEvaluator(plan.Paste, plan.Coats, shape, materials), new ZoneColourEvaluator(plan.Paste, Strayed(plan, 1 + TrialShare, 0).Coats, shape, materials));
        var moved = Enum.GetValues<Zone>().Average(zone => DeltaE2000.Between(planned.See(zone), trial.See(zone)));
        return moved > 0 ? Math.Min(MostShare, TrialShare * spread / moved) : 0;
    }

    private static PiecePlan Strayed(PiecePlan plan, double share, int seed) => plan with
    {
        Coats = [.. plan.Coats.Select(coat => coat switch
        {
            DustCoat dust => dust with { LoadMgPerCm2 = share * dust.LoadMgPerCm2 },
            WashCoat { Marking: { } marking } wash => wash with { Marking = marking with { Seed = unchecked(marking.Seed + 7919 * seed) } },
            WashCoat wash => wash with { WetMlPerCm2 = share * wash.WetMlPerCm2 },
            _ => coat,
        })],
    };
}
