using System.Text.Json;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

internal static class PlanProblems
{
    /// <summary>What cannot be in a plan of a piece, as lines for its fields.</summary>
    public static IReadOnlyList<FieldProblem> Of(PiecePlan plan, PlannedPiece piece, StudioWork work) =>
        [.. Lines(PlanCheck.Problems(plan, work.Materials)), .. OfBatch(plan, piece, work)];

    public static IEnumerable<FieldProblem> Lines(IEnumerable<PlanProblem> problems) =>
        problems.Select(problem => new FieldProblem(problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit, problem.Material));

    /// <summary>A piece is shaped from one paste only, and from a batch only if there is one.</summary>
    private static IEnumerable<FieldProblem> OfBatch(PiecePlan plan, PlannedPiece piece, StudioWork work)
    {
        if (plan.BatchId is not { } id || id == piece.Plan.BatchId)
            yield break;
        if (piece.Source is ShadePaste or MarbledPaste)
            yield return new FieldProblem("batchId", "pieceTaken", null, null);
        else if (StudioWork.BatchOf(work.Batches.FirstOrDefault(batch => batch.Id == id), work.Materials) is null)
            yield return new FieldProblem("batchId", "unknownBatch", null, null);
    }
}
