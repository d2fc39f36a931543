using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;
using YoungTinge.Core.Work;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Work;

/// <summary>What a hand measures beside the plain weights: long measures, glasses to dip in, shaken crumbs, and all the colour of a paste.</summary>
public class BenchMeasureTests
{
    private static readonly Materials Stocked = new(TestData.Cabinet.All
        .Append(new Crumb(new Label("crumb", "Crumb", "sugar", FoodStatus.Edible), Spectrum.From(_ => 0.5)))
        .Append(new Adhesive(new Label("glue", "Glue", "gum", FoodStatus.Edible))));

    private static PlannedWork Work(params Coat[] coats) => new(Guid.NewGuid(), Petal, 4, Plan(coats));

    private static Pot PotOf(params Coat[] coats) => Assert.Single(TestWork.Graph([TestWork.Flower(Work(coats))], Stocked).Steps<MixPot>()).Pot;

    [Fact]
    public void A_long_measure_beside_a_short_one_goes_on_the_scale()
    {
        var pot = PotOf(new DustCoat(Guid.NewGuid(), [new("plain-cornstarch", 25), new("wine-lees", 1)], 0.02, Place.Whole, Sides.Face));
        var (starch, colour) = (pot.Parts.Single(part => part.MaterialId == "plain-cornstarch"), pot.Parts.Single(part => part.MaterialId == "wine-lees"));
        Assert.Equal((HandUnit.Grams, HandUnit.KnifeTips, 1.0), (starch.Amount.Unit, colour.Amount.Unit, colour.Amount.Count));
        Assert.InRange(starch.Amount.Grams / colour.Amount.Grams / starch.Parts, 0.95, 1.05);
    }

    [Fact]
    public void A_dip_says_the_glass_and_what_stays_on_the_pieces()
    {
        var dip = Assert.Single(TestWork.Graph([TestWork.Flower(Work(Glaze("pond-dip")))]).Steps<GlazePieces>());
        Assert.True(dip.Dip!.AcrossMm > Petal.WidthMm && dip.Dip.DeepMm > Petal.LengthMm);
        Assert.Equal(Math.PI / 4 * dip.Dip.AcrossMm * dip.Dip.AcrossMm * dip.Dip.DeepMm / 1000, dip.Dip.Ml, 1);
        Assert.True(dip.Ml < dip.Dip.Ml);
        Assert.Equal([new MaterialTake("pond-dip", dip.Ml)], dip.Takes());
        Assert.Null(Assert.Single(TestWork.Graph([TestWork.Flower(Work(Glaze()))]).Steps<GlazePieces>()).Dip);
        // Tinted, all of the glass is mixed: its strength is that of the pot.
        var tinted = PotOf(Glaze("pond-dip") with { Tint = new TintMix([new("wine-lees", 1)], 0.1) });
        Assert.InRange(tinted.Ml!.Value, 0.95 * dip.Dip.Ml, 2 * dip.Dip.Ml);
    }

    [Fact]
    public void Crumbs_shaken_with_dust_take_its_colour_and_are_one_mix()
    {
        var crumb = Stocked.All.OfType<Crumb>().First();
        var glue = Stocked.All.OfType<Adhesive>().First();
        PollenCoat Pollen(CrumbTint? tint) => new(Guid.NewGuid(), crumb.Id, glue.Id, 1, Place.Whole, Sides.Face) { Tint = tint };
        Lab Seen(PollenCoat coat) => new ZoneColourEvaluator(new ResolvedPlan(Plan(coat), Stocked), Petal.Shape()).See(Zone.Tip);
        var (plain, weak, strong) = (Seen(Pollen(null)), Seen(Pollen(new("wine-lees", CrumbTint.MostToOne))), Seen(Pollen(new("wine-lees", CrumbTint.FewestToOne))));
        var dust = Illuminant.D65.LabOf(KubelkaMunk.Opaque(Stocked.Get<Dust>("wine-lees").Optics));
        Assert.Equal(Illuminant.D65.LabOf(crumb.Reflectance).L, plain.L, 0.5);
        Assert.True(DeltaE2000.Between(strong, dust) < DeltaE2000.Between(weak, dust) && DeltaE2000.Between(weak, dust) < DeltaE2000.Between(plain, dust));
        var pot = PotOf(Pollen(new("wine-lees", 15)));
        Assert.Equal((PassKind.Pollen, 15), (pot.Kind, pot.Parts.Max(part => part.Parts)));
        Assert.True(pot.PowderG >= pot.NeededG);
        Assert.Equal(["coats[0].tint.crumbsToOne TintPartsOutOfRange", "coats[0].tint.dustId UnknownMaterial"],
            PlanCheck.Problems(Plan(Pollen(new("no-such", 3))), Stocked).Select(problem => $"{problem.Path} {problem.Code}").Order());
    }

    [Fact]
    public void Cross_bars_lie_across_at_their_spacing()
    {
        var shape = Petal.Shape();
        var bars = MarkingShapes.Of(new Marking(MarkingKind.CrossBars, 1, 8, 0, Seed: 1), Place.Whole, shape);
        Assert.Equal((int)Math.Round(shape.LengthMm / 8), bars.Count);
        Assert.All(bars, bar => Assert.True(bar.Ring.Max(at => at.X) - bar.Ring.Min(at => at.X) > 3 * (bar.Ring.Max(at => at.Y) - bar.Ring.Min(at => at.Y))));
        var middles = bars.Select(bar => bar.Ring.Average(at => at.Y)).ToList();
        Assert.All(middles.Zip(middles.Skip(1)), pair => Assert.Equal(shape.LengthMm / bars.Count, pair.Second - pair.First, 1e-6));
        // Only where its place lies.
        Assert.All(MarkingShapes.Of(new Marking(MarkingKind.CrossBars, 1, 4, 0, Seed: 1), new Place(PlaceKind.Tip, 0, 0.3, 0), shape), bar => Assert.True(bar.Ring.Min(at => at.Y) > 0.6 * shape.LengthMm));
    }

    [Fact]
    public void All_colour_of_a_paste_together_has_a_limit_too()
    {
        PasteRecipe Of(params (string Id, double Grams)[] doses) => new("bright-white-paste", [.. doses.Select(dose => new Dose(dose.Id, dose.Grams))]);
        var gels = TestData.Cabinet.All.OfType<Colourant>().Where(colour => colour.Label.Form == "gel").Take(3).Select(colour => (colour.Id, 0.9 * colour.LoadLimitGPer100g)).ToArray();
        var powders = TestData.Cabinet.All.OfType<Colourant>().Where(colour => colour.IsPowder).Select(colour => (colour.Id, 0.9 * colour.LoadLimitGPer100g)).ToArray();
        List<AdviceCode> Told(PasteRecipe recipe) => [.. PlanAdvisor.For(new ResolvedPlan(Plan() with { Paste = recipe }, TestData.Cabinet), DosedRecipe.For(recipe, 100, TestData.Cabinet))
            .Select(advice => advice.Code).Where(code => code is AdviceCode.PasteTooWet or AdviceCode.PasteTooDry)];
        Assert.Equal([AdviceCode.PasteTooWet], Told(Of(gels)));
        Assert.Empty(Told(Of(gels[..1])));
        Assert.Equal(powders.Sum(dose => dose.Item2) > PasteLoad.MaxPowderGPer100g ? [AdviceCode.PasteTooDry] : [], Told(Of(powders)));
        // No dose by itself is over its limit, and still the ways round are shown, each within the load.
        var ways = DepthAlternatives.For(Of(gels), new RecipeSearch("bright-white-paste", TestData.ColourOf(Of(gels)), 100), TestData.Cabinet);
        Assert.Contains(ways, way => way.Way == DepthWay.Dust);
        Assert.All(ways.Where(way => way.Way == DepthWay.Dust), way => Assert.False(PasteLoad.Of(way.Recipe, TestData.Cabinet).IsTooWet));
        // A powder among them is not in the way of the gels, and keeps its dose.
        var mixed = Of([.. gels, powders[0]]);
        var kept = DepthAlternatives.For(mixed, new RecipeSearch("bright-white-paste", TestData.ColourOf(mixed), 100), TestData.Cabinet).Where(way => way.Way == DepthWay.Dust);
        Assert.All(kept, way => Assert.Equal(powders[0].Item2, way.Recipe.Doses[^1].GPer100g, 1e-9));
        Assert.True(RecipeEvaluation.IsTooDeep(Of(gels), TestData.Cabinet));
    }
}
