using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.PasteDay;

/// <summary>Lets a leftover go into a paste of the day, or mixes that afresh after all.</summary>
public static class UseLeftover
{
    public sealed record Request(Guid BatchId);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPut("/paste-day/{block}/leftover", Use).WithName("useLeftover")
            .WithSummary("Lets a leftover go into a paste of the day.").Produces(204).ProducesProblems(404, 422);
        api.MapDelete("/paste-day/{block}/leftover", Leave).WithName("leaveLeftover")
            .WithSummary("Mixes a paste afresh after all.").Produces(204).ProducesProblems();
    }

    private static async Task<IResult> Use(string block, Request request, CurrentStudio studio, LeftoverStore store, CancellationToken cancel)
    {
        if (block.Length > BlockPlace.LongestKey)
            return ApiProblem.NotPossible([new FieldProblem("block", "tooLong", BlockPlace.LongestKey, null)]);
        return await store.UseAsync(studio.Id, block, request.BatchId, cancel) ? TypedResults.NoContent() : ApiProblem.NotFound();
    }

    private static async Task<IResult> Leave(string block, CurrentStudio studio, LeftoverStore store, CancellationToken cancel)
    {
        await store.LeaveAsync(studio.Id, block, cancel);
        return TypedResults.NoContent();
    }
}
