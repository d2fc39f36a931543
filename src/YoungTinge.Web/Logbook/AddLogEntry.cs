using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>
/// Logs what really came out, beside what the saved plan predicts now, with what was really done: it is kept as it was, whatever becomes of the plan. The
/// client makes the id, so that sending an entry again after a lost answer does not log it twice.
/// </summary>
public static class AddLogEntry
{
    /// <param name="PieceId">Null for a paste of no piece.</param>
    public sealed record Request(Guid? PieceId, LogSubject Subject, Lab Actual, string Note)
    {
        /// <summary>What really went into a paste; null for as planned. A paste of no piece needs it.</summary>
        public MeasuredPaste? WentIn { get; init; }

        /// <summary>How the colour was read.</summary>
        public ReadBy By { get; init; } = ReadBy.Typed;
    }

    public static void Map(RouteGroupBuilder api) => api.MapPut("/log-entries/{id:guid}", Handle)
        .ForHelper().WithName("addLogEntry").Produces(204).ProducesProblems(404, 422);

    private static async Task<IResult> Handle(
        Guid id, Request request, StudioWorks works, CabinetStore cabinet, LogbookStore logbook, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var piece = request.PieceId is { } pieceId ? work.Find(pieceId) : null;
        if (request.PieceId is not null && piece is null)
            return ApiProblem.NotFound();
        if ((request.WentIn is null ? [] : StudioRules.Of(request.WentIn, "wentIn", work.Materials).Lines()) is { Count: > 0 } wrong)
            return ApiProblem.NotPossible(wrong);
        if (piece is null && (request.WentIn is null || request.Subject != LogSubject.Paste))
            return ApiProblem.NotPossible([new FieldProblem("wentIn", "wentInMissing", null, null)]);
        var (taught, jars, finish) = await cabinet.LoadLearnedAsync(work.Studio.Id, cancel);
        var mix = request.WentIn is { } wentIn ? LoggedMix.Of(wentIn, taught, jars) : LoggedMix.Of(piece!.Plan.Paste, taught);
        var eye = piece is null ? null : new ZoneColourEvaluator(piece.Resolve(work.Materials), piece.Piece.Shape());
        var zone = request.Subject.Zone();
        var ofMix = jars.Predict(mix.BaseId, LogbookReadings.DosesOf(mix));
        var predicted = zone is { } seen ? eye!.See(seen) : eye is not null && request.WentIn is null && piece!.Source is not null ? eye.Paste : ofMix.Colour;
        var entry = new LogEntry(id, request.PieceId, request.Subject, predicted, request.Actual, request.Note.Trim(), clock.GetUtcNow())
        {
            // In a marble no one recipe was kneaded.
            Mix = zone is null && piece?.Source is MarbledPaste && request.WentIn is null ? null : mix,
            Plan = piece?.Plan,
            Piece = piece?.Piece,
            Laid = zone is { } laid ? LoggedZone.Of(eye!, laid) : null,
            By = request.By,
            LoggedBy = work.Studio.Maker,
        };
        entry = entry with { PredictedRange = zone is null ? ofMix.Range : finish.Predict(LogbookReadings.ZoneOf(entry)).Range };
        if (StudioRules.Of(entry).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        await logbook.AddAsync(work.Studio.Id, entry, cancel);
        return TypedResults.NoContent();
    }
}
