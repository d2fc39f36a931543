using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Mixing;

public class RecipeFinderTests
{
    /// <summary>How much worse than an exhaustive search a recipe may be, in delta E.</summary>
    private const double Allowance = 0.05;

    public static TheoryData<int> KnownTargets() => new(Enumerable.Range(0, TestData.Json("finder-targets.json").GetProperty("cases").GetArrayLength()));

    [Theory]
    [MemberData(nameof(KnownTargets))]
    public void Is_no_worse_than_an_exhaustive_search(int index)
    {
        var known = TestData.Json("finder-targets.json").GetProperty("cases")[index];
        var search = new RecipeSearch(known.GetProperty("base").GetString()!, known.GetProperty("targetLab").Lab(), 100)
        {
            MostColourants = known.GetProperty("maxColourants").GetInt32(),
        };

        var found = RecipeFinder.Find(TestData.Cabinet, search);

        Assert.InRange(found[0].Difference.DeltaE, 0, known.GetProperty("bestDeltaE2000").GetDouble() + Allowance);
        foreach (var recipe in found)
            AssertHonest(recipe, search);
    }

    [Fact]
    public void Gets_back_a_target_made_from_a_known_recipe()
    {
        var colourants = TestData.Cabinet.All.OfType<Colourant>().ToList();
        var dose = Gen.Select(Gen.Int[0, colourants.Count - 1], Gen.Double[-4, 0], (i, log) => new Dose(colourants[i].Id, Math.Exp(log)));
        dose.Array[1, 3].Where(doses => doses.DistinctBy(d => d.ColourantId).Count() == doses.Length).Sample(
            doses =>
            {
                var target = Illuminant.D65.LabOf(PasteOptics.Reflectance(new PasteRecipe("bright-white-paste", doses), TestData.Cabinet));
                var best = RecipeFinder.Find(TestData.Cabinet, new RecipeSearch("bright-white-paste", target, 100))[0];
                Assert.InRange(best.Difference.DeltaE, 0, 0.1);
            },
            iter: 25);
    }

    [Fact]
    public void Offers_three_really_different_recipes()
    {
        var found = RecipeFinder.Find(TestData.Cabinet, new RecipeSearch("bright-white-paste", new Lab(88, -7, 19), 180));
        Assert.Equal(3, found.Count);
        var sets = found.Select(recipe => recipe.Recipe.Doses.Select(dose => dose.ColourantId).ToHashSet()).ToList();
        Assert.All(found, recipe => Assert.InRange(recipe.Difference.DeltaE, 0, 1));
        Assert.True(sets[0].Intersect(sets[1]).Count() < 3 && sets[0].Intersect(sets[2]).Count() < 3 && sets[1].Intersect(sets[2]).Count() < 3);
    }

    [Fact]
    public void Says_which_way_a_target_is_out_of_reach()
    {
        var nearBlack = RecipeFinder.Find(TestData.Cabinet, new RecipeSearch("bright-white-paste", new Lab(5, 0, 0), 100))[0];
        Assert.Equal(DifferenceWay.Paler, nearBlack.Difference.Way);
        Assert.True(nearBlack.Difference.DeltaE > Difference.ThereBelow);
    }

    [Fact]
    public void The_same_question_gets_the_same_answer_nearest_first()
    {
        var search = new RecipeSearch("soft-cream-paste", new Lab(72, 18, 22), 140);
        var first = RecipeFinder.Find(TestData.Cabinet, search);
        var again = RecipeFinder.Find(TestData.Cabinet, search);
        Assert.Equal(first.Select(found => string.Join(", ", found.Recipe.Doses)), again.Select(found => string.Join(", ", found.Recipe.Doses)));
        var shown = first.Skip(1).Select(found => Math.Round(found.Difference.DeltaE, 1)).ToList();
        Assert.Equal(shown.Order(), shown);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void No_more_colours_are_used_than_allowed_and_more_never_do_worse(int most)
    {
        foreach (var target in new[] { new Lab(80, 12, 20), new Lab(45, -20, 15), new Lab(35, 20, -30) })
        {
            var search = new RecipeSearch("bright-white-paste", target, 100) { MostColourants = most };
            var found = RecipeFinder.Find(TestData.Cabinet, search);
            Assert.All(found, recipe => Assert.InRange(recipe.Recipe.Doses.Count, 1, most));
            if (most == 1)
                continue;
            var fewer = RecipeFinder.Find(TestData.Cabinet, search with { MostColourants = most - 1 });
            Assert.True(found[0].Difference.DeltaE <= fewer[0].Difference.DeltaE + Allowance);
        }
    }

    [Fact]
    public void An_empty_cabinet_finds_nothing() => Assert.Empty(
        RecipeFinder.Find(new Materials(TestData.Cabinet.All.OfType<PasteBase>()), new RecipeSearch("bright-white-paste", new Lab(50, 0, 0), 100)));

    [Theory]
    [InlineData(double.NaN, 100)]
    [InlineData(50, 0)]
    [InlineData(50, double.NaN)]
    public void Nonsense_is_refused(double lightness, double pasteG) => Assert.Throws<ArgumentOutOfRangeException>(
        () => RecipeFinder.Find(TestData.Cabinet, new RecipeSearch("bright-white-paste", new Lab(lightness, 0, 0), pasteG)));

    [Fact]
    public void Can_be_stopped() => Assert.Throws<OperationCanceledException>(
        () => RecipeFinder.Find(TestData.Cabinet, new RecipeSearch("bright-white-paste", new Lab(50, 0, 0), 100), new CancellationToken(canceled: true)));

    private static void AssertHonest(FoundRecipe found, RecipeSearch search)
    {
        Assert.All(found.Recipe.Doses, dose => Assert.InRange(dose.GPer100g, 0, TestData.Cabinet.Get<Colourant>(dose.ColourantId).LoadLimitGPer100g));
        Assert.InRange(found.Recipe.Doses.Count, 1, search.MostColourants);
        // The solver has its own fast colour model: it must say what the optics say.
        var colour = Illuminant.D65.LabOf(PasteOptics.Reflectance(found.Recipe, TestData.Cabinet));
        Assert.Equal(DeltaE2000.Between(search.Target, colour), found.Difference.DeltaE, 1e-9);
    }
}
