using System.Text.Json;
using YoungTinge.Checks;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Tests.Mixing;

public class RecipeFinderTests
{
    private static readonly JsonElement Known = TestData.Json("finder-targets.json");

    public static TheoryData<int> KnownTargets() => new(Enumerable.Range(0, Known.GetProperty("cases").GetArrayLength()));

    [Theory]
    [MemberData(nameof(KnownTargets))]
    public void Is_no_worse_than_the_best_known_answer(int index)
    {
        var result = new FinderCheck(Known, TestData.Cabinet).Check(Known.GetProperty("cases")[index]);
        Assert.True(result.Passes, $"{result.How}: {result.Excess} over the best known.");
    }

    [Fact]
    public void Is_no_worse_than_solving_every_set()
    {
        var exhaustive = new Exhaustive(TestData.Cabinet, TestData.White, 3);
        foreach (var target in AgreementCheck.RandomTargets(25, seed: 7))
        {
            var search = new RecipeSearch(TestData.White, target, 100);
            var found = RecipeFinder.Find(TestData.Cabinet, search);
            Assert.All(found, recipe => AssertHonest(recipe, search));
            Assert.InRange(found[0].Difference.DeltaE, 0, exhaustive.Best(target) + FinderResult.Allowance);
        }
    }

    [Theory]
    [InlineData(24, 3)]
    [InlineData(60, 4)]
    public void Gets_back_a_target_made_from_a_known_recipe(int colourants, int most)
    {
        var cabinet = WideCabinet.With(colourants);
        Assert.All(AgreementCheck.RecipeTargets(40, cabinet, most, seed: 3), target =>
        {
            var best = RecipeFinder.Find(cabinet, new RecipeSearch(TestData.White, target, 100) { MostColourants = most })[0];
            Assert.InRange(best.Difference.DeltaE, 0, 0.1);
        });
    }

    [Fact]
    public void A_white_needs_no_colour()
    {
        var white = TestData.ColourOf(new PasteRecipe(TestData.White, []));
        var best = RecipeFinder.Find(TestData.Cabinet, new RecipeSearch(TestData.White, white, 100))[0];
        Assert.Empty(best.Recipe.Doses);
        Assert.Equal(0, best.Difference.DeltaE, 1e-9);
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
    [InlineData(4)]
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
            Assert.True(found[0].Difference.DeltaE <= fewer[0].Difference.DeltaE + FinderResult.Allowance);
        }
    }

    [Fact]
    public void Can_be_stopped() => Assert.Throws<OperationCanceledException>(
        () => RecipeFinder.Find(TestData.Cabinet, new RecipeSearch("bright-white-paste", new Lab(50, 0, 0), 100), cancel: new CancellationToken(canceled: true)));

    private static void AssertHonest(FoundRecipe found, RecipeSearch search)
    {
        Assert.All(found.Recipe.Doses, dose => Assert.InRange(dose.GPer100g, 0, TestData.Cabinet.Get<Colourant>(dose.ColourantId).LoadLimitGPer100g));
        Assert.InRange(found.Recipe.Doses.Count, 0, search.MostColourants);
        // Nobody kneads in nothing.
        Assert.All(found.Recipe.Doses, dose => Assert.True(dose.GPer100g > 0));
        // The solver has its own fast colour model: it must say what the optics say.
        Assert.Equal(DeltaE2000.Between(search.Target, TestData.ColourOf(found.Recipe)), found.Difference.DeltaE, 1e-9);
    }
}
