using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Coats.Advice;

/// <summary>Faults of the look, found by computing what will be seen rather than by rule. Its thresholds are house figures.</summary>
public static class LookAdvice
{
    /// <summary>CIEDE2000 for each mm that an eye at arm's length reads as a line.</summary>
    private const double LineDeltaEPerMm = 8;

    /// <summary>A smooth step is steepest in its middle, half as steep again as on average.</summary>
    private const double SteepestOfStep = 1.5;

    /// <summary>However a hand tries, a brush blends out this far.</summary>
    private const double FinestFeatherMm = 0.5;

    /// <summary>Dust that is not cut lies by so much heavier here and lighter there.</summary>
    private const double PatchShare = 0.3;

    /// <summary>With this share of starch a dust spreads evenly.</summary>
    private const double CutShare = 0.25;

    /// <summary>CIEDE2000 between the heavy and the light patches that is seen as blotches.</summary>
    private const double BlotchyDeltaE = 4;

    // A coat that darkens and dulls by this much, in a zone that ends duller than wanted.
    private const double MuddyFall = 3;
    private const double DullerThanWanted = 4;

    // Greens between leaf and sea, more colourful than leaves are and than was wanted.
    private const double GreenFromDegrees = 110;
    private const double GreenToDegrees = 165;
    private const double LeafChroma = 42;

    /// <summary>A deep leaf green is none, however strong, nor is straw.</summary>
    private const double LightFromL = 52;
    private const double MoreThanWanted = 5;

    private const double PlainlySeen = 2;
    private const double NotSeen = 1;

    /// <param name="zones">What this eye sees.</param>
    public static IReadOnlyList<PlanAdvice> For(ZoneColourEvaluator eye, Piece piece, IReadOnlyList<ZoneHistory> zones)
    {
        var plan = eye.Plan;
        var shape = piece.Shape();
        var found = new List<PlanAdvice>();
        var without = SideBySide.Select(zones, (zone, _) => eye.Without(zone.Zone));
        for (var i = 0; i < plan.Coats.Count; i++)
        {
            // A detail is painted on purpose: it is no fault of the ground.
            if (plan.Plan.Coats[i] is not (DustCoat or WashCoat) || plan.Plan.Coats[i].IsDetail)
                continue;
            var mostAtEnd = zones.Select((zone, at) => (zone.Zone, DeltaE: DeltaE2000.Between(zone.Finished, without[at][i]))).MaxBy(one => one.DeltaE);
            found.AddRange(CoatFaults(plan, i, mostAtEnd, zones, shape));
        }

        found.AddRange(zones.Where(zone => IsNeon(zone.Ground, zone.Target)).Select(zone => new PlanAdvice(AdviceCode.NeonGreen) { Zone = zone.Zone }));
        found.AddRange(FinishAdvice.For(eye));
        if (piece.IsWired && WireAdvice.For(piece, plan.Paste, plan.Cabinet).Choices is [{ Word: WireShows.Shows } wire, ..])
            found.Add(new PlanAdvice(AdviceCode.WireShows, MaterialId: wire.WireId) { Zone = Zone.Heart });
        return [.. found.Select(plan.Plan.Acknowledged)];
    }

    private static IEnumerable<PlanAdvice> CoatFaults(
        ResolvedPlan plan, int at, (Zone Zone, double DeltaE) mostAtEnd, IReadOnlyList<ZoneHistory> zones, PieceShape shape)
    {
        var coat = plan.Coats[at];
        var placed = (IPlacedCoat)coat.Coat;
        if (coat.IsBlendedOut && NarrowestEdgeMm(placed.Place, shape) is { } edgeMm
            && SteepestOfStep * mostAtEnd.DeltaE / Math.Max(edgeMm, FinestFeatherMm) >= LineDeltaEPerMm)
            yield return new PlanAdvice(AdviceCode.HardLine, coat.Id) { Zone = mostAtEnd.Zone };

        var seenWhenLaid = zones.Max(zone => DeltaE2000.Between(zone.Colours[at], zone.Colours[at + 1]));
        if (seenWhenLaid >= PlainlySeen && mostAtEnd.DeltaE < NotSeen)
            yield return new PlanAdvice(AdviceCode.Vanishes, coat.Id) { Zone = mostAtEnd.Zone };

        var muddy = zones.Where(zone =>
            zone.Colours[at].L - zone.Colours[at + 1].L >= MuddyFall && zone.Colours[at].Chroma - zone.Colours[at + 1].Chroma >= MuddyFall
            && zone.Target.Chroma - zone.Ground.Chroma >= DullerThanWanted && zone.Ground.L < zone.Target.L).ToList();
        if (muddy.Count > 0)
            yield return new PlanAdvice(AdviceCode.Muddy, coat.Id) { Zone = muddy.MaxBy(zone => zone.Target.Chroma - zone.Ground.Chroma)!.Zone };

        if (coat is ResolvedDust { IsLustrous: false } dust && dust.StarchShare < CutShare && Patches((DustCoat)coat.Coat) >= BlotchyDeltaE)
            yield return new PlanAdvice(AdviceCode.DustNotCut, coat.Id) { Zone = mostAtEnd.Zone };

        double Patches(DustCoat dust)
        {
            Lab With(double share) => new ZoneColourEvaluator(plan.With([.. plan.Plan.Coats.Select((other, i) => i == at ? dust with { LoadMgPerCm2 = dust.LoadMgPerCm2 * share } : other)]), shape)
                .See(mostAtEnd.Zone);
            return DeltaE2000.Between(With(1 - PatchShare), With(1 + PatchShare));
        }
    }

    /// <summary>How wide the narrowest fade of a place is that lies on the piece; null if it has no edge there.</summary>
    private static double? NarrowestEdgeMm(Place place, PieceShape shape)
    {
        var edges = place.Parts.Where(part => part.Kind != PlaceKind.Whole && (part.Start > 0 || part.End < ReachOf(part, shape)))
            .Select(part => part.Feather * (part.IsInMm ? 1 : MmOf(part, shape))).ToList();
        return edges.Count > 0 ? edges.Min() : null;
    }

    private static double ReachOf(Place place, PieceShape shape) => place.IsInMm ? shape.WidthMm / 2 : 1;

    /// <summary>The length that a place's shares are of.</summary>
    private static double MmOf(Place place, PieceShape shape) =>
        place.Kind == PlaceKind.Heart ? Math.Min(shape.WidthMm / 2, shape.LengthMm / 2) : shape.LengthMm;

    private static bool IsNeon(Lab finished, Lab target) =>
        finished.HueDegrees is >= GreenFromDegrees and <= GreenToDegrees && finished.Chroma >= LeafChroma && finished.L >= LightFromL && finished.Chroma - target.Chroma >= MoreThanWanted;
}
