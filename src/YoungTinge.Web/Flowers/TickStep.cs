using YoungTinge.Core.Planning;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Flowers;

/// <summary>Ticks a step of a run sheet, or takes the tick back. Doing either twice is the same as once.</summary>
public static class TickStep
{
    /// <param name="Fingerprint">Of the step as the maker saw it.</param>
    public sealed record Request(string Fingerprint);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPut("/pieces/{id:guid}/run-sheet/{step}/tick", Tick).WithName("tickStep").Produces(204).Fails(404, 422, 503);
        api.MapDelete("/pieces/{id:guid}/run-sheet/{step}/tick", Untick).WithName("untickStep").Produces(204).Fails(404, 503);
    }

    private static async Task<IResult> Tick(
        Guid id, string step, Request request, CurrentStudio studio, PieceStore pieces, CabinetStore cabinet, RunSheetStore ticks, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await pieces.FindAsync(studioId, id, cancel) is not { } planned)
            return Trouble.NotFound();
        if (request.Fingerprint.Length is < 1 or > Fingerprint.Longest)
            return Trouble.NotPossible([new FieldProblem("fingerprint", "lengthOutOfRange", Fingerprint.Longest, null)]);
        var materials = await cabinet.LoadAsync(studioId, cancel);
        if (RunSheet.For(planned.Plan, planned.Piece, planned.Parts, materials).FirstOrDefault(known => known.Key == step) is not { } known)
            return Trouble.NotFound();
        await ticks.TickAsync(studioId, id, known, request.Fingerprint, StepTakes.Of(known, PasteDay.PasteWorks.Of(planned), materials), materials, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<IResult> Untick(Guid id, string step, CurrentStudio studio, PieceStore pieces, RunSheetStore ticks, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await pieces.FindAsync(studioId, id, cancel) is null)
            return Trouble.NotFound();
        await ticks.UntickAsync(studioId, id, step, cancel);
        return TypedResults.NoContent();
    }
}
