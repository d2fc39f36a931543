using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>What is taken out of the cabinet for the work: in one place, so that stock, needs and shopping agree.</summary>
public static class StepTakes
{
    /// <summary>For one step of a run sheet; empty for what takes nothing that is counted.</summary>
    public static IReadOnlyList<MaterialTake> Of(RunStep step, PlannedWork work, Materials materials) => step is ShapePieces
        ? [.. Supports.Of(work, materials).Where(support => support.MaterialId is not null).Select(support => new MaterialTake(support.MaterialId!, support.Amount))]
        : step.Takes();

    /// <summary>For a paste, with what its let-downs leave over.</summary>
    /// <param name="weighG">White that is weighed for it, beside the let-downs.</param>
    public static IEnumerable<MaterialTake> OfPaste(PasteRecipe recipe, DosedRecipe batch, double weighG) =>
        batch.Colours.SelectMany(colour => ColourTakes.Of(colour.ColourantId, colour.MeasuredG, colour.LetDown, colour.CountedBesides, recipe.BaseId))
            .Prepend(new MaterialTake(recipe.BaseId, weighG));
}
