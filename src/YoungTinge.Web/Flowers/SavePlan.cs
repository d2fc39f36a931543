using YoungTinge.Core.Coats.Model;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>Saves a plan over the version it was made from (If-Match), or not at all.</summary>
public static class SavePlan
{
    public static void Map(RouteGroupBuilder api) => api.MapPut("/pieces/{id:guid}/plan", Handle)
        .WithName("savePlan").Produces<NewVersion>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(
        Guid id, PiecePlan plan, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, PieceStore pieces, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (PlanProblems.Of(plan, await cabinet.LoadAsync(studioId, cancel)) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        switch (await pieces.SavePlanAsync(studioId, id, madeFrom.Version, plan, cancel))
        {
            case SavePlanResult.Saved saved:
                return MadeFrom.Saved(response, saved.Version);
            case SavePlanResult.Changed:
                return ApiProblem.ChangedElsewhere();
            default:
                return ApiProblem.NotFound();
        }
    }
}
