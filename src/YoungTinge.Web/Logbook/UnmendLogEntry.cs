using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>Takes the last mending of an entry back, to the last digit: also what was predicted of it, and by what.</summary>
public static class UnmendLogEntry
{
    public static void Map(RouteGroupBuilder api) => api.MapPost("/log-entries/{id:guid}/as-before", Handle).WithName("unmendLogEntry").Produces<NewVersion>().ProducesProblems(404);

    private static async Task<IResult> Handle(Guid id, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, LogbookStore logbook, CancellationToken cancel)
    {
        var studioId = studio.Id;
        if (await logbook.FindAsync(studioId, id, cancel) is not { Before: { } before } entry)
            return ApiProblem.NotFound();
        return await logbook.ChangeAsync(studioId, entry.With(before) with { Before = null, Version = madeFrom.Version }, cancel) is { } version
            ? MadeFrom.Saved(response, version) : ApiProblem.ChangedElsewhere();
    }
}
