using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>Mends what was read and what went in. As it was before is kept, to be taken back to.</summary>
public static class ChangeLogEntry
{
    /// <param name="By">How the colour was read.</param>
    /// <param name="Light">That it was looked at in.</param>
    /// <param name="RestedHours">Of a paste that was read before its colour had come out, since it was kneaded; null for all others.</param>
    /// <param name="WentIn">What really went into a paste, where that was noted wrongly; null to leave it as it is.</param>
    public sealed record Request(Lab Actual, string Note, ReadBy By, LightKind Light, double? RestedHours, MeasuredPaste? WentIn);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/log-entries/{id:guid}/reading", Handle).WithName("changeLogEntry").Produces<NewVersion>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(
        Guid id, Request request, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, CabinetStore cabinet, LogbookStore logbook, CancellationToken cancel)
    {
        var studioId = studio.Id;
        if (await logbook.FindAsync(studioId, id, cancel) is not { } entry)
            return ApiProblem.NotFound();
        var changed = entry with
        {
            Actual = request.Actual,
            Note = request.Note.Trim(),
            By = request.By,
            Light = request.Light,
            RestedHours = request.RestedHours,
            Before = entry.Reading,
            Version = madeFrom.Version,
        };
        if (StudioRules.Of(changed).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        if (request.WentIn is not null || entry.RestedHours != changed.RestedHours)
        {
            if (entry.Subject != LogSubject.Paste)
                return ApiProblem.NotPossible([new FieldProblem("wentIn", "wentInNoPaste", null, null)]);
            var listed = await cabinet.ListedAsync(studioId, cancel);
            if (request.WentIn is { } wentIn && StudioRules.Of(wentIn, "wentIn", listed).Lines() is { Count: > 0 } wrong)
                return ApiProblem.NotPossible(wrong);
            changed = await PredictAnewAsync(changed, request.WentIn, studioId, listed, cabinet, cancel);
        }

        return await logbook.ChangeAsync(studioId, changed, cancel) is { } version ? MadeFrom.Saved(response, version) : ApiProblem.ChangedElsewhere();
    }

    /// <summary>What had been predicted was of another paste: it is predicted anew, by what the other entries have taught.</summary>
    private static async Task<LogEntry> PredictAnewAsync(LogEntry entry, MeasuredPaste? wentIn, Guid studioId, Materials listed, CabinetStore cabinet, CancellationToken cancel)
    {
        var readings = await cabinet.ReadingsAsync(studioId, listed, cancel);
        var others = readings.Learn([.. readings.UsedPastes.Where(reading => reading.Id != entry.Id)], readings.At);
        var mix = wentIn is null ? entry.Mix : LoggedMix.Of(wentIn, listed.With(others), others) is var measured && entry.Mix is { } before ? measured.FromTheJarsOf(before) : measured;
        // Of a marble, and of what is gone from the cabinet, nothing is known.
        return mix is null || !listed.HasAllOf(mix.Recipe) ? entry : EntryPrediction.OfPaste(mix, entry.RestedHours, others).Of(entry);
    }
}
