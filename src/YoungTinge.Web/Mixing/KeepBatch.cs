using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Mixing;

/// <summary>
/// Keeps a batch for a commission, or writes over the version it was made from. The client makes the id, so that sending a new
/// batch again after a lost answer does not keep it twice.
/// </summary>
public static class KeepBatch
{
    /// <param name="Made">Null before it was mixed.</param>
    /// <param name="Version">That the change was made from; 0 for a new batch.</param>
    public sealed record Request(
        Guid? CommissionId, string Name, PasteRecipe Recipe, double PasteG, Lab Target, Lab? Measured, string Note, int Version, Making? Made = null);

    public sealed record Answer(int Version);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/batches/{id:guid}", Handle)
        .WithName("keepBatch").Produces<Answer>().ProducesProblems(404, 412, 422, 503);

    private static async Task<IResult> Handle(
        Guid id, Request request, CurrentStudio studio, BatchStore batches, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        var materials = await cabinet.LoadAsync(studioId, cancel);
        var batch = new Batch(
            id, request.CommissionId, request.Name.Trim(), request.Recipe, request.PasteG, request.Target, request.Measured, request.Note.Trim(), request.Version)
        {
            Made = request.Made is { } made ? made with { Recipe = made.Recipe.WithoutNothing(), KeptIn = made.KeptIn.Trim() } : null,
        };
        if (StudioRules.Of(batch, materials).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        return await batches.SaveAsync(studioId, batch, cancel) switch
        {
            SaveBatchResult.Saved saved => TypedResults.Ok(new Answer(saved.Version)),
            SaveBatchResult.Changed => ApiProblem.Result(StatusCodes.Status412PreconditionFailed, ApiProblemCode.ChangedElsewhere),
            _ => ApiProblem.NotFound(),
        };
    }
}
