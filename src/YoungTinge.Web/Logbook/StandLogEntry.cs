using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>Leaves an entry out of what is learned, takes it out of the logbook, or puts it back.</summary>
public static class StandLogEntry
{
    /// <param name="IsLeftOut">Nothing is learned of it.</param>
    /// <param name="IsTakenOut">Not shown, until it is put back.</param>
    public sealed record Request(bool IsLeftOut, bool IsTakenOut);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/log-entries/{id:guid}/standing", Handle).WithName("standLogEntry").Produces<NewVersion>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(Guid id, Request request, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, LogbookStore logbook, CancellationToken cancel)
    {
        var studioId = studio.Id;
        if (await logbook.FindAsync(studioId, id, cancel) is not { } entry)
            return ApiProblem.NotFound();
        return await logbook.ChangeAsync(studioId, entry with { IsLeftOut = request.IsLeftOut, IsTakenOut = request.IsTakenOut, Version = madeFrom.Version }, cancel) is { } version
            ? MadeFrom.Saved(response, version) : ApiProblem.ChangedElsewhere();
    }
}
