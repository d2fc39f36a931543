using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>What a zone goes through.</summary>
/// <param name="Colours">Rested paste first, then the zone after each coat; the last is the finished zone. Under daylight.</param>
/// <param name="Difference">The finished zone against its target.</param>
public sealed record ZoneHistory(Zone Zone, IReadOnlyList<Lab> Colours, Lab Target, Difference Difference)
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
        return new ZoneHistory(zone, colours, target, Difference.Of(colours[^1], target));
    });
}
