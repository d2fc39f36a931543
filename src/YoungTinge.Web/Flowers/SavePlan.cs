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
        Guid id, PiecePlan plan, MadeFrom madeFrom, HttpResponse response, StudioWorks works, PieceStore pieces, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.Find(id) is not { } piece)
            return ApiProblem.NotFound();
        if (PlanProblems.Of(plan, piece, work) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        switch (await pieces.SavePlanAsync(work.Studio.Id, id, madeFrom.Version, plan, work.With(piece, plan).IsPasteSettled, cancel))
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
