using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Logbook;

/// <summary>What came out, newest first.</summary>
public static class ListLogEntries
{
    private const int Most = 500;

    public static void Map(RouteGroupBuilder api) => api.MapGet("/log-entries", Handle)
        .KeepsAnswer().WithName("listLogEntries").Produces<IReadOnlyList<LogEntryView>>().ProducesProblems();

    private static async Task<IResult> Handle(Guid? pieceId, CurrentStudio studio, LogbookStore logbook, CancellationToken cancel)
    {
        var entries = await logbook.ListAsync(await studio.IdAsync(cancel), pieceId, Most, cancel);
        return TypedResults.Ok<IReadOnlyList<LogEntryView>>([.. entries.Select(LogEntryView.From)]);
    }
}
