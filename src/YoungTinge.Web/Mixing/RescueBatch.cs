using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Mixing;

/// <summary>What to do with a batch that came out wrong.</summary>
public static class RescueBatch
{
    /// <summary>A colour that went in besides the recipe, as the maker counts it.</summary>
    public sealed record AlsoInView(string ColourantId, DoseUnitKind Unit, double Count);

    /// <param name="Recipe">What was meant to go in.</param>
    /// <param name="AlsoIn">What went in besides; null for nothing.</param>
    /// <param name="HaveG">Paste before colour of the batch as it is.</param>
    /// <param name="Measured">What it looks like, rested, under daylight; null to trust the recipe.</param>
    /// <param name="NeedG">Paste that the pieces need.</param>
    public sealed record Request(PasteRecipe Recipe, double HaveG, Lab? Measured, Lab Target, double NeedG,
        IReadOnlyList<AlsoInView>? AlsoIn = null, FiltersView? Filters = null);

    /// <param name="WeighG">Fresh paste to knead in by itself: what let-downs do not bring along.</param>
    public sealed record PlanView(
        double KeepG, double WeighG, IReadOnlyList<DosedColourView> Add, double TotalG, double LeftOverG, ColourView Colour, Difference Difference, double? Cost)
    {
        internal static PlanView From(RescuePlan plan) => new(
            plan.KeepG, plan.WeighG, [.. plan.Add.Select(colour => DosedColourView.From(colour, plan.TotalG))], plan.TotalG, plan.LeftOverG, ColourView.From(plan.Colour),
            plan.Difference, plan.Cost);
    }

    /// <param name="BaseId">Fresh paste to knead in.</param>
    /// <param name="SavedShare">Of the cost of starting again.</param>
    public sealed record Answer(
        ColourView Now, Difference NowDifference, ColourView Target, string BaseId, PlanView LeastMass, PlanView? KeepAll,
        FindRecipes.RecipeView Fresh, double SavedShare, bool StartAgain, bool IsThere);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/recipes/rescue", Handle)
        .Computes().WithName("rescueBatch").Produces<Answer>().ProducesProblems(422);

    private static async Task<IResult> Handle(Request request, CurrentStudio studio, CabinetStore cabinet, HttpContext context, CancellationToken cancel)
    {
        var (materials, jars, _) = await cabinet.LoadLearnedAsync(studio.Id, cancel);
        var search = (request.Filters ?? FiltersView.None).Apply(new RecipeSearch(request.Recipe.BaseId, request.Target, request.NeedG));
        FieldProblem[] problems =
        [
            .. StudioRules.OfRecipe(request.Recipe, "recipe", materials).Lines(), .. StudioRules.OfMass(request.HaveG, "haveG").Lines(),
            .. StudioRules.OfMass(request.NeedG, "needG").Lines(),
            .. request.Measured is { } measured ? SearchProblems.OfTarget(measured, "measured") : [],
        ];
        if (problems.Length == 0)
            problems = [.. SearchProblems.Of(search, materials), .. AlsoInProblems(request, materials)];
        if (problems.Length > 0)
            return ApiProblem.NotPossible(problems);
        var recipe = (request.AlsoIn ?? []).Aggregate(request.Recipe, (made, slip) => made.With(DoseOf(slip, request.HaveG, materials)!)).WithoutNothing();
        var batch = new MadeBatch(recipe, request.HaveG, request.Measured);
        return await LongWork.RunAsync(context, (progress, stop) => View(Rescue.Of(batch, search, materials, progress, stop), search, materials, jars));
    }

    private static IEnumerable<FieldProblem> AlsoInProblems(Request request, Materials materials)
    {
        foreach (var (i, slip) in (request.AlsoIn ?? []).Index())
        {
            if (DoseOf(slip, request.HaveG, materials) is not { } dose)
                yield return new FieldProblem($"alsoIn[{i}].colourantId", "unknownMaterial", null, null);
            else if (dose.GPer100g is not (>= 0 and <= MadeBatch.MostGPer100g))
                yield return new FieldProblem($"alsoIn[{i}].count", "doseEnormous", MadeBatch.MostGPer100g, slip.ColourantId);
        }
    }

    /// <returns>Null if there is no such colour, or it is not counted by this unit.</returns>
    private static Dose? DoseOf(AlsoInView slip, double haveG, Materials materials) =>
        (materials.Find(slip.ColourantId) as Colourant)?.Units.FirstOrDefault(unit => unit.Kind == slip.Unit) is { } unit
            ? new Dose(slip.ColourantId, slip.Count * unit.MassG * 100 / haveG)
            : null;

    private static Answer View(Rescue rescue, RecipeSearch search, Materials materials, LearnedJars jars) => new(
        ColourView.From(rescue.Now), rescue.NowDifference, ColourView.From(search.Target), search.BaseIds[0], PlanView.From(rescue.LeastMass),
        rescue.KeepAll is null ? null : PlanView.From(rescue.KeepAll), FindRecipes.View(rescue.Fresh, search.PasteG, materials, jars),
        rescue.SavedShare, rescue.StartAgain, rescue.IsThere);
}
