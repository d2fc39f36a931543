using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

internal static class PlanProblems
{
    /// <summary>What cannot be in a plan, as lines for its fields.</summary>
    public static IReadOnlyList<FieldProblem> Of(PiecePlan plan, Materials materials) => [.. PlanCheck.Problems(plan, materials)
        .Select(problem => new FieldProblem(problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit, problem.Material))];
}
