using YoungTinge.Core.Targets;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Targets;

/// <summary>Our library of natural colourings and fantasy palettes.</summary>
public static class ListStartingPoints
{
    public sealed record StartingPointView(
        string Id, StartingPointKind Kind, string Name, string Part, string Variant, string SeenIn, bool IsLeaf, IReadOnlyList<TargetView> Targets);

    private static readonly IReadOnlyList<StartingPointView> All = [.. StartingPoints.All.Select(one => new StartingPointView(
        one.Id, one.Kind, one.Name, one.Part, one.Variant, one.SeenIn, one.IsLeaf, TargetView.From(one.Targets)))];

    public static void Map(RouteGroupBuilder api) => api.MapGet("/starting-points", () => TypedResults.Ok(All))
        .KeepsShipped().WithName("listStartingPoints").Produces<IReadOnlyList<StartingPointView>>().ProducesProblems();
}
