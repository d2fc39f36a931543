using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Mixing;

/// <summary>
/// Keeps a batch for a commission (version 0), or writes over the version it was made from. The client makes the id, so that sending a new
/// batch again after a lost answer does not keep it twice.
/// </summary>
public static class KeepBatch
{
    /// <param name="Made">Null before it was mixed.</param>
    public sealed record Request(
        Guid? CommissionId, string Name, PasteRecipe Recipe, double PasteG, Lab Target, Lab? Measured, string Note, Making? Made = null);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/batches/{id:guid}", Handle)
        .WithName("keepBatch").Produces<NewVersion>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(
        Guid id, Request request, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, BatchStore batches, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = studio.Id;
        var materials = await cabinet.LoadAsync(studioId, cancel);
        var batch = new Batch(
            id, request.CommissionId, request.Name.Trim(), request.Recipe, request.PasteG, request.Target, request.Measured, request.Note.Trim(), madeFrom.Version)
        {
            Made = request.Made is { } made ? made with { KeptIn = made.KeptIn.Trim() } : null,
        };
        if (StudioRules.Of(batch, materials).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        // A colour that was left out of it is no part of it.
        var kept = batch with { Made = batch.Made is { } mixed ? mixed with { Recipe = mixed.Recipe.WithoutNothing() } : null };
        switch (await batches.SaveAsync(studioId, kept, cancel))
        {
            case SaveBatchResult.Saved saved:
                return MadeFrom.Saved(response, saved.Version);
            case SaveBatchResult.Changed:
                return ApiProblem.ChangedElsewhere();
            default:
                return ApiProblem.NotFound();
        }
    }
}
