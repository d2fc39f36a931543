using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Mixing;

/// <summary>What cannot be in a search or a recipe, as lines for its fields.</summary>
internal static class SearchProblems
{
    public static IReadOnlyList<FieldProblem> Of(RecipeSearch search, Materials materials) => Lines(SearchCheck.Problems(search, materials));

    public static IReadOnlyList<FieldProblem> OfTarget(Lab target, string path = "target") => Lines(SearchCheck.Target(target, path));

    private static IReadOnlyList<FieldProblem> Lines(IEnumerable<SearchProblem> problems) =>
        [.. problems.Select(problem => new FieldProblem(problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit, problem.Material))];
}
