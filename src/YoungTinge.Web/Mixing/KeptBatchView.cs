using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Mixing;

/// <summary>A batch that was kept for a commission.</summary>
/// <param name="CommissionId">Null when the commission is gone for good.</param>
/// <param name="Colour">As what went in, or else its recipe, predicts it, rested; null if something in it is not in the cabinet any more.</param>
/// <param name="Measured">As it came out; null before it was read.</param>
/// <param name="State">At the moment.</param>
/// <param name="RestedAt">When its colour will have come out; null for one that is not mixed.</param>
/// <param name="Made">Null before it was mixed.</param>
/// <param name="Difference">Measured, or else predicted, against the target; null if neither is known.</param>
public sealed record KeptBatchView(
    Guid Id, Guid? CommissionId, string CommissionName, string Name, PasteRecipe Recipe, double PasteG, ColourView Target, ColourView? Colour, ColourView? Measured,
    Difference? Difference, string Note, int Version, BatchState State, DateTimeOffset? RestedAt, Making? Made)
{
    public static KeptBatchView From(Batch batch, Materials materials, DateTimeOffset now)
    {
        var recipe = batch.Made?.Recipe ?? batch.Recipe;
        Lab? predicted = materials.HasAllOf(recipe) ? PasteOptics.ColourOf(recipe, materials) : null;
        var restHours = materials.HasAllOf(recipe) ? RecipeEvaluation.RestHoursOf(recipe, materials) : 0;
        return new KeptBatchView(
            batch.Id, batch.CommissionId, batch.CommissionName, batch.Name, batch.Recipe, batch.PasteG, ColourView.From(batch.Target), View(predicted), View(batch.Measured),
            (batch.Measured ?? predicted) is { } colour ? Difference.Of(colour, batch.Target) : null, batch.Note, batch.Version,
            batch.Made?.StateAt(now, restHours) ?? BatchState.Planned, batch.Made?.At.AddHours(restHours), batch.Made);
    }

    private static ColourView? View(Lab? colour) => colour is { } lab ? ColourView.From(lab) : null;
}
