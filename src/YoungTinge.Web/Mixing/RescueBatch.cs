using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Mixing;

/// <summary>What to do with a batch that came out wrong.</summary>
public static class RescueBatch
{
    /// <param name="Recipe">What really went in.</param>
    /// <param name="HaveG">Paste before colour of the batch as it is.</param>
    /// <param name="Measured">What it looks like, rested, under daylight; null to trust the recipe.</param>
    /// <param name="NeedG">Paste that the pieces need.</param>
    public sealed record Request(PasteRecipe Recipe, double HaveG, Lab? Measured, Lab Target, double NeedG, FiltersView? Filters = null);

    public sealed record PlanView(
        double KeepG, double WhiteG, IReadOnlyList<DosedColourView> Add, double TotalG, double LeftOverG, ColourView Colour, Difference Difference, double? Cost)
    {
        internal static PlanView From(RescuePlan plan) => new(
            plan.KeepG, plan.WhiteG, [.. plan.Add.Select(DosedColourView.From)], plan.TotalG, plan.LeftOverG, ColourView.From(plan.Colour),
            plan.Difference, plan.Cost);
    }

    /// <param name="BaseId">Fresh paste to knead in.</param>
    /// <param name="SavedShare">Of the cost of starting again.</param>
    public sealed record Answer(
        ColourView Now, Difference NowDifference, ColourView Target, string BaseId, PlanView LeastMass, PlanView? KeepAll,
        FindRecipes.RecipeView Fresh, double SavedShare, bool StartAgain, bool IsThere);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/recipes/rescue", Handle)
        .WithName("rescueBatch").Produces<Answer>().Fails(422, 503);

    private static async Task<IResult> Handle(Request request, CurrentStudio studio, CabinetStore cabinet, HttpContext context, CancellationToken cancel)
    {
        var materials = await cabinet.LoadAsync(await studio.IdAsync(cancel), cancel);
        var search = (request.Filters ?? FiltersView.None).Apply(new RecipeSearch(request.Recipe.BaseId, request.Target, request.NeedG));
        FieldProblem[] problems =
        [
            .. SearchProblems.OfRecipe(request.Recipe, "recipe", materials), .. SearchProblems.OfMass(request.HaveG, "haveG"),
            .. SearchProblems.OfMass(request.NeedG, "needG"),
            .. request.Measured is { } measured ? SearchProblems.OfTarget(measured, "measured") : [],
        ];
        if (problems.Length == 0)
            problems = [.. SearchProblems.Of(search, materials)];
        if (problems.Length > 0)
            return Trouble.NotPossible(problems);
        var batch = new MadeBatch(request.Recipe with { Doses = [.. request.Recipe.Doses.Where(dose => dose.GPer100g > 0)] }, request.HaveG, request.Measured);
        return await LongWork.RunAsync(context, (progress, stop) => View(Rescue.Of(batch, search, materials, progress, stop), search, materials));
    }

    private static Answer View(Rescue rescue, RecipeSearch search, Materials materials) => new(
        ColourView.From(rescue.Now), rescue.NowDifference, ColourView.From(search.Target), search.BaseIds[0], PlanView.From(rescue.LeastMass),
        rescue.KeepAll is null ? null : PlanView.From(rescue.KeepAll), FindRecipes.View(rescue.Fresh, search.PasteG, materials),
        rescue.SavedShare, rescue.StartAgain, rescue.IsThere);
}
