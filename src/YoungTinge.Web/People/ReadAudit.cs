using YoungTinge.Store.People;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.People;

/// <summary>Who changed what, newest first. For owners.</summary>
public static class ReadAudit
{
    private const int AtOnce = 100;

    /// <param name="Who">Her name as it was then.</param>
    /// <param name="Action">As this API calls it.</param>
    /// <param name="Subject">What it was done to, by its name now; empty if it has none, or is gone.</param>
    public sealed record LineView(Guid Id, DateTimeOffset At, string Who, string Action, string Subject);

    /// <param name="Before">To ask for older lines; null if there are none.</param>
    public sealed record Answer(IReadOnlyList<LineView> Lines, DateTimeOffset? Before);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/audit", Handle).ForOwner().WithName("readAudit").Produces<Answer>().ProducesProblems();

    /// <param name="before">Only older lines than this; for the newest nothing.</param>
    private static async Task<IResult> Handle(DateTimeOffset? before, CurrentStudio studio, AuditStore audit, CancellationToken cancel)
    {
        var lines = await audit.ListAsync(studio.Id, before, AtOnce, cancel);
        return TypedResults.Ok(new Answer(
            [.. lines.Select(line => new LineView(line.Entry.Id, line.Entry.At, line.Entry.PersonName, line.Entry.Action, line.Subject))], lines.Count < AtOnce ? null : lines[^1].Entry.At));
    }
}
