using YoungTinge.Core.Coats.Model;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>One coat put onto several pieces of its commission, each in its place in the order. Keeps nothing.</summary>
public static class CoatOnto
{
    /// <param name="Coat">As it is on the piece that it comes from; each piece gets a copy of its own.</param>
    /// <param name="PieceIds">Pieces of the commission that get it too.</param>
    public sealed record Request(Coat Coat, IReadOnlyList<Guid> PieceIds);

    public sealed record Answer(IReadOnlyList<PieceChanges.Change> Changes);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/commissions/{id:guid}/coat-onto", Handle)
        .Computes().ForMaker().WithName("putCoatOnto").WithSummary("What several pieces would look like with one coat more. Keeps nothing.").Produces<Answer>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(Guid id, Request request, StudioWorks works, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is null)
            return ApiProblem.NotFound();
        if (PlanProblems.Lines(request.Coat.Problems("coat", work.Materials)).ToList() is { Count: > 0 } wrong)
            return ApiProblem.NotPossible(wrong);
        if (PieceChanges.Chosen(id, request.PieceIds, work) is not { } chosen)
            return ApiProblem.NotPossible([new FieldProblem("pieceIds", request.PieceIds.Count == 0 ? "nothingChosen" : "unknownPiece", null, null)]);
        // The stages of a flower are its own; on another the coat goes on when all of it stands.
        var plans = chosen.Select(piece => (Piece: piece, Plan: CoatPlace.With(piece.Plan, request.Coat with { Id = Guid.CreateVersion7(), AfterStageId = null, IsLocked = false }, work.Materials))).ToList();
        var problems = plans.SelectMany((one, i) => PlanProblems.Of(one.Plan, one.Piece, work).Select(problem => problem with { Path = $"pieceIds[{i}]" })).DistinctBy(problem => (problem.Path, problem.Code)).ToList();
        return problems.Count > 0 ? ApiProblem.NotPossible(problems) : TypedResults.Ok(new Answer([.. plans.Select(one => PieceChanges.Of(one.Piece, one.Plan, work))]));
    }
}
