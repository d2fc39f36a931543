using YoungTinge.Checks;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Tests.Mixing;

/// <summary>Searches tell how far they are, can be stopped on their way, and do better the more they may use.</summary>
public class LongSearchTests
{
    private static readonly RecipeSearch Deep = new(["bright-white-paste", "pale-grey-paste"], new Lab(30, 35, -20), 100) { MostColourants = 4 };
    private static readonly MadeBatch Spoilt = new(TestData.Recipe(("rowan", 0.3), ("inkcap", 0.1)), 100, null);

    [Fact]
    public void Progress_grows_from_nothing_to_all()
    {
        foreach (var work in new Action<Action<double>>[]
        {
            tell => RecipeFinder.Find(TestData.Cabinet, Deep, tell),
            tell => Rescue.Of(Spoilt, Deep with { Target = new Lab(65, 30, 10) }, TestData.Cabinet, tell),
        })
        {
            var shares = new List<double>();
            work(shares.Add);
            Assert.True(shares.Count > 3);
            Assert.Equal(shares.Order(), shares);
            Assert.InRange(shares[0], 0, 0.5);
            Assert.InRange(shares[^1], 0.85, 1);
        }
    }

    [Fact]
    public void A_search_stops_on_its_way()
    {
        using var stop = new CancellationTokenSource();
        Assert.Throws<OperationCanceledException>(() => RecipeFinder.Find(TestData.Cabinet, Deep, _ => stop.Cancel(), stop.Token));
        using var stopRescue = new CancellationTokenSource();
        Assert.Throws<OperationCanceledException>(() => Rescue.Of(Spoilt, Deep, TestData.Cabinet, _ => stopRescue.Cancel(), stopRescue.Token));
    }

    [Fact]
    public void A_larger_shelf_and_more_stock_never_do_worse()
    {
        var scarce = new Materials(TestData.Cabinet.All.Select(material => material is Colourant ? material with { Supply = new Supply(0.3, null) } : material));
        foreach (var target in AgreementCheck.RandomTargets(8, seed: 21))
        {
            var search = new RecipeSearch(TestData.White, target, 100);
            var plenty = RecipeFinder.Find(TestData.Cabinet, search)[0].Difference.DeltaE;
            Assert.InRange(plenty, 0, RecipeFinder.Find(scarce, search)[0].Difference.DeltaE + FinderResult.Allowance);
            Assert.Equal(plenty, RecipeFinder.Find(scarce, search with { WithinStock = false })[0].Difference.DeltaE, FinderResult.Allowance);
            Assert.InRange(RecipeFinder.Find(WideCabinet.With(40), search)[0].Difference.DeltaE, 0, plenty + FinderResult.Allowance);
        }
    }

    [Fact]
    public void A_dose_too_large_to_count_is_weighed()
    {
        var batch = DosedRecipe.For(TestData.Recipe(("heather-bell", 2.5)), 1000, TestData.Cabinet);
        Assert.True(batch.Colours[0].Units!.IsTooMany);
        Assert.Equal(25, batch.Colours[0].MeasuredG, 1e-9);
        Assert.Equal(0, batch.RoundingDeltaE, 1e-9);
    }
}
