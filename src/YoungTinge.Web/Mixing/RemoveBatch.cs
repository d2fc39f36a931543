using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Mixing;

/// <summary>Takes a kept batch off the shelf. To put it back, keep it again under the same id.</summary>
public static class RemoveBatch
{
    public static void Map(RouteGroupBuilder api) => api.MapDelete("/batches/{id:guid}", Handle)
        .WithName("removeBatch").Produces(204).ProducesProblems(404);

    private static async Task<IResult> Handle(Guid id, CurrentStudio studio, BatchStore batches, CancellationToken cancel) =>
        await batches.RemoveAsync(studio.Id, id, cancel) ? TypedResults.NoContent() : ApiProblem.NotFound();
}
