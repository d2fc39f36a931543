using YoungTinge.Checks;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Tests.Mixing;

/// <summary>What a search may use, and what it says when that cannot be.</summary>
public class SearchFilterTests
{
    private static readonly RecipeSearch DustyWine = new(TestData.White, new Lab(44, 25, 5), 180);

    /// <summary>The starter cabinet with one gel for looks only, one not vegan, and one nearly used up.</summary>
    private static readonly Materials Mixed = new(TestData.Cabinet.All.Select(material => material switch
    {
        Colourant { Id: "foxberry" } => material with { Label = material.Label with { FoodStatus = FoodStatus.DecorativeOnly } },
        Colourant { Id: "heather-bell" } => material with { Label = material.Label with { NotFor = [Diet.Vegan] } },
        Colourant { Id: "bracken" } => material with { Supply = new Supply(0.02, null) },
        PasteBase { Id: "soft-cream-paste" } => material with { Label = material.Label with { NotFor = [Diet.Vegan] } },
        _ => material,
    }));

    [Fact]
    public void Colours_that_must_be_used_are_used_and_those_left_out_are_not()
    {
        foreach (var target in AgreementCheck.RandomTargets(8, seed: 11))
        {
            var search = new RecipeSearch(TestData.White, target, 100) { MostColourants = 4, MustUse = ["umber-pod", "quince"], LeaveOut = ["rowan", "woad"] };
            Assert.All(RecipeFinder.Find(TestData.Cabinet, search), found =>
            {
                var ids = found.Recipe.Doses.Select(dose => dose.ColourantId).ToList();
                Assert.Contains("umber-pod", ids);
                Assert.Contains("quince", ids);
                Assert.DoesNotContain("rowan", ids);
                Assert.DoesNotContain("woad", ids);
            });
        }
    }

    [Fact]
    public void Food_status_diet_and_stock_are_kept()
    {
        foreach (var target in AgreementCheck.RandomTargets(8, seed: 12).Append(DustyWine.Target))
        {
            var found = RecipeFinder.Find(Mixed, DustyWine with { Target = target, EdibleOnly = true, Diets = [Diet.Vegan] });
            Assert.All(found.SelectMany(one => one.Recipe.Doses), dose =>
            {
                Assert.NotEqual("foxberry", dose.ColourantId);
                Assert.NotEqual("heather-bell", dose.ColourantId);
                if (dose.ColourantId == "bracken")
                    Assert.InRange(dose.GPer100g * DustyWine.PasteG / 100, 0, 0.02 + 1e-9);
            });
        }
    }

    [Fact]
    public void Several_pastes_are_never_worse_than_one()
    {
        string[] all = ["bright-white-paste", "soft-cream-paste", "pale-grey-paste"];
        foreach (var target in AgreementCheck.RandomTargets(5, seed: 13))
        {
            var together = RecipeFinder.Find(TestData.Cabinet, new RecipeSearch(all, target, 100))[0].Difference.DeltaE;
            var apart = all.Min(paste => RecipeFinder.Find(TestData.Cabinet, new RecipeSearch(paste, target, 100))[0].Difference.DeltaE);
            Assert.InRange(together, 0, apart + FinderResult.Allowance);
        }
    }

    public static TheoryData<string, RecipeSearch, SearchProblemCode> Impossible => new()
    {
        { "not a number", DustyWine with { Target = new Lab(double.NaN, 0, 0) }, SearchProblemCode.NotAColour },
        { "brighter than white", DustyWine with { Target = new Lab(101, 0, 0) }, SearchProblemCode.NoSurfaceIsThis },
        { "more vivid than light", DustyWine with { Target = new Lab(30, 120, 0) }, SearchProblemCode.NoSurfaceIsThis },
        { "no mass", DustyWine with { PasteG = 0 }, SearchProblemCode.MassOutOfRange },
        { "mass not a number", DustyWine with { PasteG = double.NaN }, SearchProblemCode.MassOutOfRange },
        { "a lorry load", DustyWine with { PasteG = 1e9 }, SearchProblemCode.MassOutOfRange },
        { "no colours at all", DustyWine with { MostColourants = 0 }, SearchProblemCode.CountOutOfRange },
        { "no paste", DustyWine with { BaseIds = [] }, SearchProblemCode.NoBase },
        { "a paste that is a dust", DustyWine with { BaseIds = ["nettle"] }, SearchProblemCode.UnknownMaterial },
        { "paste against the diet", DustyWine with { BaseIds = ["soft-cream-paste"], Diets = [Diet.Vegan] }, SearchProblemCode.BaseNotAllowed },
        { "used and left out", DustyWine with { MustUse = ["rowan"], LeaveOut = ["rowan"] }, SearchProblemCode.MustUseAndLeftOut },
        { "used against the diet", DustyWine with { MustUse = ["heather-bell"], Diets = [Diet.Vegan] }, SearchProblemCode.MustUseNotAllowed },
        { "used against the food status", DustyWine with { MustUse = ["foxberry"], EdibleOnly = true }, SearchProblemCode.MustUseNotAllowed },
        { "too many musts", DustyWine with { MustUse = ["rowan", "woad"], MostColourants = 1 }, SearchProblemCode.MustUseTooMany },
        { "everything left out", DustyWine with { LeaveOut = [.. Mixed.All.OfType<Colourant>().Select(c => c.Id)] }, SearchProblemCode.NothingLeft },
    };

    [Theory]
    [MemberData(nameof(Impossible))]
    public void What_cannot_be_is_named(string why, RecipeSearch search, SearchProblemCode code)
    {
        Assert.True(SearchCheck.Problems(search, Mixed).Any(problem => problem.Code == code), why);
        if (code == SearchProblemCode.NoSurfaceIsThis)
            Assert.NotEmpty(RecipeFinder.Find(Mixed, search));
        else
            Assert.Throws<ArgumentException>(() => RecipeFinder.Find(Mixed, search));
    }

    [Fact]
    public void An_empty_cabinet_says_so() => Assert.Contains(
        SearchCheck.Problems(DustyWine, new Materials(TestData.Cabinet.All.OfType<PasteBase>())), problem => problem.Code == SearchProblemCode.NoColours);

    [Fact]
    public void A_colour_that_must_be_used_and_has_run_out_is_named()
    {
        var empty = new Materials(TestData.Cabinet.All.Select(material => material.Id == "rowan" ? material with { Supply = new Supply(0, null) } : material));
        Assert.Contains(SearchCheck.Problems(DustyWine with { MustUse = ["rowan"] }, empty), problem => problem.Code == SearchProblemCode.MustUseOutOfStock);
        Assert.Empty(SearchCheck.Problems(DustyWine with { MustUse = ["rowan"], WithinStock = false }, empty));
    }
}
