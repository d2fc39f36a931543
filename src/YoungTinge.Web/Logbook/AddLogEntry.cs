using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>
/// Logs what really came out, beside what the saved plan predicts now. The client makes the id, so that sending an entry again
/// after a lost answer does not log it twice.
/// </summary>
public static class AddLogEntry
{
    public sealed record Request(Guid PieceId, LogSubject Subject, Lab Actual, string Note);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/log-entries/{id:guid}", Handle)
        .WithName("addLogEntry").Produces(204).ProducesProblems(404, 422);

    private static async Task<IResult> Handle(
        Guid id, Request request, StudioWorks works, LogbookStore logbook,
        TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.Find(request.PieceId) is not { } piece)
            return ApiProblem.NotFound();
        var zones = BuildUp.Of(piece.Resolve(work.Materials), piece.Piece.Shape());
        var predicted = request.Subject == LogSubject.Paste ? zones[0].Colours[0] : zones.First(zone => zone.Zone == ZoneOf(request.Subject)).Finished;
        var entry = new LogEntry(id, request.PieceId, request.Subject, predicted, request.Actual, request.Note.Trim(), clock.GetUtcNow());
        if (StudioRules.Of(entry).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        await logbook.AddAsync(work.Studio.Id, entry, cancel);
        return TypedResults.NoContent();
    }

    private static Zone ZoneOf(LogSubject subject) => subject switch
    {
        LogSubject.Rim => Zone.Rim,
        LogSubject.Tip => Zone.Tip,
        LogSubject.Heart => Zone.Heart,
        LogSubject.Base => Zone.Base,
        LogSubject.Back => Zone.Back,
        _ => throw new ArgumentOutOfRangeException(nameof(subject), subject, "A paste has no zone."),
    };
}
