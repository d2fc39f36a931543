using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Commissions;

/// <summary>Changes how many of a flower are wanted; all amounts follow.</summary>
public static class SaveCounts
{
    public sealed record Request(int Flowers, int Buds);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/flowers/{id:guid}/counts", Handle)
        .WithName("saveCounts").Produces<NewVersion>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(
        Guid id, Request request, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, CommissionStore commissions, CancellationToken cancel)
    {
        if (StudioRules.OfCounts(request.Flowers, request.Buds).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var studioId = studio.Id;
        if (await commissions.FindFlowerAsync(studioId, id, cancel) is not var (_, flower))
            return ApiProblem.NotFound();
        var changed = flower with { Flowers = request.Flowers, Buds = request.Buds, Version = madeFrom.Version };
        return await commissions.SaveFlowerAsync(studioId, changed, cancel) is { } version ? MadeFrom.Saved(response, version) : ApiProblem.ChangedElsewhere();
    }
}
