using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Web.Shared;

/// <param name="Exact">How many of the unit the dose really is.</param>
/// <param name="Whole">How many to put in.</param>
/// <param name="GPer100g">What one of it is in this batch.</param>
/// <param name="IsUnderOne">Too little to measure by this unit.</param>
/// <param name="IsTooMany">More than a hand counts: weigh it.</param>
/// <param name="OneMore">Delta E by which one unit more moves the colour.</param>
public sealed record UnitsView(DoseUnitKind Kind, double Exact, int Whole, double GPer100g, bool IsUnderOne, bool IsTooMany, double? OneMore);

/// <param name="Units">Null if the colour is only weighed.</param>
/// <param name="LetDown">How to measure a dose under one unit; null if it needs none, or none can be made.</param>
/// <param name="CountedBesides">Whole units that go in besides a let-down; 0 for most.</param>
/// <param name="Measured">What goes in, if it is measured as it says here.</param>
public sealed record DosedColourView(string ColourantId, double Grams, UnitsView? Units, LetDown? LetDown, int CountedBesides, MeasuredDose Measured)
{
    public static DosedColourView From(DosedColour colour, double pasteG) => new(
        colour.ColourantId,
        colour.Grams,
        colour.Units is { } units ? new UnitsView(units.Unit.Kind, units.Exact, units.Whole, units.Unit.MassG * 100 / pasteG, units.IsUnderOne, units.IsTooMany, colour.OneUnitMore) : null,
        colour.LetDown,
        colour.CountedBesides,
        colour.Measured);
}

/// <summary>A recipe for a batch of known mass.</summary>
/// <param name="PasteG">Paste before colour.</param>
/// <param name="BroughtG">White that its let-downs bring along: so much less is weighed.</param>
/// <param name="RoundedColour">What it comes out as with every dose as it is measured.</param>
/// <param name="RoundingDeltaE">How far that is from the exact recipe.</param>
public sealed record BatchView(double PasteG, double BroughtG, IReadOnlyList<DosedColourView> Colours, ColourView RoundedColour, double RoundingDeltaE)
{
    public static BatchView From(DosedRecipe batch) => new(
        batch.PasteG, batch.BroughtG, [.. batch.Colours.Select(colour => DosedColourView.From(colour, batch.PasteG))], ColourView.From(batch.RoundedColour), batch.RoundingDeltaE);
}
