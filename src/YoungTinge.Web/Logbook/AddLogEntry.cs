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

        /// <summary>That it was looked at in.</summary>
        public LightKind Light { get; init; } = LightKind.Daylight;

        /// <summary>Of a paste that was read before its colour had come out, hours since it was kneaded; null for all others.</summary>
        public double? RestedHours { get; init; }
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
        if (EntryPrediction.Problems(piece, request.Subject, request.WentIn, request.RestedHours, work.Materials) is { Count: > 0 } wrong)
            return ApiProblem.NotPossible(wrong);
        var taught = await cabinet.LoadLearnedAsync(work.Studio.Id, cancel);
        var entry = EntryPrediction.Of(piece, request.Subject, request.WentIn, request.RestedHours, taught).Of(
            new LogEntry(id, request.PieceId, request.Subject, request.Actual, request.Actual, request.Note.Trim(), clock.GetUtcNow())
            {
                Plan = piece?.Plan,
                Piece = piece?.Piece,
                By = request.By,
                Light = request.Light,
                RestedHours = request.RestedHours,
                LoggedBy = work.Studio.Maker,
            });
        if (StudioRules.Of(entry).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        await logbook.AddAsync(work.Studio.Id, entry, cancel);
        return TypedResults.NoContent();
    }
}
