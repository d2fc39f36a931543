using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>Pieces of one whorl as they come from the hand: alike, but no clones.</summary>
public static class WhorlLooks
{
    /// <summary>Looks that are told apart; a whorl goes round through them.</summary>
    public const int Looks = 3;

    /// <summary>Of a marbled whorl, where every piece is cut from another place: so that hardly two that are seen together are the same.</summary>
    private const int Marbled = 7;

    private const double TrialShare = 0.15;

    /// <summary>However wide the spread may be, a hand does not stray farther with a load.</summary>
    private const double MostShare = 0.5;

    /// <summary>A lighter piece, one as planned, and a heavier one, each with strokes of its own.</summary>
    /// <returns>Plans whose zones differ from the planned look by about the spread of their targets, as far as loads can do that.</returns>
    public static IReadOnlyList<ResolvedPlan> Of(ResolvedPlan plan, PieceShape shape)
    {
        if (plan.Coats.Count == 0)
            return plan.Source is MarbledPaste ? [.. Enumerable.Range(0, Marbled).Select(plan.Piece)] : [plan];
        var share = ShareFor(plan, shape);
        ResolvedPlan[] looks = [Strayed(plan, 1 - share, 1), plan, Strayed(plan, 1 + share, 2)];
        return plan.Source is MarbledPaste ? [.. Enumerable.Range(0, Marbled).Select(number => looks[number % Looks].Piece(number))] : looks;
    }

    /// <summary>How much lighter or heavier a hand must be for the zones to differ by their spread.</summary>
    private static double ShareFor(ResolvedPlan plan, PieceShape shape)
    {
        var spread = plan.Plan.Targets.Values.Average(target => target.Spread);
        var (planned, trial) = (new ZoneColourEvaluator(plan, shape), new ZoneColourEvaluator(Strayed(plan, 1 + TrialShare, 0), shape));
        var moved = Enum.GetValues<Zone>().Average(zone => DeltaE2000.Between(planned.See(zone), trial.See(zone)));
        return moved > 0 ? Math.Min(MostShare, TrialShare * spread / moved) : 0;
    }

    private static ResolvedPlan Strayed(ResolvedPlan plan, double share, int seed) => plan.With([.. plan.Plan.Coats.Select(coat => coat.Strayed(share, seed))]);
}
