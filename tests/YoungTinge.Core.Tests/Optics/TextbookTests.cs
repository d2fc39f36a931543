using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Optics;

/// <summary>The optics against the forms in which textbooks print them, written here a second time.</summary>
public class TextbookTests
{
    private static readonly Gen<double> Constants = Gen.Double[0.05, 8];

    [Fact]
    public void A_layer_is_what_the_hyperbolic_form_says() =>
        Gen.Select(Constants, Constants, Gen.Double[0.05, 2], Gen.Double[0, 1]).Holds((k, s, x, below) =>
        {
            var a = 1 + k / s;
            var b = Math.Sqrt(a * a - 1);
            var coth = 1 / Math.Tanh(b * s * x);
            var expected = (1 - below * (a - b * coth)) / (a - below + b * coth);
            Assert.Equal(expected, KubelkaMunk.Layer(k, s, x, below), 1e-11);
        });

    [Fact]
    public void A_thick_layer_hides_what_is_below() => Gen.Select(Constants, Constants, Gen.Double[0, 1]).Holds((k, s, below) =>
        Assert.Equal(KubelkaMunk.Opaque(k, s), KubelkaMunk.Layer(k, s, 500, below), 1e-9));

    [Fact]
    public void A_layer_that_only_absorbs_dims_twice() => Gen.Select(Constants, Gen.Double[0, 1], Gen.Double[0, 1]).Holds((k, x, below) =>
        Assert.Equal(below * Math.Exp(-2 * k * x), KubelkaMunk.Layer(k, 0, x, below), 1e-12));

    [Fact]
    public void Ratio_and_reflectance_are_each_others_inverse() => Gen.Double[0.001, 1].Holds(r =>
        Assert.Equal(r, KubelkaMunk.Opaque(KubelkaMunk.RatioFromReflectance(r), 1), 1e-9));

    [Fact]
    public void A_point_of_the_picture_is_its_stack_computed_by_hand()
    {
        var shape = Petal.Shape();
        var dust = Dust("wine-lees", 0.2, new Place(PlaceKind.Tip, 0, 0.2, 0.5));
        var plan = Plan(dust, Steam, Glaze("pond-dip", 2));
        var face = PiecePicture.Of(new ResolvedPlan(plan, TestData.Cabinet), shape).Face.Field;
        const int row = 15, column = 45;

        // The same point by the plain formulas: paste, then dust as steamed and soaked, then glaze.
        var x = shape.WidthMm / 2 * (2 * (column - face.Columns / 2) + 1) / face.Columns;
        var point = shape.RowAtMm(shape.LengthMm * (1 - (row + 0.5) / face.Rows)).PointAt(x);
        var mix = DustMix.OpticsOf(dust.Mix, TestData.Cabinet);
        var load = 0.2 * 0.97 * dust.Place.MaskAt(point) * VeinPattern.Fan.LoadShareAt(point);
        var paste = PasteOptics.Reflectance(plan.Paste, TestData.Cabinet);
        var glaze = TestData.Cabinet.Get<Glaze>("pond-dip");
        var glossy = 1 - Math.Pow(1 - glaze.Gloss, 2);
        var wet = 1 - glossy * (1 - 0.25);
        var expected = Spectrum.From(band =>
        {
            var r = KubelkaMunk.Layer(1.10 * mix.Absorption[band], 0.60 * wet * mix.Scattering[band], load, paste[band]);
            return (1 - glossy) * r + glossy * (1 - glaze.OuterReflection) * (1 - glaze.InnerReflection) * r / (1 - glaze.InnerReflection * r);
        });

        var at = 3 * (row * face.Columns + column);
        Assert.Equal(
            Srgb.FromLinear(Illuminant.D65.LinearRgbOf(Illuminant.D65.XyzOf(expected))).ToHex(),
            $"#{face.Rgb[at]:x2}{face.Rgb[at + 1]:x2}{face.Rgb[at + 2]:x2}");
    }

    [Theory]
    [InlineData("gorse", 0.78, 6)]
    [InlineData("lichen", 0.65, 8)]
    [InlineData("quince", 0.85, 4)]
    [InlineData("inkcap", 0.95, 6)]
    public void Colour_comes_out_with_rest_as_its_kind_does(string id, double atOnce, double hours)
    {
        var development = TestData.Cabinet.Get<Colourant>(id).Development;
        Assert.Equal(atOnce, development.ShareAfter(0), 1e-12);
        Assert.Equal(1 - (1 - atOnce) / Math.E, development.ShareAfter(hours), 1e-12);
        Assert.Equal(0.97, development.ShareAfter(development.HoursUntil(0.97)), 1e-12);
        Assert.Equal(0, development.HoursUntil(atOnce - 0.01));
    }
}
