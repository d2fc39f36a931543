using Microsoft.Net.Http.Headers;
using YoungTinge.Core.Coats;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Flowers;

/// <summary>Saves a plan over the version it was made from (If-Match), or not at all.</summary>
public static class SavePlan
{
    public sealed record Answer(int Version);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/pieces/{id:guid}/plan", Handle)
        .WithName("savePlan").Produces<Answer>().Fails(404, 412, 422, 428, 503);

    private static async Task<IResult> Handle(
        Guid id, PiecePlan plan, HttpRequest request, HttpResponse response, CurrentStudio studio, PieceStore pieces, CabinetStore cabinet, CancellationToken cancel)
    {
        if (!int.TryParse(request.Headers.IfMatch.ToString().Trim('"'), out var madeFrom))
            return Trouble.Result(StatusCodes.Status428PreconditionRequired, TroubleCode.VersionMissing);
        var studioId = await studio.IdAsync(cancel);
        if (PlanProblems.Of(plan, await cabinet.LoadAsync(studioId, cancel)) is { Count: > 0 } problems)
            return Trouble.NotPossible(problems);
        switch (await pieces.SavePlanAsync(studioId, id, madeFrom, plan, cancel))
        {
            case SavePlanResult.Saved saved:
                response.Headers.ETag = new EntityTagHeaderValue($"\"{saved.Version}\"").ToString();
                return TypedResults.Ok(new Answer(saved.Version));
            case SavePlanResult.Changed:
                return Trouble.Result(StatusCodes.Status412PreconditionFailed, TroubleCode.ChangedElsewhere);
            default:
                return Trouble.NotFound();
        }
    }
}
