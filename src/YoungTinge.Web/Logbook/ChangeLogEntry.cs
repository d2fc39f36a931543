using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>Mends what was read, leaves an entry out of what is learned, takes it out, or puts it back.</summary>
public static class ChangeLogEntry
{
    /// <param name="By">How the colour was read.</param>
    /// <param name="IsLeftOut">Nothing is learned of it.</param>
    /// <param name="IsTakenOut">Not shown, until it is put back.</param>
    public sealed record Request(Lab Actual, string Note, ReadBy By, bool IsLeftOut, bool IsTakenOut);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/log-entries/{id:guid}/reading", Handle).WithName("changeLogEntry").Produces<NewVersion>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(Guid id, Request request, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, LogbookStore logbook, CancellationToken cancel)
    {
        var studioId = studio.Id;
        if (await logbook.FindAsync(studioId, id, cancel) is not { } entry)
            return ApiProblem.NotFound();
        var changed = entry with
        {
            Actual = request.Actual,
            Note = request.Note.Trim(),
            By = request.By,
            IsLeftOut = request.IsLeftOut,
            IsTakenOut = request.IsTakenOut,
            Version = madeFrom.Version,
        };
        if (StudioRules.Of(changed).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        return await logbook.ChangeAsync(studioId, changed, cancel) is { } version ? MadeFrom.Saved(response, version) : ApiProblem.ChangedElsewhere();
    }
}
