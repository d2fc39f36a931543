using YoungTinge.Core.Colour;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>Batches that lie ready, to shape a piece from instead of mixing a paste for it.</summary>
public static class GetReadyBatches
{
    /// <param name="Difference">From the colour that its paste should be.</param>
    /// <param name="IsEnough">For all pieces with their spares.</param>
    public sealed record BatchView(Guid Id, string Name, string KeptIn, double LeftG, ColourView Colour, Difference Difference, bool IsEnough);

    private const int MostOffered = 12;

    public static void Map(RouteGroupBuilder api) => api.MapGet("/pieces/{id:guid}/ready-batches", Handle)
        .KeepsAnswer().WithName("getReadyBatches").WithSummary("Batches that lie ready, nearest to the colour that a piece's paste should be first.")
        .Produces<IReadOnlyList<BatchView>>().ProducesProblems(404);

    private static async Task<IResult> Handle(Guid id, StudioWorks works, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.Find(id) is not { } piece)
            return ApiProblem.NotFound();
        var neededG = piece.Quantity.BatchG;
        return TypedResults.Ok<IReadOnlyList<BatchView>>([.. work.Batches
            .Where(batch => batch.Id == piece.Plan.BatchId || batch.Made is { } made && made.IsLeftover(hasPieces: batch.Block is not null))
            .Select(batch => (Batch: batch, Paste: StudioWork.BatchOf(batch, work.Materials)))
            .Where(one => one.Paste is not null)
            .Select(one => new BatchView(
                one.Batch.Id, one.Batch.Name, one.Batch.Made!.KeptIn, one.Paste!.LeftG, ColourView.From(one.Paste.Colour), Difference.Of(one.Paste.Colour, piece.Plan.PasteTarget),
                one.Paste.LeftG >= neededG))
            .OrderBy(view => view.Difference.DeltaE).Take(MostOffered)]);
    }
}
