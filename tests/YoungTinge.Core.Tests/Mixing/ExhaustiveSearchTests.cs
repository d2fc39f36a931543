using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Tests.Mixing;

/// <summary>The finder against a search that tries everything: slow, but it cannot go the wrong way.</summary>
public class ExhaustiveSearchTests
{
    private static readonly string[] Ids = ["gorse", "rowan", "woad", "frond", "umber-pod", "oyster-shell"];

    private static readonly Materials SmallCabinet = new(
        TestData.Cabinet.All.Where(material => material is PasteBase || Ids.Contains(material.Id)));

    public static TheoryData<double, double, double> Targets => new()
    {
        { 88, -6, 16 }, { 70, 30, 10 }, { 62, -30, 20 }, { 55, 5, -30 }, { 45, 40, 25 }, { 92, 0, 3 },
        { 30, 0, 0 }, { 75, -45, 50 }, { 60, 60, -10 }, { 82, 2, 60 },
    };

    [Theory]
    [MemberData(nameof(Targets))]
    public void The_finder_misses_nothing_among_pairs(double l, double a, double b)
    {
        var target = new Lab(l, a, b);
        var found = RecipeFinder.Find(SmallCabinet, new RecipeSearch("bright-white-paste", target, 100) { MostColourants = 2 });
        var best = double.PositiveInfinity;
        for (var i = 0; i < Ids.Length; i++)
        {
            for (var j = i + 1; j < Ids.Length; j++)
                best = Math.Min(best, BestOfPair(target, Ids[i], Ids[j]));
        }

        Assert.InRange(found[0].Difference.DeltaE, 0, best + 0.05);
    }

    /// <summary>A coarse grid over both doses, then ever finer ones round its best point.</summary>
    private static double BestOfPair(Lab target, string one, string two)
    {
        double maxOne = TestData.Cabinet.Get<Colourant>(one).LoadLimitGPer100g, maxTwo = TestData.Cabinet.Get<Colourant>(two).LoadLimitGPer100g;
        double lowOne = 0, highOne = 1, lowTwo = 0, highTwo = 1, best = double.PositiveInfinity;
        for (var pass = 0; pass < 7; pass++)
        {
            double atOne = 0, atTwo = 0;
            const int steps = 24;
            for (var i = 0; i <= steps; i++)
            {
                for (var j = 0; j <= steps; j++)
                {
                    double x = lowOne + (highOne - lowOne) * i / steps, y = lowTwo + (highTwo - lowTwo) * j / steps;
                    // Cubes of the position: small doses move the colour most.
                    var deltaE = DeltaEOf(target, one, maxOne * x * x * x, two, maxTwo * y * y * y);
                    if (deltaE < best)
                        (best, atOne, atTwo) = (deltaE, x, y);
                    else if (i == 0 && j == 0)
                        (atOne, atTwo) = (x, y);
                }
            }

            double halfOne = (highOne - lowOne) / 8, halfTwo = (highTwo - lowTwo) / 8;
            (lowOne, highOne) = (Math.Max(0, atOne - halfOne), Math.Min(1, atOne + halfOne));
            (lowTwo, highTwo) = (Math.Max(0, atTwo - halfTwo), Math.Min(1, atTwo + halfTwo));
        }

        return best;
    }

    private static double DeltaEOf(Lab target, string one, double doseOne, string two, double doseTwo)
    {
        var recipe = new PasteRecipe("bright-white-paste", [new Dose(one, doseOne), new Dose(two, doseTwo)]);
        return DeltaE2000.Between(target, PasteOptics.ColourOf(recipe, SmallCabinet));
    }
}
