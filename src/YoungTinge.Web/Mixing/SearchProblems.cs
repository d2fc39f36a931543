using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Mixing;

/// <summary>What cannot be in a search or a recipe, as lines for its fields.</summary>
internal static class SearchProblems
{
    public static IReadOnlyList<FieldProblem> Of(RecipeSearch search, Materials materials) => Lines(SearchCheck.Problems(search, materials));

    public static IReadOnlyList<FieldProblem> OfTarget(Lab target, string path = "target") => Lines(SearchCheck.Target(target, path));

    /// <summary>A recipe as a hand may try it: doses over their load limit are shown, not refused.</summary>
    public static IEnumerable<FieldProblem> OfRecipe(PasteRecipe recipe, string path, Materials materials)
    {
        if (!materials.Has<PasteBase>(recipe.BaseId))
            yield return new FieldProblem($"{path}.baseId", "unknownMaterial", null, null);
        if (recipe.Doses.Count > MostDoses)
            yield return new FieldProblem($"{path}.doses", "tooManyInMix", MostDoses, null);
        foreach (var (i, dose) in recipe.Doses.Index())
        {
            if (!materials.Has<Colourant>(dose.ColourantId))
                yield return new FieldProblem($"{path}.doses[{i}].colourantId", "unknownMaterial", null, null);
            if (recipe.Doses.Take(i).Any(other => other.ColourantId == dose.ColourantId))
                yield return new FieldProblem($"{path}.doses[{i}].colourantId", "sameColourTwice", null, dose.ColourantId);
            if (dose.GPer100g is not (>= 0 and <= MadeBatch.MostGPer100g))
                yield return new FieldProblem($"{path}.doses[{i}].gPer100g", "doseEnormous", MadeBatch.MostGPer100g, dose.ColourantId);
        }
    }

    public static IEnumerable<FieldProblem> OfMass(double grams, string path)
    {
        if (grams is not (> 0 and <= SearchCheck.MostPasteG))
            yield return new FieldProblem(path, "massOutOfRange", SearchCheck.MostPasteG, null);
    }

    private const int MostDoses = 8;

    private static IReadOnlyList<FieldProblem> Lines(IEnumerable<SearchProblem> problems) =>
        [.. problems.Select(problem => new FieldProblem(problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit, problem.Material))];
}
