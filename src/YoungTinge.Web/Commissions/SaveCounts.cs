using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Commissions;

/// <summary>Changes how many of a flower are wanted; all amounts follow.</summary>
public static class SaveCounts
{
    /// <param name="WasFlowers">That the change was made from.</param>
    public sealed record Request(int Flowers, int Buds, int WasFlowers, int WasBuds);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/flowers/{id:guid}/counts", Handle)
        .WithName("saveCounts").Produces(204).ProducesProblems(404, 412, 422, 503);

    private static async Task<IResult> Handle(Guid id, Request request, CurrentStudio studio, CommissionStore commissions, CancellationToken cancel)
    {
        if (StudioRules.OfCounts(request.Flowers, request.Buds).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var studioId = await studio.IdAsync(cancel);
        if (await commissions.FindFlowerAsync(studioId, id, cancel) is not var (_, flower))
            return ApiProblem.NotFound();
        var was = flower with { Flowers = request.WasFlowers, Buds = request.WasBuds };
        return await commissions.SaveCountsAsync(studioId, was, request.Flowers, request.Buds, cancel)
            ? TypedResults.NoContent()
            : IfMatch.Changed();
    }
}
