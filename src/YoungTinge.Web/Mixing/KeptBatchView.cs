using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;
using YoungTinge.Store;

namespace YoungTinge.Web.Mixing;

/// <summary>A batch that was kept for a commission.</summary>
/// <param name="Colour">As its recipe predicts it, rested.</param>
/// <param name="Measured">As it came out; null before it was read.</param>
/// <param name="Difference">Measured, or else predicted, against the target.</param>
public sealed record KeptBatchView(
    Guid Id, Guid CommissionId, string Name, PasteRecipe Recipe, double PasteG, ColourView Target, ColourView Colour, ColourView? Measured,
    Difference Difference, string Note, int Version)
{
    public static KeptBatchView From(Batch batch, Materials materials)
    {
        var predicted = Illuminant.D65.LabOf(PasteOptics.Reflectance(batch.Recipe, materials));
        return new KeptBatchView(
            batch.Id, batch.CommissionId, batch.Name, batch.Recipe, batch.PasteG, ColourView.From(batch.Target), ColourView.From(predicted),
            batch.Measured is { } measured ? ColourView.From(measured) : null, Difference.Of(batch.Measured ?? predicted, batch.Target), batch.Note, batch.Version);
    }
}
