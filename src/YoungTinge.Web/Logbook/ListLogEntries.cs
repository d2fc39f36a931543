using YoungTinge.Core.Colour;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Logbook;

/// <summary>What came out, newest first, as far as it was asked for.</summary>
public static class ListLogEntries
{
    private const int Most = 5000;
    private const int MostShown = 500;

    /// <summary>Colours within so much of one another are near, CIEDE2000.</summary>
    private const double Near = 6;

    public static void Map(RouteGroupBuilder api) => api.MapGet("/log-entries", Handle)
        .KeepsAnswer().WithName("listLogEntries").Produces<IReadOnlyList<LogEntryView>>().ProducesProblems();

    /// <param name="pieceId">Of one piece.</param>
    /// <param name="materialId">With this in it.</param>
    /// <param name="words">That stand in the name of the flower, the piece, the commission, or in the note.</param>
    /// <param name="flower">Of a flower of this name.</param>
    /// <param name="since">Logged on this day, or later.</param>
    /// <param name="until">Logged on this day, or before.</param>
    /// <param name="offBy">At least so far off what was predicted, CIEDE2000.</param>
    /// <param name="near">Near what came out of this other entry, or of what was predicted for it.</param>
    private static async Task<IResult> Handle(Guid? pieceId, string? materialId, string? words, string? flower, DateOnly? since, DateOnly? until, double? offBy, Guid? near,
        CurrentStudio studio, CabinetStore cabinet, LogbookStore logbook, CancellationToken cancel)
    {
        var current = await studio.GetAsync(cancel);
        var studioId = current.Id;
        var entries = await logbook.ListAsync(studioId, pieceId, Most, cancel);
        var taught = await cabinet.LoadLearnedAsync(studioId, cancel);
        var beside = entries.FirstOrDefault(named => named.Entry.Id == near)?.Entry.Actual;
        return TypedResults.Ok<IReadOnlyList<LogEntryView>>([.. entries
            .Where(named => materialId is null || Contains(named.Entry, materialId))
            .Where(named => string.IsNullOrWhiteSpace(words) || new[] { named.PieceName, named.FlowerName, named.CommissionName, named.Entry.Note }.Any(text => text.Contains(words.Trim(), StringComparison.OrdinalIgnoreCase)))
            .Where(named => string.IsNullOrEmpty(flower) || named.FlowerName == flower)
            .Where(named => CommissionView.DayIn(current, named.Entry.LoggedAt) is var day && !(day < since) && !(day > until))
            .Where(named => offBy is null || Difference.Of(named.Entry.Actual, named.Entry.Predicted).DeltaE >= offBy)
            .Where(named => beside is not { } colour || DeltaE2000.Between(colour, named.Entry.Actual) <= Near)
            .Take(MostShown).Select(named => LogEntryView.From(named, taught))]);
    }

    private static bool Contains(LogEntry entry, string materialId) =>
        entry.Mix is { } mix && (mix.BaseId == materialId || mix.Doses.Any(dose => dose.ColourantId == materialId))
        || entry is { Laid: { } zone, Plan: { } plan } && plan.Coats.Where((coat, i) => zone.Laid.Has(i)).Any(coat => coat.MaterialIds().Contains(materialId));
}
