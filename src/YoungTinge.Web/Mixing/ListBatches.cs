using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Mixing;

/// <summary>Every batch of paste that was planned or mixed, newest first.</summary>
public static class ListBatches
{
    private const int Most = 500;

    public static void Map(RouteGroupBuilder api) => api.MapGet("/batches", Handle)
        .KeepsAnswer().WithName("listBatches").Produces<IReadOnlyList<KeptBatchView>>().ProducesProblems();

    private static async Task<IResult> Handle(CurrentStudio studio, BatchStore batches, CabinetStore cabinet, TimeProvider clock, CancellationToken cancel)
    {
        var studioId = studio.Id;
        var materials = await cabinet.LoadAsync(studioId, cancel);
        return TypedResults.Ok<IReadOnlyList<KeptBatchView>>(
            [.. (await batches.ListAsync(studioId, Most, cancel)).Select(batch => KeptBatchView.From(batch, materials, clock.GetUtcNow()))]);
    }
}
