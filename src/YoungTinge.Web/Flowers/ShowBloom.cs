using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>A flower put together from its pieces, or all of a commission as a spray, in any light.</summary>
public static class ShowBloom
{
    private const int Columns = 40;
    private const int Rows = 52;

    /// <param name="OutlinePath">SVG path in a box of width by length millimetres, tip up.</param>
    /// <param name="Looks">Its face as it may come out: pieces of a whorl go round through them.</param>
    public sealed record KindView(
        Guid PieceId, string Name, PieceRole Role, PartOf PartOf, string OutlinePath, double LengthMm, double WidthMm, double Overlap, int PerPart,
        IReadOnlyList<PreviewPlan.FieldView> Looks);

    /// <param name="Bloom">What is seen from above, lowest first.</param>
    /// <param name="Leaves">Under it.</param>
    /// <param name="ReachMm">From the middle to the farthest tip of what is seen from above; 0 if nothing is.</param>
    public sealed record FlowerView(Guid FlowerId, string Name, int Flowers, int Buds, IReadOnlyList<KindView> Kinds, IReadOnlyList<BloomPiece> Bloom,
        IReadOnlyList<SprayPiece> Leaves, double ReachMm);

    /// <param name="Spray">How they lie; its flowers and kinds are by their places in the list.</param>
    public sealed record SprayView(IReadOnlyList<FlowerView> Flowers, Spray Spray);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/flowers/{id:guid}/bloom", Flower).KeepsAnswer().WithName("getBloom")
            .WithSummary("A flower put together from its pieces, in any light.").Produces<FlowerView>().ProducesProblems(404);
        api.MapGet("/commissions/{id:guid}/spray", Spray).KeepsAnswer().WithName("getSpray")
            .WithSummary("All flowers of a commission as a spray, in any light.").Produces<SprayView>().ProducesProblems(404);
    }

    private static async Task<IResult> Flower(
        Guid id, QueryWord<LightKind>? light, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await commissions.FindFlowerAsync(studioId, id, cancel) is not var (_, flower))
            return ApiProblem.NotFound();
        return TypedResults.Ok(View(flower, await pieces.ListAsync(studioId, id, cancel), Lights.Of((light ?? default).Value), await cabinet.LoadAsync(studioId, cancel)));
    }

    private static async Task<IResult> Spray(
        Guid id, QueryWord<LightKind>? light, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        var (all, flowers) = await commissions.ListAsync(studioId, cancel);
        if (all.All(commission => commission.Id != id))
            return ApiProblem.NotFound();
        var materials = await cabinet.LoadAsync(studioId, cancel);
        var piecesOf = (await pieces.ListAsync(studioId, null, cancel)).ToLookup(piece => piece.FlowerId);
        var own = flowers.Where(flower => flower.CommissionId == id).ToList();
        return TypedResults.Ok(new SprayView(
            [.. own.Select(flower => View(flower, [.. piecesOf[flower.Id]], Lights.Of((light ?? default).Value), materials))],
            Core.Flowers.Spray.Of([.. own.Select(flower => new SprayFlower([.. piecesOf[flower.Id].Select(piece => piece.Piece)], flower.Flowers, flower.Buds))])));
    }

    private static FlowerView View(Flower flower, IReadOnlyList<PlannedPiece> planned, Illuminant light, Materials materials)
    {
        var kinds = planned.Select(piece => piece.Piece).ToList();
        return new FlowerView(
            flower.Id, flower.Name, flower.Flowers, flower.Buds, SideBySide.Select(planned, (piece, _) => View(piece, light, materials)),
            Bloom.Of(kinds), Bloom.LeavesOf(kinds), Bloom.ReachMm(kinds));
    }

    private static KindView View(PlannedPiece planned, Illuminant light, Materials materials)
    {
        var (piece, shape) = (planned.Piece, planned.Piece.Shape());
        return new KindView(
            planned.Id, piece.Name, piece.Form.Role, piece.PartOf, shape.SvgPath(), piece.LengthMm, piece.WidthMm, Bloom.OverlapOf(piece), piece.PerPart,
            [.. WhorlLooks.Of(new ResolvedPlan(planned.Plan, materials), shape).Select(look =>
                PreviewPlan.View(PiecePicture.Of(look, shape, Columns, Rows, light).Face))]);
    }
}
