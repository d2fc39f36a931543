using YoungTinge.Core.Cabinet;
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

    /// <param name="IsFoliage">Leaves on a stem: its number is of stems.</param>
    /// <param name="Bloom">What is seen from above, lowest first.</param>
    /// <param name="Leaves">Under it.</param>
    /// <param name="ReachMm">From the middle to the farthest tip of what is seen from above; 0 if nothing is.</param>
    public sealed record FlowerView(Guid FlowerId, string Name, int Flowers, int Buds, bool IsFoliage, IReadOnlyList<KindView> Kinds, IReadOnlyList<BloomPiece> Bloom,
        IReadOnlyList<SprayPiece> Leaves, double ReachMm);

    /// <param name="Spray">How they lie; its flowers and kinds are by their places in the list.</param>
    public sealed record SprayView(IReadOnlyList<FlowerView> Flowers, Spray Spray);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/flowers/{id:guid}/bloom", Flower).KeepsLook().WithName("getBloom")
            .WithSummary("A flower put together from its pieces, in any light.").Produces<FlowerView>().ProducesProblems(404);
        api.MapGet("/commissions/{id:guid}/spray", Spray).KeepsLook().WithName("getSpray")
            .WithSummary("All flowers of a commission as a spray, in any light.").Produces<SprayView>().ProducesProblems(404);
    }

    private static async Task<IResult> Flower(
        Guid id, QueryWord<LightKind>? light, StudioWorks works, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        return work.FindFlower(id) is var (_, flower)
            ? TypedResults.Ok(View(flower, [.. work.PiecesOf(id)], Lights.Of((light ?? default).Value), work.Materials))
            : ApiProblem.NotFound();
    }

    private static async Task<IResult> Spray(
        Guid id, QueryWord<LightKind>? light, StudioWorks works, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is null)
            return ApiProblem.NotFound();
        return TypedResults.Ok(SprayOf(work, id, Lights.Of((light ?? default).Value)));
    }

    internal static SprayView SprayOf(StudioWork work, Guid commissionId, Illuminant light)
    {
        var own = work.Flowers.Where(flower => flower.CommissionId == commissionId).ToList();
        return new SprayView(
            [.. own.Select(flower => View(flower, [.. work.PiecesOf(flower.Id)], light, work.Materials))],
            Core.Flowers.Spray.Of([.. own.Select(flower => new SprayFlower([.. work.PiecesOf(flower.Id).Select(piece => piece.Piece)], flower.Flowers, flower.Buds))]));
    }

    private static FlowerView View(Flower flower, IReadOnlyList<PlannedPiece> planned, Illuminant light, Materials materials)
    {
        var kinds = planned.Select(piece => piece.Piece).ToList();
        return new FlowerView(
            flower.Id, flower.Name, flower.Flowers, flower.Buds, Bloom.IsFoliage(kinds), SideBySide.Select(planned, (piece, _) => View(piece, light, materials)),
            Bloom.Of(kinds), Bloom.LeavesOf(kinds), Bloom.ReachMm(kinds));
    }

    private static KindView View(PlannedPiece planned, Illuminant light, Materials materials)
    {
        var (piece, shape) = (planned.Piece, planned.Piece.Shape());
        return new KindView(
            planned.Id, piece.Name, piece.Form.Role, piece.PartOf, shape.SvgPath(), piece.LengthMm, piece.WidthMm, Bloom.OverlapOf(piece), piece.PerPart,
            [.. WhorlLooks.Of(planned.Resolve(materials), shape).Select(look =>
                PreviewPlan.View(PiecePicture.Of(look, shape, Columns, Rows, light).Face))]);
    }
}
