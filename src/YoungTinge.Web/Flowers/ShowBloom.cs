using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Flowers;

/// <summary>A flower put together from its pieces, or all of a commission as a spray, in any light.</summary>
public static class ShowBloom
{
    private const int Columns = 40;
    private const int Rows = 52;

    /// <param name="OutlinePath">SVG path in a box of width by length millimetres, tip up.</param>
    /// <param name="Looks">Its face as it may come out: pieces of a whorl go round through them.</param>
    public sealed record KindView(
        Guid PieceId, string Name, PieceRole Role, PartOf PartOf, string OutlinePath, double LengthMm, double WidthMm, double Cup, double Overlap, int PerPart,
        IReadOnlyList<PreviewPlan.FieldView> Looks);

    /// <param name="Bloom">What is seen from above, lowest first.</param>
    /// <param name="ReachMm">From the middle to the farthest tip of what is seen from above; 0 if nothing is.</param>
    public sealed record FlowerView(Guid FlowerId, string Name, int Flowers, int Buds, IReadOnlyList<KindView> Kinds, IReadOnlyList<BloomPiece> Bloom, double ReachMm);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/flowers/{id:guid}/bloom", Flower).WithName("getBloom").Produces<FlowerView>().Fails(404, 503);
        api.MapGet("/commissions/{id:guid}/spray", Spray).WithName("getSpray").Produces<IReadOnlyList<FlowerView>>().Fails(503);
    }

    private static async Task<IResult> Flower(
        Guid id, SeenIn? light, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await commissions.FindFlowerAsync(studioId, id, cancel) is not var (_, flower))
            return Trouble.NotFound();
        return TypedResults.Ok(View(flower, await pieces.ListAsync(studioId, id, cancel), (light ?? default).Light, await cabinet.LoadAsync(studioId, cancel)));
    }

    private static async Task<IResult> Spray(
        Guid id, SeenIn? light, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        var (_, flowers) = await commissions.ListAsync(studioId, cancel);
        var materials = await cabinet.LoadAsync(studioId, cancel);
        var piecesOf = (await pieces.ListAsync(studioId, null, cancel)).ToLookup(piece => piece.FlowerId);
        return TypedResults.Ok<IReadOnlyList<FlowerView>>(
            [.. flowers.Where(flower => flower.CommissionId == id).Select(flower => View(flower, [.. piecesOf[flower.Id]], (light ?? default).Light, materials))]);
    }

    private static FlowerView View(Flower flower, IReadOnlyList<PlannedPiece> planned, Illuminant light, Materials materials)
    {
        var kinds = planned.Select(piece => piece.Piece).ToList();
        return new FlowerView(
            flower.Id, flower.Name, flower.Flowers, flower.Buds, [.. planned.AsParallel().AsOrdered().Select(piece => View(piece, light, materials))],
            Bloom.Of(kinds), Bloom.ReachMm(kinds));
    }

    private static KindView View(PlannedPiece planned, Illuminant light, Materials materials)
    {
        var (piece, shape) = (planned.Piece, planned.Piece.Shape());
        return new KindView(
            planned.Id, piece.Name, piece.Form.Role, piece.PartOf, shape.SvgPath(), piece.LengthMm, piece.WidthMm, piece.Form.Cup, Bloom.OverlapOf(piece), piece.PerPart,
            [.. WhorlLooks.Of(planned.Plan, shape, materials).Select(look =>
                PreviewPlan.View(PiecePicture.Of(look, shape, materials, Columns, Rows, light).Face))]);
    }
}
