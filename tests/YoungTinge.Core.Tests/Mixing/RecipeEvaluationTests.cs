using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Mixing;

public class RecipeEvaluationTests
{
    private static readonly PasteRecipe Leaf = TestData.Recipe(("frond", 0.5), ("umber-pod", 0.15));

    [Fact]
    public void Paste_is_palest_as_kneaded_and_a_little_chalkier_when_dry()
    {
        var ages = RecipeEvaluation.Of(Leaf, new Lab(50, -20, 20), 100, LightKind.Daylight, TestData.Cabinet).Ages.ToDictionary(age => age.Age, age => age.Colour.L);
        Assert.True(ages[PasteAge.Kneaded] > ages[PasteAge.Rested]);
        Assert.InRange(ages[PasteAge.Dried] - ages[PasteAge.Rested], 0.1, 2);
    }

    [Fact]
    public void Each_colour_is_told_by_what_it_does()
    {
        var effects = Look(TestData.Recipe(("frond", 0.5), ("umber-pod", 0.15))).Effects;
        Assert.Equal(EffectKind.Colours, effects[0].Kind);
        Assert.True(effects[1] is { Kind: EffectKind.Mutes or EffectKind.Deepens, Chroma: < -4 });
        Assert.Equal(EffectKind.Lightens, Look(TestData.Recipe(("foxberry", 1), ("oyster-shell", 3))).Effects[1].Kind);
        Assert.Equal(EffectKind.Deepens, Look(TestData.Recipe(("slatewing", 0.5), ("inkcap", 0.3))).Effects[1].Kind);
    }

    [Fact]
    public void Two_recipes_alike_by_day_part_under_other_lights()
    {
        var target = new Lab(70, -8, 14);
        var parted = RecipeFinder.Find(TestData.Cabinet, new RecipeSearch(TestData.White, target, 100))
            .Select(found => RecipeEvaluation.Of(found.Recipe, target, 100, LightKind.Candle, TestData.Cabinet)).ToList();
        Assert.All(parted, look =>
        {
            Assert.Equal(6, look.UnderLights.Count);
            Assert.InRange(look.UnderLights.First(lit => lit.Light == LightKind.Daylight).Difference.DeltaE, 0, 1);
            Assert.Equal(look.UnderLights.First(lit => lit.Light == LightKind.Candle).Colour, look.Ages.First(age => age.Age == PasteAge.Rested).Colour);
        });
        Assert.Contains(parted, look => look.UnderLights.Max(lit => lit.Difference.DeltaE) > 0.5);
    }

    [Fact]
    public void Cost_is_summed_and_unknown_when_a_price_is_missing()
    {
        var priced = new Materials(TestData.Cabinet.All.Select(material => material with { Supply = new Supply(null, material is PasteBase ? 0.02 : 0.5) }));
        Assert.Equal(180 * 0.02 + 180 * 0.0065 * 0.5, RecipeEvaluation.CostOf(Leaf, 180, priced)!.Value, 1e-9);
        Assert.Null(RecipeEvaluation.CostOf(Leaf, 180, TestData.Cabinet));
    }

    [Fact]
    public void A_dose_over_its_limit_gets_other_ways_each_within_limits()
    {
        var search = new RecipeSearch(TestData.White, new Lab(40, 50, 20), 100);
        var byDust = 0;
        foreach (var colourant in TestData.Cabinet.All.OfType<Colourant>())
        {
            var limit = colourant.LoadLimitGPer100g;
            Assert.Empty(DepthAlternatives.For(TestData.Recipe((colourant.Id, limit)), search, TestData.Cabinet));
            var tooDeep = TestData.Recipe((colourant.Id, 2 * limit));
            var atLimit = DeltaE2000.Between(TestData.ColourOf(tooDeep), TestData.ColourOf(TestData.Recipe((colourant.Id, limit))));
            var ways = DepthAlternatives.For(tooDeep, search, TestData.Cabinet).ToDictionary(way => way.Way);
            Assert.InRange(ways[DepthWay.MadeIntoPaste].Difference.DeltaE, 0, atLimit);
            if (!ways.TryGetValue(DepthWay.Dust, out var dust))
                continue;
            byDust++;
            Assert.InRange(dust.Recipe.Doses[0].GPer100g, 0, limit);
            Assert.InRange(dust.Difference.DeltaE, 0, atLimit);
        }

        Assert.InRange(byDust, 12, 24);
    }

    [Theory]
    [InlineData(42, 58, -15)] // magenta
    [InlineData(25, 33, -40)] // deep violet
    [InlineData(19, 12, -30)] // navy
    public void Dust_and_glaze_go_on_where_paste_ends(double l, double a, double b)
    {
        var search = new RecipeSearch(TestData.White, new Lab(l, a, b), 100);
        var found = RecipeFinder.Find(TestData.Cabinet, search);
        var beyond = RecipeFinder.Beyond(found, search, TestData.Cabinet)!;
        Assert.True(beyond.DeltaE < found[0].Difference.DeltaE - 0.5, $"{found[0].Difference.DeltaE} by paste, {beyond.DeltaE} beyond it");
        Assert.All(beyond.Passes, pass => Assert.InRange(pass.LoadMgPerCm2, 0, TestData.Cabinet.Get<Dust>(pass.DustId).LoadLimitMgPerCm2 + 1e-9));
        // What may not be used is not, and a target that is reached needs nothing.
        Assert.Null(SurfaceFinishSearch.Find([found[0].Recipe], search.Target, TestData.Cabinet, _ => false));
        Assert.Null(RecipeFinder.Beyond(found, search with { Target = found[0].Colour }, TestData.Cabinet) is { DeltaE: > 1 } worse ? worse : null);
    }

    [Fact]
    public void Every_ladder_of_a_gel_goes_steadily_darker()
    {
        var paste = TestData.Cabinet.Get<PasteBase>(TestData.White);
        Assert.All(TestData.Cabinet.All.OfType<Colourant>().Where(colourant => colourant.Id != "oyster-shell"), colourant =>
        {
            var ladder = DoseLadder.Of(colourant, paste, TestData.Cabinet);
            Assert.Equal(DoseLadder.Rungs, ladder.Count);
            Assert.Equal(colourant.LoadLimitGPer100g, ladder[^1].GPer100g, 1e-9);
            Assert.Equal(ladder.Select(rung => rung.Colour.L).OrderDescending(), ladder.Select(rung => rung.Colour.L));
        });
    }

    [Fact]
    public void Every_named_swatch_is_a_colour_that_a_surface_can_have() =>
        Assert.All(NamedSwatches.All, swatch => Assert.True(ObjectColourSolid.Contain(swatch.Colour), swatch.Id));

    private static RecipeEvaluation Look(PasteRecipe recipe) => RecipeEvaluation.Of(recipe, new Lab(60, 0, 0), 100, LightKind.Daylight, TestData.Cabinet);

    /// <summary>What is promised is what the layers come to that it names: dust as steam and glaze leave it.</summary>
    [Fact]
    public void What_dust_and_glaze_promise_is_what_they_come_to() => Gen.Select(Gen.Double[15, 80], Gen.Double[-50, 60], Gen.Double[-50, 60]).Holds(
        (l, a, b) =>
        {
            var target = ObjectColourSolid.Nearest(new Lab(l, a, b));
            var pastes = new[] { TestData.Recipe(), TestData.Recipe(("rowan", 1)), TestData.Recipe(("frond", 0.5)) };
            if (SurfaceFinishSearch.Find(pastes, target, TestData.Cabinet, _ => true, worthAStep: 0.05) is not { } found)
                return;
            Layer[] layers =
            [
                .. found.Passes.Select(pass => new DustLayer(TestData.Cabinet.Get<Dust>(pass.DustId).Optics, TestData.Cabinet.Get<Dust>(pass.DustId).WetScattering, pass.LoadMgPerCm2)),
                new SteamLayer(),
                .. found.GlazeId is { } glaze ? new Layer[] { new GlazeLayer(TestData.Cabinet.Get<Glaze>(glaze).Optics, 1) } : [],
            ];
            var paste = PasteOptics.Mix(found.Paste, TestData.Cabinet);
            var face = KubelkaMunk.Opaque(paste).Values.ToArray();
            new LayerStack(paste, layers).LayOn(face, _ => 1);
            Assert.Equal(0, DeltaE2000.Between(found.Colour, Illuminant.D65.LabOf(new Spectrum(face))), 1e-6);
        },
        turns: 30);
}
