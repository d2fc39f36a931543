using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Mixing;

/// <summary>Everything that follows from a recipe as it lies on the table, for each move of a dose. Keeps nothing.</summary>
public static class LookAtRecipe
{
    /// <param name="Target">Under daylight.</param>
    /// <param name="Light">To see the paste under.</param>
    public sealed record Request(PasteRecipe Recipe, Lab Target, double PasteG, LightKind Light);

    public sealed record AgeView(PasteAge Age, ColourView Colour, Difference Difference);

    public sealed record LightView(LightKind Light, ColourView Colour, ColourView Target, Difference Difference);

    public sealed record AlternativeView(DepthWay Way, PasteRecipe Recipe, BeyondView? Beyond, ColourView Colour, Difference Difference);

    /// <param name="Target">Under the light that was asked for.</param>
    /// <param name="Alternatives">Empty unless a dose is over its load limit.</param>
    /// <param name="Reflectance">36 values, 380 to 730 nm every 10 nm.</param>
    /// <param name="Range">CIEDE2000 that nine of ten such pastes come out within, by what was learned of their jars.</param>
    public sealed record Answer(
        ColourView Target, IReadOnlyList<AgeView> Ages, IReadOnlyList<LightView> Lights, IReadOnlyList<ColourEffect> Effects,
        IReadOnlyList<ColourLoad> Loads, BatchView Batch, double RestHours, double? Cost, IReadOnlyList<AlternativeView> Alternatives,
        IReadOnlyList<double> Reflectance, IReadOnlyList<double> TargetReflectance, double Range, Sureness Sureness);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/recipes/look", Handle)
        .Computes().WithName("lookAtRecipe").Produces<Answer>().ProducesProblems(422);

    private static async Task<IResult> Handle(Request request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var (materials, jars, _) = await cabinet.LoadLearnedAsync(studio.Id, cancel);
        FieldProblem[] problems =
        [
            .. StudioRules.OfRecipe(request.Recipe, "recipe", materials).Lines(), .. SearchProblems.OfTarget(request.Target),
            .. StudioRules.OfMass(request.PasteG, "pasteG").Lines(),
        ];
        return problems.Length > 0 ? ApiProblem.NotPossible(problems) : TypedResults.Ok(Look(request, materials, jars, cancel));
    }

    private static Answer Look(Request request, Materials materials, LearnedJars jars, CancellationToken cancel)
    {
        // A colour dragged down to nothing stays on the table, but it is no part of the recipe.
        var recipe = request.Recipe.WithoutNothing();
        var look = RecipeEvaluation.Of(recipe, request.Target, request.PasteG, request.Light, materials);
        var light = Lights.Of(request.Light);
        var range = jars.Predict(recipe, materials).Range;
        return new Answer(
            ColourView.From(look.UnderLights.First(lit => lit.Light == request.Light).Target, light),
            [.. look.Ages.Select(age => new AgeView(age.Age, ColourView.From(age.Colour, light), age.Difference))],
            [.. look.UnderLights.Select(lit => new LightView(
                lit.Light, ColourView.From(lit.Colour, Lights.Of(lit.Light)), ColourView.From(lit.Target, Lights.Of(lit.Light)), lit.Difference))],
            look.Effects,
            look.Loads,
            BatchView.From(look.Batch),
            look.RestHours,
            look.Cost,
            [.. Alternatives(recipe, request, materials, cancel)],
            look.Reflectance.Values.ToArray(),
            look.TargetReflectance.Values.ToArray(),
            range,
            LearnedCabinet.SurenessOf(range));
    }

    private static IEnumerable<AlternativeView> Alternatives(PasteRecipe recipe, Request request, Materials materials, CancellationToken cancel)
    {
        var wanted = PasteOptics.ColourOf(recipe, materials);
        return DepthAlternatives.For(recipe, new RecipeSearch(recipe.BaseId, request.Target, request.PasteG), materials, cancel)
            .Select(way => new AlternativeView(
                way.Way, way.Recipe, way.Beyond is null ? null : BeyondView.From(way.Beyond, wanted), ColourView.From(way.Colour), way.Difference));
    }
}
