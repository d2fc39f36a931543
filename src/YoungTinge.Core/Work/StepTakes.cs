using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>What is taken out of the cabinet for the work: in one place, so that stock, needs and shopping agree.</summary>
public static class StepTakes
{
    /// <summary>For one step of a run sheet; empty for what takes nothing that is counted.</summary>
    public static IReadOnlyList<MaterialTake> Of(RunStep step, PlannedWork work, Materials materials) => step switch
    {
        WeighPaste weigh => [new(weigh.BaseId, weigh.Grams)],
        AddColour colour => [new(colour.ColourantId, ColourG(colour.LetDown, colour.CountedBesides, colour.MeasuredG)), .. White(colour.LetDown, colour.BaseId)],
        ShapePieces => [.. Supports.Of(work, materials).Where(support => support.MaterialId is not null).Select(support => new MaterialTake(support.MaterialId!, support.Amount))],
        _ => step.Takes(),
    };

    /// <summary>For a paste, with what its let-downs leave over.</summary>
    /// <param name="weighG">White that is weighed for it, beside the let-downs.</param>
    public static IEnumerable<MaterialTake> OfPaste(PasteRecipe recipe, DosedRecipe batch, double weighG)
    {
        yield return new(recipe.BaseId, weighG);
        foreach (var colour in batch.Colours)
        {
            yield return new(colour.ColourantId, ColourG(colour.LetDown, colour.CountedBesides, colour.MeasuredG));
            foreach (var white in White(colour.LetDown, recipe.BaseId))
                yield return white;
        }
    }

    private static double ColourG(LetDown? letDown, int besides, double measuredG) => letDown is null ? measuredG : (letDown.Units + besides) * letDown.Unit.MassG;

    private static IEnumerable<MaterialTake> White(LetDown? letDown, string baseId) =>
        letDown is null ? [] : [new(baseId, letDown.Lumps.Sum(lump => lump.WhiteG))];
}
