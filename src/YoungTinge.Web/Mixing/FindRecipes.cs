using FluentValidation;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Mixing;

/// <summary>Paste recipes for a colour, nearest first.</summary>
public static class FindRecipes
{
    /// <param name="PasteG">Paste before colour that the batch needs.</param>
    public sealed record Request(string BaseId, Lab Target, double PasteG, int MostColourants);

    public sealed record RecipeView(PasteRecipe Recipe, ColourView Colour, Difference Difference, double Unsteadiness, BatchView Batch);

    /// <param name="Recipes">Empty if the cabinet has no colours for paste.</param>
    public sealed record Answer(ColourView Target, IReadOnlyList<RecipeView> Recipes);

    public sealed class Rules : AbstractValidator<Request>
    {
        public const double MostPasteG = 100_000;

        public Rules()
        {
            RuleFor(r => r.BaseId).NotEmpty().MaximumLength(80).WithErrorCode("unknownMaterial");
            RuleFor(r => r.Target).Must(PlanCheck.IsColour).WithErrorCode("notAColour");
            RuleFor(r => r.PasteG).Must(g => g is > 0 and <= MostPasteG).WithErrorCode("massOutOfRange");
            RuleFor(r => r.MostColourants).InclusiveBetween(RecipeSearch.FewestColourants, RecipeSearch.MostColourantsEver).WithErrorCode("countOutOfRange");
        }
    }

    public static void Map(RouteGroupBuilder api) => api.MapPost("/recipes/find", Handle)
        .WithName("findRecipes").Produces<Answer>().Fails(422, 503);

    private static async Task<IResult> Handle(Request request, IValidator<Request> rules, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        if (rules.Problems(request) is { Count: > 0 } problems)
            return Trouble.NotPossible(problems);
        var materials = await cabinet.LoadAsync(await studio.IdAsync(cancel), cancel);
        if (!materials.Has<PasteBase>(request.BaseId))
            return Trouble.NotPossible([new FieldProblem("baseId", "unknownMaterial", null, null)]);
        var search = new RecipeSearch(request.BaseId, request.Target, request.PasteG) { MostColourants = request.MostColourants };
        var found = RecipeFinder.Find(materials, search, cancel);
        return TypedResults.Ok(new Answer(ColourView.From(request.Target), [.. found.Select(recipe => View(recipe, request.PasteG, materials))]));
    }

    private static RecipeView View(FoundRecipe found, double pasteG, Materials materials) => new(
        found.Recipe, ColourView.From(found.Colour), found.Difference, found.Unsteadiness, BatchView.From(DosedRecipe.For(found.Recipe, pasteG, materials)));
}
