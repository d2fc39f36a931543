using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Mixing;

/// <summary>Everything that mixing can start from: what the flowers want, batches that were kept, and colours with a name.</summary>
public static class GetMixingTable
{
    /// <param name="Zone">Null for the ground colour of the paste.</param>
    public sealed record TargetView(Zone? Zone, ColourView Colour);

    /// <param name="PasteG">That the piece needs at once.</param>
    public sealed record PieceView(Guid Id, string Name, Guid FlowerId, string FlowerName, Guid CommissionId, PasteRecipe Recipe, double PasteG, IReadOnlyList<TargetView> Targets);

    /// <summary>A paste of a piece that was measured and logged.</summary>
    public sealed record ReadingView(Guid Id, Guid PieceId, ColourView Actual, Difference Difference, DateTimeOffset LoggedAt);

    public sealed record CommissionView(Guid Id, string Name, LightKind Light);

    public sealed record SwatchView(string Id, ColourView Colour);

    /// <param name="Currency">ISO 4217.</param>
    public sealed record Answer(
        IReadOnlyList<CommissionView> Commissions, IReadOnlyList<PieceView> Pieces, IReadOnlyList<KeptBatchView> Batches,
        IReadOnlyList<ReadingView> Readings, IReadOnlyList<SwatchView> Swatches, string Currency);

    private const int MostBatches = 100;

    public static void Map(RouteGroupBuilder api) => api.MapGet("/mixing-table", Handle)
        .KeepsAnswer().WithName("getMixingTable").Produces<Answer>().ProducesProblems();

    private static async Task<IResult> Handle(
        StudioWorks works, LogbookStore logbook, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var (current, materials) = (work.Studio, work.Materials);
        var flowerOf = work.Flowers.Index().ToDictionary(flower => flower.Item.Id);
        var log = await logbook.ListAsync(current.Id, null, MostBatches, cancel);
        return TypedResults.Ok(new Answer(
            [.. work.Commissions.Select(commission => new CommissionView(commission.Id, commission.Name, commission.Light))],
            [.. work.Pieces.OrderBy(piece => flowerOf[piece.FlowerId].Index).Select(piece => View(piece, flowerOf[piece.FlowerId].Item))],
            [.. work.Batches.Take(MostBatches).Select(batch => KeptBatchView.From(batch, materials, clock.GetUtcNow()))],
            [.. log.Where(named => named.Entry.Subject == LogSubject.Paste && named.FlowerId is not null).Select(View)],
            [.. NamedSwatches.All.Select(swatch => new SwatchView(swatch.Id, ColourView.From(swatch.Colour)))],
            current.Currency));
    }

    private static PieceView View(PlannedPiece planned, Flower flower) => new(
        planned.Id, planned.Piece.Name, flower.Id, flower.Name, flower.CommissionId, planned.Plan.Paste,
        // What none is wanted of for now can still be mixed for, as one.
        PasteQuantity.For(planned.Piece, Math.Max(1, planned.Parts)).BatchG,
        [new TargetView(null, ColourView.From(planned.Plan.PasteTarget)), .. Enum.GetValues<Zone>().Select(zone => new TargetView(zone, ColourView.From(planned.Plan.Targets[zone].Colour)))]);

    private static ReadingView View(NamedLogEntry named) => new(
        named.Entry.Id, named.Entry.PieceId!.Value, ColourView.From(named.Entry.Actual), Difference.Of(named.Entry.Actual, named.Entry.Predicted), named.Entry.LoggedAt);
}
