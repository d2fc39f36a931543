using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Tests.Mixing;

/// <summary>Recipes as hands measure them: by whole units, or finer where a fault would show.</summary>
public class DosedRecipeTests
{
    private static Gen<(PasteRecipe Recipe, double PasteG)> Batches => Gen.Select(
        Gen.Double[0.02, 0.5], Gen.Double[0.02, 0.5], Gen.Double[15, 250],
        (ember, lichen, pasteG) => (TestData.Recipe(("ember", ember), ("lichen", lichen)), pasteG));

    [Fact]
    public void Measured_finer_no_colour_is_further_off_than_was_allowed_for() => Batches.Holds(batch =>
    {
        const double most = 0.4;
        var finer = DosedRecipe.For(batch.Recipe, batch.PasteG, TestData.Cabinet, most);
        foreach (var colour in finer.Colours.Where(colour => colour.CountedBesides > 0))
            Assert.InRange(colour.MeasuredG / colour.Grams, 0.97, 1.03);
        Assert.InRange(finer.RoundingDeltaE, 0, Math.Max(2 * most + 0.1, DosedRecipe.For(batch.Recipe, batch.PasteG, TestData.Cabinet).RoundingDeltaE));
    }, turns: 200);

    [Fact]
    public void What_is_counted_and_what_the_let_down_brings_make_the_dose() => Batches.Holds(batch =>
    {
        foreach (var colour in DosedRecipe.For(batch.Recipe, batch.PasteG, TestData.Cabinet, 0.1).Colours.Where(colour => colour.CountedBesides > 0))
        {
            var (units, letDown) = (colour.Units!, colour.LetDown!);
            Assert.Equal((int)Math.Floor(units.Exact), colour.CountedBesides);
            Assert.Equal(colour.MeasuredG, colour.CountedBesides * units.Unit.MassG + letDown.DoseG, 1e-12);
            // The rest is less than a unit: that is what it is for.
            Assert.InRange(letDown.DoseG, 0, 1.03 * units.Unit.MassG);
        }
    }, turns: 200);

    [Fact]
    public void Whole_units_do_as_long_as_their_rounding_is_not_seen_and_else_there_is_a_finer_way() => Batches.Holds(batch =>
    {
        var dosed = DosedRecipe.For(batch.Recipe, batch.PasteG, TestData.Cabinet);
        var whole = batch.Recipe.Doses.Select(dose => dose with { GPer100g = UnitChoice.For(TestData.Cabinet.Get<Colourant>(dose.ColourantId), dose.GPer100g * batch.PasteG / 100)!.RoundedG * 100 / batch.PasteG });
        var wholeDeltaE = DeltaE2000.Between(TestData.ColourOf(batch.Recipe), TestData.ColourOf(batch.Recipe with { Doses = [.. whole] }));
        if (wholeDeltaE <= DosedRecipe.FinerOverDeltaE && dosed.Colours.All(colour => colour.Units is { IsUnderOne: false }))
            Assert.All(dosed.Colours, colour => Assert.Null(colour.LetDown));
        Assert.InRange(dosed.RoundingDeltaE, 0, Math.Max(DosedRecipe.FinerOverDeltaE, wholeDeltaE) + 1e-9);
        // A batch that a lump fits into can always be measured to half a step.
        if (batch.PasteG > 60)
            Assert.InRange(dosed.RoundingDeltaE, 0, DosedRecipe.FinerOverDeltaE + 0.1);
    }, turns: 200);

    [Fact]
    public void The_colour_told_is_the_colour_of_what_was_measured()
    {
        var recipe = TestData.Recipe(("saffron-thread", 0.17), ("ember", 0.12));
        var dosed = DosedRecipe.For(recipe, 43, TestData.Cabinet, 0.2);
        var measured = recipe with { Doses = [.. dosed.Colours.Select(colour => new Dose(colour.ColourantId, 100 * colour.MeasuredG / 43))] };
        Assert.Equal(0, DeltaE2000.Between(TestData.ColourOf(measured), dosed.RoundedColour), 1e-9);
        Assert.Equal(DeltaE2000.Between(TestData.ColourOf(recipe), dosed.RoundedColour), dosed.RoundingDeltaE, 1e-9);
    }
}
