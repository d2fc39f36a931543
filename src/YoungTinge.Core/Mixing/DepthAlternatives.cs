using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Mixing;

public enum DepthWay
{
    /// <summary>Powder brings no water or syrup with it.</summary>
    Powder,

    /// <summary>Colour that goes in while the paste is made takes the place of some of its water.</summary>
    MadeIntoPaste,

    /// <summary>The paste at its limit, the rest by dust.</summary>
    Dust,
}

/// <summary>A way to a depth that paste cannot take by kneading.</summary>
/// <param name="Colour">Under daylight.</param>
/// <param name="Beyond">What goes over the paste; null unless it is the way of dust.</param>
public sealed record DepthAlternative(DepthWay Way, PasteRecipe Recipe, SurfaceFinish? Beyond, Lab Colour, Difference Difference);

/// <summary>What to do instead when a dose, or all of them together, is over what the paste takes: above it paste turns soft and sticky, or crumbles.</summary>
public static class DepthAlternatives
{
    /// <summary>How many times its limit a paste takes when the colour goes in as it is made. A house rule, on the safe side.</summary>
    public const double MadeIntoPasteTimes = 1.5;

    /// <returns>Each way that exists with the cabinet at hand; empty if nothing is over its limit.</returns>
    public static IReadOnlyList<DepthAlternative> For(PasteRecipe recipe, RecipeSearch search, Materials materials, CancellationToken cancel = default)
    {
        Colourant ColourOf(Dose dose) => materials.Get<Colourant>(dose.ColourantId);
        double LimitOf(Dose dose) => ColourOf(dose).LoadLimitGPer100g;
        var load = PasteLoad.Of(recipe, materials);
        if (!recipe.Doses.Any(dose => dose.GPer100g > LimitOf(dose)) && !load.IsTooWet && !load.IsTooDry)
            return [];
        var target = PasteOptics.ColourOf(recipe, materials);
        var found = new List<DepthAlternative>();
        var madeIn = recipe with { Doses = [.. recipe.Doses.Select(dose => dose with { GPer100g = Math.Min(dose.GPer100g, MadeIntoPasteTimes * LimitOf(dose)) })] };
        found.Add(Alternative(DepthWay.MadeIntoPaste, madeIn));

        var atLimit = recipe with { Doses = [.. recipe.Doses.Select(dose => dose with { GPer100g = Math.Min(load.ShareThatFits(ColourOf(dose).IsPowder) * dose.GPer100g, LimitOf(dose)) })] };
        // Another recipe that misses by more than leaving out what is too much is no help.
        var missedAtLimit = Alternative(DepthWay.Powder, atLimit).Difference.DeltaE;
        if (ByPowder(recipe, search with { Target = ObjectColourSolid.Nearest(target) }, materials, cancel) is { } powder
            && Alternative(DepthWay.Powder, powder) is var way && way.Difference.DeltaE < missedAtLimit)
            found.Add(way);
        if (SurfaceFinishSearch.Find([atLimit], target, materials, material => material is Dust && search.Allows(material), worthAStep: 0, cancel) is { } beyond)
            found.Add(new DepthAlternative(DepthWay.Dust, atLimit, beyond, beyond.Colour, Difference.Of(beyond.Colour, target)));
        return found;

        DepthAlternative Alternative(DepthWay way, PasteRecipe other)
        {
            var colour = PasteOptics.ColourOf(other, materials);
            return new DepthAlternative(way, other, null, colour, Difference.Of(colour, target));
        }
    }

    private static PasteRecipe? ByPowder(PasteRecipe recipe, RecipeSearch search, Materials materials, CancellationToken cancel)
    {
        // The colours that are over their limit stay out, and of the rest only the dry ones come in.
        var notDry = materials.All.OfType<Colourant>().Where(colourant => !colourant.IsPowder).Select(colourant => colourant.Id).ToList();
        var powders = search with { BaseIds = [recipe.BaseId], LeaveOut = notDry, MustUse = [], Wanted = 1 };
        return SearchCheck.Problems(powders, materials).Count > 0 ? null : RecipeFinder.Find(materials, powders, cancel: cancel)[0].Recipe;
    }
}
