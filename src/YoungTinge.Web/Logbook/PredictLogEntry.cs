using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>What an entry of the logbook would be compared with: the colour that its paste or zone is predicted to have, by what is said of it so far.</summary>
public static class PredictLogEntry
{
    /// <param name="PieceId">Null for a paste of no piece.</param>
    /// <param name="WentIn">What really went into a paste; null for as planned. A paste of no piece needs it.</param>
    /// <param name="RestedHours">Since it was kneaded; null when its colour has come out.</param>
    public sealed record Request(Guid? PieceId, LogSubject Subject, MeasuredPaste? WentIn, double? RestedHours);

    /// <param name="Range">CIEDE2000 that nine of ten come out within.</param>
    public sealed record Answer(ColourView Predicted, double Range);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/log-entries/prediction", Handle).Computes().WithName("predictLogEntry").Produces<Answer>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(Request request, StudioWorks works, CabinetStore cabinet, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var piece = request.PieceId is { } pieceId ? work.Find(pieceId) : null;
        if (request.PieceId is not null && piece is null)
            return ApiProblem.NotFound();
        if (EntryPrediction.Problems(piece, request.Subject, request.WentIn, request.RestedHours, work.Materials) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var predicted = EntryPrediction.Of(piece, request.Subject, request.WentIn, request.RestedHours, await cabinet.LoadLearnedAsync(work.Studio.Id, cancel));
        return TypedResults.Ok(new Answer(ColourView.From(predicted.Colour), predicted.Range));
    }
}
