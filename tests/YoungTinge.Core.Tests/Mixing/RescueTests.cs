using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Mixing;

public class RescueTests
{
    private static readonly Materials Cabinet = TestData.Cabinet;
    private static readonly PasteRecipe Wine = RecipeFinder.Find(Cabinet, new RecipeSearch(TestData.White, new Lab(60, 25, 5), 180))[0].Recipe;
    private static readonly Lab Target = TestData.ColourOf(Wine);
    private static readonly RecipeSearch Search = new(TestData.White, Target, 180);

    /// <summary>The right recipe with something else put in as well.</summary>
    public static TheoryData<string, double> Accidents => new()
    {
        { "rowan", 0.15 }, { "inkcap", 0.03 }, { "umber-pod", 0.1 }, { "woad", 0.04 }, { "quince", 0.5 }, { "oyster-shell", 1 }, { "frond", 0.1 },
    };

    [Theory]
    [MemberData(nameof(Accidents))]
    public void What_it_says_to_add_really_gets_there(string id, double gPer100g)
    {
        var rescue = Spoilt(id, gPer100g);
        Assert.False(rescue.IsThere);
        foreach (var plan in new[] { rescue.LeastMass, rescue.KeepAll }.OfType<RescuePlan>())
        {
            Assert.Equal(plan.TotalG, plan.KeepG + plan.WhiteG, 1e-9);
            Assert.InRange(plan.KeepG, 0, 180 + 1e-9);
            // Knead it by the plain optics: what was kept, fresh white, and the colours as they are measured.
            var batch = PasteOptics.Mix(Spoil(id, gPer100g), Cabinet);
            var white = Cabinet.Get<PasteBase>(TestData.White).Optics;
            var add = PasteOptics.Colour([.. plan.Add.Select(colour => new Dose(colour.ColourantId, colour.MeasuredG * 100 / plan.TotalG))], Cabinet);
            var kept = plan.KeepG / plan.TotalG;
            var face = Spectrum.From(band => KubelkaMunk.Opaque(
                kept * batch.Absorption[band] + (1 - kept) * white.Absorption[band] + add.Absorption[band],
                kept * batch.Scattering[band] + (1 - kept) * white.Scattering[band] + add.Scattering[band]));
            Assert.Equal(plan.Difference.DeltaE, DeltaE2000.Between(Target, Illuminant.D65.LabOf(face)), 1e-6);
            // The search gets within 0.8; whole units may add about one more.
            Assert.InRange(plan.Difference.DeltaE, 0, 2);
        }

        Assert.Equal(180, rescue.LeastMass.TotalG, 1e-9);
    }

    [Theory]
    [MemberData(nameof(Accidents))]
    public void No_other_share_of_the_batch_is_less_trouble(string id, double gPer100g)
    {
        var rescue = Spoilt(id, gPer100g);
        var rescuer = new Rescuer(new MadeBatch(Spoil(id, gPer100g), 180, null), Search, Wine, Cabinet, default);
        var chosen = rescuer.TroubleAt(rescue.LeastMass.KeepG / 180, Rescue.Near);
        Assert.All(Enumerable.Range(1, 40), i => Assert.InRange(chosen, 0, rescuer.TroubleAt(i / 40.0, Rescue.Near) + 0.15));
        // No powder by the spoonful.
        Assert.InRange(rescue.LeastMass.Add.Sum(colour => colour.Grams), 0, 1.8 * (0.5 + Wine.Doses.Sum(dose => dose.GPer100g)));
    }

    [Fact]
    public void A_good_batch_needs_nothing() => Assert.True(Rescue.Of(new MadeBatch(Wine, 180, null), Search, Cabinet).IsThere);

    [Fact]
    public void A_batch_full_of_black_is_better_begun_again()
    {
        var rescue = Spoilt("inkcap", 1.5);
        Assert.True(rescue.StartAgain);
        Assert.InRange(rescue.SavedShare, -1, Rescue.WorthIt);
    }

    [Fact]
    public void Too_little_of_a_good_batch_is_stretched_with_fresh_paste_and_colour()
    {
        var rescue = Rescue.Of(new MadeBatch(Wine, 60, null), Search, Cabinet);
        Assert.False(rescue.IsThere);
        Assert.Equal(60, rescue.LeastMass.KeepG, 1e-6);
        Assert.Equal(120, rescue.LeastMass.WhiteG, 1e-6);
        Assert.False(rescue.StartAgain);
    }

    [Fact]
    public void A_measured_colour_is_believed_over_the_recipe()
    {
        foreach (var measured in new[] { new Lab(50, 28, 3), new Lab(68, 15, 10), new Lab(58, 25, -6) })
        {
            var optics = new MadeBatch(Wine, 180, measured).Optics(Cabinet);
            var seen = Illuminant.D65.LabOf(KubelkaMunk.Opaque(optics));
            Assert.InRange(DeltaE2000.Between(measured, seen), 0, 0.02);
            Assert.InRange(Rescue.Of(new MadeBatch(Wine, 180, measured), Search, Cabinet).LeastMass.Difference.DeltaE, 0, 2);
        }
    }

    [Fact]
    public void A_batch_without_mass_is_refused() =>
        Assert.Throws<ArgumentException>(() => Rescue.Of(new MadeBatch(Wine, 0, null), Search, Cabinet));

    private static PasteRecipe Spoil(string id, double gPer100g) => Wine with { Doses = [.. Wine.Doses, new Dose(id, gPer100g)] };

    private static Rescue Spoilt(string id, double gPer100g) => Rescue.Of(new MadeBatch(Spoil(id, gPer100g), 180, null), Search, Cabinet);
}
