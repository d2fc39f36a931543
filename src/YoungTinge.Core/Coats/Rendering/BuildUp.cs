using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

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
    public static IReadOnlyList<ZoneHistory> Of(ResolvedPlan plan, PieceShape shape) => Of(plan.Plan, new ZoneColourEvaluator(plan, shape));

    /// <param name="eye">Of this very plan.</param>
    public static IReadOnlyList<ZoneHistory> Of(PiecePlan plan, ZoneColourEvaluator eye) => [.. Enum.GetValues<Zone>().Select(zone =>
    {
        // Every stage is laid anew: a steam later on changes the dust that is already there.
        var stages = Enumerable.Range(1, plan.Coats.Count).Select(done => eye.See(zone, coat => coat < done));
        Lab[] colours = [eye.Paste, .. stages];
        var target = plan.Targets[zone].Colour;
        return new ZoneHistory(zone, colours, target, Difference.Of(colours[^1], target));
    })];
}
