using YoungTinge.Core.Coats.Model;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>Saves the plans of several pieces, all over the versions that they were made from, or none.</summary>
public static class SavePlans
{
    /// <param name="MadeFrom">Version of the piece that the plan was made from.</param>
    public sealed record PlanOfPiece(Guid PieceId, int MadeFrom, PiecePlan Plan);

    /// <param name="Plans">One for each piece.</param>
    public sealed record Request(IReadOnlyList<PlanOfPiece> Plans);

    /// <param name="Versions">New version of each piece, by its id.</param>
    public sealed record Answer(IReadOnlyDictionary<Guid, int> Versions);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/commissions/{id:guid}/plans", Handle)
        .WithName("savePlans").WithSummary("Saves the plans of several pieces of a commission, all of them or none.").Produces<Answer>().ProducesProblems(404, 412, 422);

    private static async Task<IResult> Handle(Guid id, Request request, StudioWorks works, PieceStore pieces, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is null)
            return ApiProblem.NotFound();
        if (request.Plans.DistinctBy(one => one.PieceId).Count() < request.Plans.Count || PieceChanges.Chosen(id, [.. request.Plans.Select(one => one.PieceId)], work) is not { } chosen)
            return ApiProblem.NotPossible([new FieldProblem("plans", request.Plans.Count == 0 ? "nothingChosen" : "unknownPiece", null, null)]);
        var problems = request.Plans.Zip(chosen).SelectMany((one, i) => PlanProblems.Of(one.First.Plan, one.Second, work).Select(problem => problem with { Path = $"plans[{i}].{problem.Path}" })).ToList();
        if (problems.Count > 0)
            return ApiProblem.NotPossible(problems);
        var saved = await pieces.SavePlansAsync(
            work.Studio.Id, [.. request.Plans.Zip(chosen).Select(one => (one.First.PieceId, one.First.MadeFrom, one.First.Plan, work.With(one.Second, one.First.Plan).IsPasteSettled))], cancel);
        return saved is null ? ApiProblem.ChangedElsewhere() : TypedResults.Ok(new Answer(saved));
    }
}
