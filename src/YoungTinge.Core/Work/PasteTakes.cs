using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>What a paste takes out of the cabinet.</summary>
internal static class PasteTakes
{
    /// <summary>With what its let-downs leave over.</summary>
    /// <param name="weighG">White that is weighed for it, beside the let-downs.</param>
    public static IEnumerable<MaterialTake> Of(PasteRecipe recipe, DosedRecipe batch, double weighG) =>
        batch.Colours.SelectMany(colour => ColourTakes.Of(colour.ColourantId, colour.MeasuredG, colour.LetDown, colour.CountedBesides, recipe.BaseId))
            .Prepend(new MaterialTake(recipe.BaseId, weighG));
}
