using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Mixing;

/// <summary>Paste recipes for a colour, nearest first.</summary>
public static class FindRecipes
{
    /// <param name="BaseIds">Pastes to try.</param>
    /// <param name="PasteG">Paste before colour that the batch needs.</param>
    /// <param name="MostColourants">1 to 4.</param>
    /// <param name="Filters">Null for none: whatever is in the cabinet, within stock.</param>
    public sealed record Request(IReadOnlyList<string> BaseIds, Lab Target, double PasteG, int MostColourants, FiltersView? Filters = null);

    /// <param name="Range">CIEDE2000 that nine of ten such pastes come out within, by what was learned of their jars.</param>
    public sealed record RecipeView(PasteRecipe Recipe, ColourView Colour, Difference Difference, double Unsteadiness, BatchView Batch, double? Cost, double Range, Sureness Sureness);

    /// <param name="Beyond">What dust and glaze can do where paste ends; null if paste gets there, or they cannot help.</param>
    public sealed record Answer(ColourView Target, IReadOnlyList<RecipeView> Recipes, BeyondView? Beyond);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/recipes/find", Handle)
        .Computes().WithName("findRecipes").Produces<Answer>().ProducesProblems(422);

    private static async Task<IResult> Handle(Request request, CurrentStudio studio, CabinetStore cabinet, HttpContext context, CancellationToken cancel)
    {
        var (materials, jars, _) = await cabinet.LoadLearnedAsync(studio.Id, cancel);
        var search = (request.Filters ?? FiltersView.None).Apply(
            new RecipeSearch(request.BaseIds, request.Target, request.PasteG) { MostColourants = request.MostColourants });
        return SearchProblems.Of(search, materials) is { Count: > 0 } problems
            ? ApiProblem.NotPossible(problems)
            : await LongWork.RunAsync(context, (progress, stop) => Find(search, materials, jars, progress, stop));
    }

    private static Answer Find(RecipeSearch search, Materials materials, LearnedJars jars, Action<double>? progress, CancellationToken cancel)
    {
        var found = RecipeFinder.Find(materials, search, share => progress?.Invoke(0.8 * share), cancel);
        var beyond = RecipeFinder.Beyond(found, search, materials, cancel);
        var views = found.Select(recipe => View(recipe, search.PasteG, materials, jars)).ToList();
        return new Answer(
            ColourView.From(search.Target), [.. jars.Trust.Count == 0 ? views : SurestOfEquals.First(views, recipe => recipe.Difference.DeltaE, recipe => recipe.Range)],
            beyond is null ? null : BeyondView.From(beyond, search.Target));
    }

    internal static RecipeView View(FoundRecipe found, double pasteG, Materials materials, LearnedJars jars) => new(
        found.Recipe, ColourView.From(found.Colour), found.Difference, found.DoseSensitivity,
        BatchView.From(DosedRecipe.For(found.Recipe, pasteG, materials)), RecipeEvaluation.CostOf(found.Recipe, pasteG, materials), jars.Predict(found.Recipe, materials).Range, LearnedCabinet.SurenessOf(jars.Predict(found.Recipe, materials).Range));
}
