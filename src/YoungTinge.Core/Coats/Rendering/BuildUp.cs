using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>What a zone goes through.</summary>
/// <param name="Colours">Rested paste first, then the zone after each coat; the last is the finished zone. Under daylight.</param>
/// <param name="Ground">The finished zone between details that are painted on it: what its target is about.</param>
/// <param name="Difference">That against the target.</param>
public sealed record ZoneHistory(Zone Zone, IReadOnlyList<Lab> Colours, Lab Ground, Lab Target, Difference Difference)
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
        var ground = eye.Plan.Plan.Coats.Any(coat => coat.IsDetail) ? eye.SeeGround(zone) : colours[^1];
        return new ZoneHistory(zone, colours, ground, target, Difference.Of(ground, target));
    });
}
