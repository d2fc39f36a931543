using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Optics;

/// <summary>What must hold for every layer, whatever its materials.</summary>
public class LayerTests
{
    private static readonly Gen<Spectrum> Reflectances = Gen.Double[0, 1].Array[SpectralGrid.Bands].Select(values => new Spectrum(values));
    private static readonly Gen<Dust> Dusts = OneOf<Dust>();
    private static readonly Gen<Colourant> Colourants = OneOf<Colourant>();
    private static readonly Gen<Glaze> Glazes = OneOf<Glaze>();

    private static Gen<T> OneOf<T>() where T : Material
    {
        var all = TestData.Cabinet.All.OfType<T>().ToList();
        return Gen.Int[0, all.Count - 1].Select(i => all[i]);
    }

    [Fact]
    public void The_fast_layer_agrees_with_the_plain_one() =>
        Gen.Select(Dusts, Reflectances, Gen.Double[-12, 4]).Holds((dust, below, log) =>
        {
            var load = Math.Exp(log);
            var expected = KubelkaMunk.Layer(dust.Optics.Absorption, dust.Optics.Scattering, load, below);
            var actual = below.Values.ToArray();
            new DustFilm(dust.Optics).LayOn(actual, load);
            for (var band = 0; band < actual.Length; band++)
                Assert.Equal(expected[band], actual[band], 1e-12);
        });

    [Theory]
    [InlineData(0, 1)] // no absorption
    [InlineData(1, 0)] // no scattering
    [InlineData(0, 0)]
    [InlineData(1e-14, 1)]
    [InlineData(1e6, 1)]
    public void The_fast_layer_agrees_at_the_edges(double k, double s)
    {
        var optics = new KubelkaMunkSpectra(Spectrum.From(_ => k), Spectrum.From(_ => s));
        foreach (var load in new[] { 1e-9, 0.01, 0.6, 50 })
        {
            foreach (var below in new[] { 0, 0.5, 1.0 })
            {
                var actual = Enumerable.Repeat(below, SpectralGrid.Bands).ToArray();
                new DustFilm(optics).LayOn(actual, load);
                Assert.Equal(KubelkaMunk.Layer(k, s, load, below), actual[7], 1e-12);
            }
        }
    }

    [Fact]
    public void No_load_changes_nothing() => Gen.Select(Dusts, Reflectances).Holds((dust, below) =>
    {
        var face = below.Values.ToArray();
        new DustFilm(dust.Optics).LayOn(face, 0);
        Assert.Equal(below.Values, face);
        for (var band = 0; band < SpectralGrid.Bands; band++)
            Assert.Equal(below[band], KubelkaMunk.Layer(dust.Optics.Absorption[band], dust.Optics.Scattering[band], 0, below[band]), 1e-15);
    });

    [Fact]
    public void Any_layer_reflects_between_nothing_and_everything() =>
        Gen.Select(Dusts, Reflectances, Gen.Double[0, 5]).Holds((dust, below, load) =>
        {
            var face = below.Values.ToArray();
            new DustFilm(dust.Optics).LayOn(face, load);
            Assert.All(face, r => Assert.InRange(r, 0, 1));
        });

    [Fact]
    public void Two_thin_layers_are_one_thick_layer() =>
        Gen.Select(Dusts, Reflectances, Gen.Double[0.01, 0.3], Gen.Double[0.01, 0.3]).Holds((dust, below, first, second) =>
        {
            var film = new DustFilm(dust.Optics);
            var twice = below.Values.ToArray();
            film.LayOn(twice, first);
            film.LayOn(twice, second);
            var once = below.Values.ToArray();
            film.LayOn(once, first + second);
            for (var band = 0; band < once.Length; band++)
                Assert.Equal(once[band], twice[band], 1e-9);
        });

    [Fact]
    public void More_dye_never_raises_the_reflectance() =>
        Gen.Select(Colourants.Where(c => c.Id != "oyster-shell"), Gen.Double[0, 2], Gen.Double[0.001, 1]).Holds((dye, dose, more) =>
        {
            // A pigment also scatters: only where its own paint is darker than the paste must it darken.
            var less = PasteOptics.Reflectance(new PasteRecipe("bright-white-paste", [new Dose(dye.Id, dose)]), TestData.Cabinet);
            var stronger = PasteOptics.Reflectance(new PasteRecipe("bright-white-paste", [new Dose(dye.Id, dose + more)]), TestData.Cabinet);
            for (var band = 0; band < SpectralGrid.Bands; band++)
            {
                if (KubelkaMunk.Opaque(dye.Optics.Absorption[band], dye.Optics.Scattering[band]) <= less[band])
                    Assert.True(stronger[band] <= less[band] + 1e-12);
            }
        });

    [Fact]
    public void Rest_only_deepens() => Gen.Select(Colourants, Gen.Double[0.05, 2], Gen.Double[0, 48]).Holds((dye, dose, hours) =>
    {
        var recipe = new PasteRecipe("bright-white-paste", [new Dose(dye.Id, dose)]);
        var fresh = PasteOptics.Reflectance(recipe, TestData.Cabinet, 0);
        var rested = PasteOptics.Reflectance(recipe, TestData.Cabinet, hours);
        var full = PasteOptics.Reflectance(recipe, TestData.Cabinet);
        for (var band = 0; band < SpectralGrid.Bands; band++)
        {
            Assert.True(rested[band] <= fresh[band] + 1e-12);
            Assert.True(full[band] <= rested[band] + 1e-12);
        }
    });

    [Fact]
    public void Glaze_never_brightens_and_no_coat_changes_nothing() =>
        Gen.Select(Glazes, Reflectances, Gen.Int[1, 5]).Holds((glaze, below, coats) =>
        {
            var glazed = below.Values.ToArray();
            new GlazeFilm(glaze.Optics, coats).LayOn(glazed);
            var untouched = below.Values.ToArray();
            new GlazeFilm(glaze.Optics, 0).LayOn(untouched);
            for (var band = 0; band < glazed.Length; band++)
            {
                Assert.True(glazed[band] <= below[band] + 1e-15);
                Assert.Equal(below[band], untouched[band], 1e-15);
            }
        });

    [Fact]
    public void A_second_steaming_changes_nothing_more()
    {
        var steam = new SteamLayer();
        Assert.Equal(Laid(Dust("wine-lees"), steam), Laid(Dust("wine-lees"), steam, steam));
        // Dust laid on after the steam is not steamed.
        Assert.NotEqual(Laid(Dust("wine-lees"), steam, Dust("nettle")), Laid(Dust("wine-lees"), Dust("nettle"), steam));
    }

    private static DustLayer Dust(string id, double loadMgPerCm2 = 0.2)
    {
        var dust = TestData.Cabinet.Get<Dust>(id);
        return new(dust.Optics, dust.WetScattering, loadMgPerCm2);
    }

    private static double[] Laid(params Layer[] layers) => Laid(layers, _ => 1);

    private static double[] Laid(Layer[] layers, Func<int, double> shareOf, KubelkaMunkSpectra? paste = null)
    {
        paste ??= TestData.Cabinet.Get<PasteBase>(TestData.White).Optics;
        var face = KubelkaMunk.Opaque(paste).Values.ToArray();
        new LayerStack(paste, layers).LayOn(face, shareOf);
        return face;
    }

    /// <summary>Figures of the design for what makers see: red dust glows on a dipped deep berry, pale dust on white stays as it is.</summary>
    [Fact]
    public void Glaze_soaks_dust_into_a_clear_film()
    {
        var berry = PasteOptics.Mix(TestData.Recipe(("rowan", 2.5), ("inkcap", 0.1)), TestData.Cabinet);
        var dip = new GlazeLayer(TestData.Cabinet.Get<Glaze>("pond-dip").Optics, 1);
        double Chroma(params Layer[] layers) => LabOf(Laid(layers, _ => 1, berry)).Chroma;
        Assert.True(Chroma(Dust("haw"), dip) > Chroma(dip) + 2);
        // The same dust laid on when the glaze is dry hides the berry.
        Assert.True(Chroma(dip, Dust("haw")) < Chroma(Dust("haw"), dip));
        Assert.InRange(DeltaE2000.Between(LabOf(Laid(Dust("sainfoin", 0.05), dip)), LabOf(Laid([new DustLayer(TestData.Cabinet.Get<Dust>("sainfoin").Optics, TestData.Cabinet.Get<Dust>("sainfoin").Optics.Scattering, 0.05), dip]))), 0, 0.2);
    }

    private static Lab LabOf(double[] face) => Illuminant.D65.LabOf(new Spectrum(face));

    /// <summary>Washes with nothing between them: order does not matter, halves make one whole, a trace changes next to nothing.</summary>
    [Fact]
    public void Washes_share_one_skin() =>
        Gen.Select(Gen.Select(Colourants, Gen.Double[0, 2]).Array[2, 4], Gen.Bool, Gen.Double[0.05, 0.3]).Holds((washes, isDusted, depthMm) =>
        {
            Layer[] below = isDusted ? [Dust("nettle")] : [];
            WashLayer[] layers = [.. washes.Select(wash => Wash(wash.Item1, wash.Item2, depthMm))];
            var all = Laid([.. below, .. layers]);
            // Steam between them lays nothing on.
            AssertAlike(all, Laid([.. below, .. layers.Reverse().SelectMany<WashLayer, Layer>(wash => [wash, new SteamLayer()]).SkipLast(1)]), isDusted ? 1 : 1e-12);
            Layer[] halves = [.. below, .. washes.SelectMany(wash => Enumerable.Repeat(Wash(wash.Item1, wash.Item2 / 2, depthMm), 2))];
            AssertAlike(all, Laid(halves), 1e-12);
            AssertAlike(all, Laid([.. below, .. layers, Wash(washes[0].Item1, 1e-6, depthMm)]), 1e-4);
        });

    /// <summary>Strokes that hide a share of a spot lie there or not: an eye takes the mean, and each stands in the skin of the washes before.</summary>
    [Fact]
    public void Strokes_over_each_other_are_seen_as_the_mean_of_all_ways_that_they_may_lie() =>
        Gen.Select(Colourants.Array[3], Gen.Double[0, 1], Gen.Double[0, 1]).Holds((colours, one, other) =>
        {
            WashLayer[] layers = [.. colours.Select(colour => Wash(colour, 0.4, 0.15))];
            var mean = new double[SpectralGrid.Bands];
            foreach (var (weight, isOne, isOther) in new[] { (one * other, 1, 1), (one * (1 - other), 1, 0), ((1 - one) * other, 0, 1), ((1 - one) * (1 - other), 0, 0) })
            {
                var way = Laid(layers, layer => layer switch { 0 => 1, 1 => isOne, _ => isOther });
                for (var band = 0; band < mean.Length; band++)
                    mean[band] += weight * way[band];
            }

            var paste = TestData.Cabinet.Get<PasteBase>(TestData.White).Optics;
            var face = KubelkaMunk.Opaque(paste).Values.ToArray();
            new LayerStack(paste, layers).LayOn(face, new Covers([1, one, other]));
            AssertAlike(mean, face, 1e-12);
        });

    private readonly struct Covers(double[] covers) : ILayerCoverage
    {
        public double ShareOf(int layer) => 1;

        public double CoverOf(int layer) => covers[layer];
    }

    private static WashLayer Wash(Colourant colour, double gPer100g, double depthMm) => new(colour.Optics.Times(gPer100g), depthMm);

    private static void AssertAlike(double[] expected, double[] actual, double within) => Assert.Equal(expected, actual, (a, b) => Math.Abs(a - b) <= within);

    [Fact]
    public void A_wash_on_bare_paste_is_the_same_by_either_way_and_an_empty_one_changes_nothing() =>
        Gen.Select(Colourants, Colourants, Gen.Double[0, 2], Gen.Double[0, 2]).Holds((inPaste, inWash, dose, washed) =>
        {
            var paste = PasteOptics.Mix(TestData.Recipe((inPaste.Id, dose)), TestData.Cabinet);
            var face = KubelkaMunk.Opaque(paste);
            Assert.Equal(Washed(bare: true, washed), Washed(bare: false, washed), (a, b) => Math.Abs(a - b) < 1e-9);
            Assert.Equal(face.Values.ToArray(), Washed(bare: false, 0), (a, b) => Math.Abs(a - b) < 1e-12);

            double[] Washed(bool bare, double share)
            {
                var skin = face.Values.ToArray();
                new SoakedSkin(paste).LayOn(skin, new WashLayer(inWash.Optics.Times(share), 0.15), bare);
                return skin;
            }
        });

    [Fact]
    public void The_more_powder_in_a_glaze_the_duller_and_the_more_coloured()
    {
        var glaze = TestData.Cabinet.Get<Glaze>("pond-dip");
        var red = TestData.Cabinet.Get<Dust>("haw").Optics;
        var deeper = new[] { 0, 0.05, 0.2, 0.5 }.Select(powder =>
        {
            var face = Enumerable.Repeat(0.7, SpectralGrid.Bands).ToArray();
            new GlazeFilm(glaze.Optics, 2, new GlazeTint(red, powder)).LayOn(face);
            return Illuminant.D65.LabOf(new Spectrum(face)).Chroma;
        }).ToList();
        Assert.Equal(deeper.Order(), deeper);
        var plain = Enumerable.Repeat(0.7, SpectralGrid.Bands).ToArray();
        var clear = Enumerable.Repeat(0.7, SpectralGrid.Bands).ToArray();
        new GlazeFilm(glaze.Optics, 2).LayOn(plain);
        new GlazeFilm(glaze.Optics, 2, new GlazeTint(red, 0)).LayOn(clear);
        Assert.Equal(plain, clear);
    }

    [Fact]
    public void A_wire_shows_less_the_thicker_the_paste_over_it()
    {
        var paste = TestData.Cabinet.Get<PasteBase>(TestData.White).Optics;
        var wire = TestData.Cabinet.Get<Wire>("green-wire").Reflectance;
        var seen = new[] { 0.2, 0.4, 0.8, 1.6, 3.2 }.Select(mm => ShowThrough.Of(paste, mm, wire).DeltaE(Illuminant.D65)).ToList();
        Assert.Equal(seen.OrderDescending(), seen);
        Assert.InRange(seen[^1], 0, 0.5);
    }

    [Fact]
    public void A_mix_without_parts_is_refused() =>
        Assert.Throws<ArgumentException>(() => DustMix.OpticsOf([new Portion("wine-lees", 0)], TestData.Cabinet));
}
