using YoungTinge.Store.Archives;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Studios;

/// <summary>Puts the demo back to how it is when new; as it was before can be brought back under Files. Only the demo: a maker's studio is never touched by it.</summary>
public static class ResetDemo
{
    public static void Map(RouteGroupBuilder api) => api.MapPost("/studio/demo/begin-anew", Handle).ForOwner().WithName("resetDemo").Produces(204).ProducesProblems(403, 412);

    private static async Task<IResult> Handle(CurrentStudio studio, ArchiveStore archive, TimeProvider clock, CancellationToken cancel)
    {
        var own = await studio.GetAsync(cancel);
        if (!own.IsDemo)
            return ApiProblem.Result(StatusCodes.Status403Forbidden, ApiProblemCode.NotAllowed);
        return await archive.BeginDemoAnewAsync(own, clock.GetUtcNow(), cancel) ? TypedResults.NoContent() : ApiProblem.ChangedElsewhere();
    }
}
