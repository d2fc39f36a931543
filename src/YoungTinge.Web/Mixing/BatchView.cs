using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Web.Mixing;

/// <param name="Exact">How many of the unit the dose really is.</param>
/// <param name="Whole">How many to put in.</param>
/// <param name="IsUnderOne">Too little to measure by this unit.</param>
/// <param name="OneMore">Delta E by which one unit more moves the colour.</param>
public sealed record UnitsView(DoseUnitKind Kind, double Exact, int Whole, bool IsUnderOne, double? OneMore);

/// <param name="Units">Null if the colour is only weighed.</param>
public sealed record DosedColourView(string ColourantId, double Grams, UnitsView? Units);

/// <summary>A recipe for a batch of known mass.</summary>
/// <param name="PasteG">Paste before colour.</param>
/// <param name="RoundedColour">What it comes out as with every dose in whole units.</param>
/// <param name="RoundingDeltaE">How far that is from the exact recipe.</param>
public sealed record BatchView(double PasteG, IReadOnlyList<DosedColourView> Colours, ColourView RoundedColour, double RoundingDeltaE)
{
    public static BatchView From(DosedRecipe batch) => new(
        batch.PasteG,
        [.. batch.Colours.Select(colour => new DosedColourView(colour.ColourantId, colour.Grams, UnitsOf(colour)))],
        ColourView.From(batch.RoundedColour),
        batch.RoundingDeltaE);

    private static UnitsView? UnitsOf(DosedColour colour) => colour.Units is { } units
        ? new UnitsView(units.Unit.Kind, units.Exact, units.Whole, units.IsUnderOne, colour.OneUnitMore)
        : null;
}
