using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Cabinet;

/// <summary>Paste as it rests and dries, and what is laid on it in turn.</summary>
public class PasteAgeTests
{
    private static readonly Colourant[] Colourants = [.. TestData.Cabinet.All.OfType<Colourant>()];

    [Fact]
    public void Colour_comes_out_steadily_as_paste_rests() =>
        Gen.Select(Gen.Int[0, Colourants.Length - 1], Gen.Double[0.02, 3]).Holds((colour, dose) =>
        {
            var recipe = TestData.Recipe((Colourants[colour].Id, dose));
            var shares = new[] { 0.0, 1, 4, 12, 48 }.Select(hours => PasteOptics.Mix(recipe, TestData.Cabinet, hours).Absorption.Values.ToArray().Sum()).ToList();
            Assert.Equal(shares.Order(), shares);
            Assert.InRange(shares[^1], 0, PasteOptics.Mix(recipe, TestData.Cabinet).Absorption.Values.ToArray().Sum() + 1e-9);
        });

    [Fact]
    public void Drying_pales_a_deep_paste_a_little_and_a_white_one_hardly()
    {
        Assert.InRange(DriedOff(TestData.Recipe()), 0, 0.3);
        Assert.All(Colourants.Where(colour => colour.Id != "oyster-shell"), colour => Assert.InRange(DriedOff(TestData.Recipe((colour.Id, 2))), 0.1, 1.5));

        static double DriedOff(PasteRecipe recipe)
        {
            var dried = Illuminant.D65.LabOf(KubelkaMunk.Opaque(PasteOptics.Dried(recipe, TestData.Cabinet)));
            var rested = TestData.ColourOf(recipe);
            Assert.True(dried.L >= rested.L - 1e-9);
            return DeltaE2000.Between(rested, dried);
        }
    }

    [Fact]
    public void Steam_acts_on_no_wash_and_no_glaze()
    {
        var wash = new WashLayer(PasteOptics.Colour([new Dose("rowan", 0.5)], TestData.Cabinet), 0.15);
        var glaze = new GlazeLayer(TestData.Cabinet.Get<Glaze>("satin-veil").Optics, 1);
        Assert.Equal(Face(wash, glaze), Face(wash, glaze, new SteamLayer()));
    }

    [Fact]
    public void A_layer_that_is_not_there_leaves_the_face_bare()
    {
        var wash = new WashLayer(PasteOptics.Colour([new Dose("rowan", 0.5)], TestData.Cabinet), 0.15);
        var nettle = TestData.Cabinet.Get<Dust>("nettle");
        var dust = new DustLayer(nettle.Optics, nettle.WetScattering, 0.3);
        Assert.Equal(Face(wash), Laid([dust, wash], layer => layer == 0 ? 0 : 1));
        Assert.NotEqual(Face(wash), Face(dust, wash));
    }

    private static double[] Face(params Layer[] layers) => Laid(layers, _ => 1);

    private static double[] Laid(Layer[] layers, Func<int, double> shareOf)
    {
        var paste = PasteOptics.Mix(TestData.Recipe(("quince", 0.2)), TestData.Cabinet);
        var face = KubelkaMunk.Opaque(paste).Values.ToArray();
        new LayerStack(paste, layers).LayOn(face, shareOf);
        return face;
    }
}
