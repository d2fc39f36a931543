using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>What a zone goes through.</summary>
/// <param name="Colours">Rested paste first, then the zone after each coat; the last is the finished zone. Under daylight.</param>
/// <param name="Details">Coats that are painted details of it, by their places in the plan.</param>
/// <param name="Ground">The finished zone between these: what its target is about.</param>
/// <param name="Difference">That against the target.</param>
public sealed record ZoneHistory(Zone Zone, IReadOnlyList<Lab> Colours, IReadOnlySet<int> Details, Lab Ground, Lab Target, Difference Difference)
{
    public Lab Finished => Colours[^1];
}

/// <summary>The colour of every zone of a piece after every coat.</summary>
public static class BuildUp
{
    public static IReadOnlyList<ZoneHistory> Of(ResolvedPlan plan, PieceShape shape) => Of(new ZoneColourEvaluator(plan, shape));

    public static IReadOnlyList<ZoneHistory> Of(ZoneColourEvaluator eye) => SideBySide.Select(Enum.GetValues<Zone>(), (zone, _) =>
    {
        Lab[] colours = [eye.Paste, .. eye.Stages(zone)];
        var target = eye.Plan.Plan.Targets[zone].Colour;
        var details = eye.DetailsIn(zone);
        var ground = details.Count == 0 ? colours[^1] : eye.SeeGround(zone);
        return new ZoneHistory(zone, colours, details, ground, target, Difference.Of(ground, target));
    });
}
