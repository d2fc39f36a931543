using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Tests.Cabinet;

public class PasteRecipeTests
{
    private static readonly PasteRecipe Wine = TestData.Recipe(("foxberry", 0.4), ("sloe", 0.2));

    [Fact]
    public void More_of_a_colour_adds_to_what_is_there()
    {
        var spoilt = Wine.With(new Dose("sloe", 0.1)).With(new Dose("woad", 0.3));
        Assert.Equal(["foxberry", "sloe", "woad"], spoilt.Doses.Select(dose => dose.ColourantId));
        Assert.Equal(0.3, spoilt.Doses[1].GPer100g, 1e-12);
        // What it was made from stays as it was.
        Assert.Equal(0.2, Wine.Doses[1].GPer100g);
    }

    [Fact]
    public void A_colour_at_no_dose_is_no_part_of_it() =>
        Assert.Equal(Wine.Doses, Wine.With(new Dose("woad", 0)).WithoutNothing().Doses);

    [Fact]
    public void A_cabinet_knows_whether_it_has_everything()
    {
        Assert.True(TestData.Cabinet.HasAllOf(Wine));
        Assert.False(TestData.Cabinet.HasAllOf(Wine.With(new Dose("nettle", 0.1)))); // a dust
        Assert.False(TestData.Cabinet.HasAllOf(Wine with { BaseId = "rowan" }));
    }
}
