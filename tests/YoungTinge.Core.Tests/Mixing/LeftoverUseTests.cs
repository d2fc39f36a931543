using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Tests.Mixing;

public class LeftoverUseTests
{
    private const double Allowed = 2;

    private static readonly PasteRecipe Blush = TestData.Recipe(("ragged-robin", 0.2), ("ember", 0.1));

    private static Leftover Left(PasteRecipe recipe, double grams, Lab? measured = null) =>
        Leftover.Of(Guid.NewGuid(), new MadeBatch(recipe, grams, measured), TestData.Cabinet);

    private static PasteRecipe Times(PasteRecipe recipe, double strength) =>
        recipe with { Doses = [.. recipe.Doses.Select(dose => dose with { GPer100g = strength * dose.GPer100g })] };

    /// <summary>Grams of each colour in some paste.</summary>
    private static double In(PasteRecipe recipe, string colourantId, double grams) =>
        recipe.Doses.Where(dose => dose.ColourantId == colourantId).Sum(dose => dose.GPer100g) * grams / 100;

    [Fact]
    public void A_paler_leftover_of_the_same_colours_goes_in_whole_and_the_rest_is_made_up_exactly() =>
        Gen.Select(Gen.Double[0.05, 1], Gen.Double[10, 60], Gen.Double[60, 300]).Holds((strength, leftG, needG) =>
        {
            var paler = Times(Blush, strength);
            var use = LeftoverUse.Of(Left(paler, leftG), Blush, needG, Allowed, TestData.Cabinet)!;
            Assert.Equal(leftG, use.KeepG);
            Assert.Equal(needG, use.KeepG + use.FreshG, 1e-9);
            // By hand: what the whole should hold less what the leftover brings.
            foreach (var colour in use.Batch.Colours)
                Assert.Equal(In(Blush, colour.ColourantId, needG) - In(paler, colour.ColourantId, leftG), colour.Grams, 1e-9);
        }, turns: 300);

    [Fact]
    public void Nothing_goes_in_that_would_move_the_paste_by_more_than_is_allowed()
    {
        string[] colourants = ["ragged-robin", "ember", "fen", "sloe", "lantern"];
        Gen.Select(Gen.Int[0, 4], Gen.Int[0, 4], Gen.Double[0.01, 1.5], Gen.Double[0.01, 1.5], Gen.Double[5, 200], Gen.Double[5, 200]).Holds((one, other, dose, otherDose, leftG, needG) =>
        {
            var recipe = TestData.Recipe((colourants[one], dose)).With(new Dose(colourants[other], otherDose));
            if (LeftoverUse.Of(Left(recipe, leftG), Blush, needG, Allowed, TestData.Cabinet) is not { } use)
                return;
            Assert.InRange(use.KeepG, Math.Min(LeftoverUse.WorthFetchingG, needG), Math.Min(leftG, needG));
            Assert.InRange(use.Difference.DeltaE, 0, Allowed);
            // By hand, without rounding to touches.
            var doses = use.Batch.Colours.Select(colour => new Dose(colour.ColourantId, colour.Grams * 100 / needG)).ToList();
            var whole = PasteRecipe.Kneaded([(recipe, use.KeepG), (TestData.Recipe(), needG - use.KeepG)]);
            foreach (var added in doses)
                whole = whole.With(added);
            Assert.InRange(DeltaE2000.Between(TestData.ColourOf(Blush), TestData.ColourOf(whole)), 0, Allowed + 1e-6);
        }, turns: 500);
    }

    [Fact]
    public void A_deeper_leftover_goes_in_as_far_as_the_paste_can_take_its_colour()
    {
        // Twice as strong: half of the whole could be leftover, and somewhat more within what is allowed.
        var use = LeftoverUse.Of(Left(Times(Blush, 2), 100), Blush, 100, Allowed, TestData.Cabinet)!;
        Assert.InRange(use.KeepG, 50, 75);
        Assert.Empty(use.Batch.Colours);
        Assert.False(use.AsItIs);
    }

    [Fact]
    public void A_leftover_of_the_colour_itself_needs_nothing_added()
    {
        var use = LeftoverUse.Of(Left(Blush, 100), Blush, 60, Allowed, TestData.Cabinet)!;
        Assert.Equal((60, 0), (use.KeepG, use.FreshG));
        Assert.Empty(use.Batch.Colours);
        Assert.True(use.AsItIs);
        Assert.Equal(0, use.Difference.DeltaE, 1e-6);
    }

    [Fact]
    public void A_reading_counts_for_more_than_the_recipe()
    {
        var seen = TestData.ColourOf(Blush);
        var off = Left(Blush, 100, seen with { L = seen.L - 12, A = seen.A + 10 });
        Assert.True(LeftoverUse.Of(Left(Blush, 100), Blush, 100, Allowed, TestData.Cabinet)!.KeepG > LeftoverUse.Of(off, Blush, 100, Allowed, TestData.Cabinet)?.KeepG);
    }

    [Fact]
    public void Too_little_of_another_colour_is_not_worth_fetching() =>
        Assert.Null(LeftoverUse.Of(Left(TestData.Recipe(("fen", 1.2)), 100), Blush, 60, Allowed, TestData.Cabinet));

    [Fact]
    public void A_pale_paste_of_other_colours_is_left_alone_though_it_could_go_in() =>
        Assert.Null(LeftoverUse.Of(Left(TestData.Recipe(("fen", 0.003)), 100), TestData.Recipe(("sloe", 1), ("ragged-robin", 1)), 60, Allowed, TestData.Cabinet));

    [Fact]
    public void Pastes_kneaded_together_hold_what_each_held() =>
        Gen.Select(Gen.Double[0.1, 1], Gen.Double[0.1, 1], Gen.Double[1, 100], Gen.Double[1, 100]).Holds((dose, other, one, two) =>
        {
            var whole = PasteRecipe.Kneaded([(TestData.Recipe(("ember", dose), ("fen", 0.2)), one), (TestData.Recipe(("ember", other)), two)]);
            Assert.Equal((dose * one + other * two) / (one + two), whole.Doses.Single(kept => kept.ColourantId == "ember").GPer100g, 1e-9);
            Assert.Equal(0.2 * one / (one + two), whole.Doses.Single(kept => kept.ColourantId == "fen").GPer100g, 1e-9);
        }, turns: 200);
}
