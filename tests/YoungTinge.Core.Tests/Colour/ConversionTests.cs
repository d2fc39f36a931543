using CsCheck;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Tests.Colour;

public class ConversionTests
{
    // 1e-9: far below any visible step, far above rounding.
    private const double Tolerance = 1e-9;

    public static TheoryData<string, double, double> WhitePoints => new()
    {
        { "D65", 95.0119, 108.8161 }, { "D50", 96.3839, 82.4532 }, { "A", 109.8145, 35.5492 },
        { "F11", 100.7573, 63.8810 }, { "WarmLed", 108.1118, 39.3007 }, { "Candle", 130.7232, 12.3971 },
    };

    [Theory]
    [MemberData(nameof(WhitePoints))]
    public void White_points_are_the_sums_of_the_tables(string light, double x, double z)
    {
        var white = ((Illuminant)typeof(Illuminant).GetProperty(light)!.GetValue(null)!).White;
        Assert.Equal(x, white.X, 5e-5);
        Assert.Equal(100, white.Y, Tolerance);
        Assert.Equal(z, white.Z, 5e-5);
    }

    [Theory]
    [MemberData(nameof(WhitePoints))]
    public void A_perfect_white_is_white_on_the_screen_under_every_light(string light, double x, double z)
    {
        _ = (x, z);
        var source = (Illuminant)typeof(Illuminant).GetProperty(light)!.GetValue(null)!;
        var rgb = source.LinearRgbOf(source.White);
        Assert.Equal(1, rgb.R, Tolerance);
        Assert.Equal(1, rgb.G, Tolerance);
        Assert.Equal(1, rgb.B, Tolerance);
    }

    [Theory]
    [InlineData("D65", 0.3127, 0.3290)]
    [InlineData("D50", 0.3457, 0.3585)]
    [InlineData("A", 0.4476, 0.4074)]
    public void Lights_have_their_published_chromaticity(string light, double x, double y)
    {
        var white = ((Illuminant)typeof(Illuminant).GetProperty(light)!.GetValue(null)!).White;
        var sum = white.X + white.Y + white.Z;
        // Four published decimals; 10 nm sums instead of 1 nm ones move the last of them. (F11 is lines: on 10 nm only near.)
        Assert.Equal(x, white.X / sum, 6e-4);
        Assert.Equal(y, white.Y / sum, 6e-4);
    }

    [Fact]
    public void Lab_goes_to_Xyz_and_back() => DeltaE2000Tests.Colours.Holds(lab =>
    {
        var back = LabFromXyz.Convert(XyzFromLab.Convert(lab, Illuminant.D65.White), Illuminant.D65.White);
        Assert.Equal(lab.L, back.L, Tolerance);
        Assert.Equal(lab.A, back.A, Tolerance);
        Assert.Equal(lab.B, back.B, Tolerance);
    });

    [Fact]
    public void A_screen_colour_goes_to_OkLab_Lab_and_back() =>
        Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[0, 1]).Holds((r, g, b) =>
        {
            var colour = new Srgb(r, g, b);
            AssertNear(colour, Srgb.FromLinear(OkLab.FromLinearRgb(colour.ToLinear()).ToLinearRgb()));
            AssertNear(colour, Srgb.FromLinear(Illuminant.D65.LinearRgbOf(Illuminant.D65.LabOf(colour))));
        });

    [Fact]
    public void A_colour_the_screen_cannot_show_keeps_its_lightness_and_hue()
    {
        var wanted = new Lab(60, 20, -80);
        var shown = Illuminant.D65.LabOf(ScreenColour.From(wanted, Illuminant.D65));
        var rgb = ScreenColour.From(wanted, Illuminant.D65);
        Assert.All(new[] { rgb.R, rgb.G, rgb.B }, part => Assert.InRange(part, -1e-6, 1 + 1e-6));
        Assert.InRange(shown.L, 57, 63);
        Assert.InRange(shown.Chroma, 40, 82);
    }

    [Theory]
    [InlineData("#80c0ff", "#80c0ff")]
    [InlineData("80C0FF", "#80c0ff")]
    [InlineData(" #8cf ", "#88ccff")]
    public void Hex_is_read_as_people_type_it(string text, string expected)
    {
        Assert.True(Srgb.TryParseHex(text, out var colour));
        Assert.Equal(expected, colour.ToHex());
    }

    [Theory]
    [InlineData("")]
    [InlineData("#12345")]
    [InlineData("#12345g")]
    [InlineData("red")]
    [InlineData(null)]
    public void Anything_else_is_no_hex(string? text) => Assert.False(Srgb.TryParseHex(text, out _));

    [Fact]
    public void A_spectrum_refuses_what_is_no_number()
    {
        Assert.Throws<ArgumentException>(() => new Spectrum([1, 2, 3]));
        Assert.Throws<ArgumentException>(() => Spectrum.From(band => band == 7 ? double.NaN : 0.5));
    }

    private static void AssertNear(Srgb expected, Srgb actual)
    {
        // Gamma stretches the dark end, so rounding grows a little there.
        Assert.Equal(expected.R, actual.R, 1e-6);
        Assert.Equal(expected.G, actual.G, 1e-6);
        Assert.Equal(expected.B, actual.B, 1e-6);
    }

    /// <summary>Also for colours far beyond a screen: bands that reflect nearly all or nearly nothing.</summary>
    [Fact]
    public void A_surface_of_any_colour_has_a_smooth_reflectance_of_that_colour() =>
        Gen.Select(Gen.Int[0, 30], Gen.Int[3, 35], Gen.Double[0.02, 0.3], Gen.Double[0.4, 0.9]).Where((from, to, _, _) => from < to - 3).Holds((from, to, low, high) =>
        {
            var colour = Illuminant.D65.LabOf(Spectrum.From(band => band >= from && band < to ? high : low));
            var reflectance = ReflectanceFromColour.Convert(colour);
            Assert.All(reflectance.Values.ToArray(), r => Assert.InRange(r, 0, 1));
            Assert.InRange(DeltaE2000.Between(colour, Illuminant.D65.LabOf(reflectance)), 0, 0.01);
        });
}
