using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>What would become of several pieces at once: shown before anything is kept.</summary>
public static class PieceChanges
{
    /// <param name="Before">Finished, between its details, as it is kept now.</param>
    /// <param name="After">The same with the change.</param>
    /// <param name="Difference">Of the change from its target.</param>
    public sealed record ZoneChange(Zone Zone, ColourView Target, ColourView Before, ColourView After, Difference Difference);

    /// <param name="MadeFrom">Version of the piece that the change was made from.</param>
    /// <param name="Plan">As it would be kept.</param>
    /// <param name="WorstBefore">CIEDE2000 of the zone that is farthest from its target, as it is kept now.</param>
    /// <param name="WorstAfter">The same with the change.</param>
    /// <param name="CoatsBefore">How many coats it has now.</param>
    /// <param name="Coats">Of the plan, in order.</param>
    public sealed record Change(
        Guid PieceId, int MadeFrom, PiecePlan Plan, double WorstBefore, double WorstAfter, int CoatsBefore, IReadOnlyList<ZoneChange> Zones, IReadOnlyList<PreviewPlan.CoatView> Coats);

    internal static Change Of(PlannedPiece piece, PiecePlan plan, StudioWork work)
    {
        var shape = piece.Piece.Shape();
        var resolved = work.With(piece, plan).Resolve(work.Materials);
        var (before, after) = (new ZoneColourEvaluator(piece.Resolve(work.Materials), shape), new ZoneColourEvaluator(resolved, shape));
        var zones = Enum.GetValues<Zone>().Select(zone => (Zone: zone, Target: plan.Targets[zone].Colour, Before: before.SeeGround(zone), After: after.SeeGround(zone))).ToList();
        return new Change(
            piece.Id, piece.Version, plan,
            zones.Max(zone => DeltaE2000.Between(zone.Before, zone.Target)), zones.Max(zone => DeltaE2000.Between(zone.After, zone.Target)), piece.Plan.Coats.Count,
            [.. zones.Select(zone => new ZoneChange(zone.Zone, ColourView.From(zone.Target), ColourView.From(zone.Before), ColourView.From(zone.After), Difference.Of(zone.After, zone.Target)))],
            [.. resolved.Coats.Select(coat => PreviewPlan.View(coat, shape, piece.Quantity.Pieces, work.Materials))]);
    }

    /// <summary>The pieces of a commission that were chosen; null if one of them is not there.</summary>
    internal static IReadOnlyList<PlannedPiece>? Chosen(Guid commissionId, IReadOnlyList<Guid> ids, StudioWork work)
    {
        var own = work.PiecesIn(commissionId).ToDictionary(piece => piece.Id);
        return ids.Count > 0 && ids.All(own.ContainsKey) ? [.. ids.Distinct().Select(id => own[id])] : null;
    }
}
