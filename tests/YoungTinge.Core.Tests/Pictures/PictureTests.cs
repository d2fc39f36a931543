using YoungTinge.Core.Colour;
using YoungTinge.Core.Pictures;

namespace YoungTinge.Core.Tests.Pictures;

/// <summary>Pictures made pixel by pixel, so that what is in them is known.</summary>
public class PictureTests
{
    private const int Width = 120;
    private const int Height = 90;

    /// <param name="look">Linear light at a pixel, as the camera saw it.</param>
    private static Photograph Picture(Func<int, int, LinearRgb> look)
    {
        var rgb = new byte[3 * Width * Height];
        for (var i = 0; i < Width * Height; i++)
        {
            var seen = Srgb.FromLinear(look(i % Width, i / Width));
            (rgb[3 * i], rgb[3 * i + 1], rgb[3 * i + 2]) = (Srgb.Byte(seen.R), Srgb.Byte(seen.G), Srgb.Byte(seen.B));
        }

        return new Photograph(Width, Height, rgb);
    }

    private static LinearRgb Lit(Lab surface, LinearRgb light)
    {
        var rgb = Illuminant.D65.LinearRgbOf(surface);
        return new LinearRgb(rgb.R * light.R, rgb.G * light.G, rgb.B * light.B);
    }

    private static readonly Lab Rose = new(60, 30, 10);
    private static readonly Lab White = new(95.995, 0, 0);
    private static readonly Box Card = new(0.02, 0.1, 0.2, 0.3);
    private static readonly Box Petal = new(0.5, 0.4, 0.1, 0.1);

    private static Lab SurfaceAt(int x, int y) =>
        x < 0.25 * Width && y < 0.5 * Height ? White : x > 0.4 * Width && y > 0.3 * Height ? Rose : new Lab(50, 0, 0);

    [Theory]
    [InlineData(1, 1, 1, 1.0)]
    [InlineData(0.95, 0.75, 0.5, 4.5)]
    [InlineData(0.6, 0.75, 0.95, 4.5)]
    [InlineData(0.5, 0.5, 0.5, 1.0)]
    public void A_white_card_takes_cast_and_exposure_out(double red, double green, double blue, double within)
    {
        var photo = Picture((x, y) => Lit(SurfaceAt(x, y), new LinearRgb(red, green, blue)));
        var light = LightReading.Of(photo, new PictureLight(Card, NeutralKind.WhiteCard));
        Assert.Empty(light.Doubts);
        var read = PatchReader.Read(photo, Petal, light.Cast);
        Assert.InRange(DeltaE2000.Between(Rose, read.Colour), 0, within);
        Assert.Empty(read.Doubts);
        // Nearer than without.
        if (red != green)
            Assert.True(DeltaE2000.Between(Rose, read.Colour) < 0.4 * DeltaE2000.Between(Rose, PatchReader.Read(photo, Petal, WhiteBalance.None).Colour));
    }

    [Fact]
    public void Stray_pixels_do_not_move_the_mean_and_its_spread_is_told()
    {
        var photo = Picture((x, y) => (7 * x + 13 * y) % 11 == 0 ? new LinearRgb(1, 1, 1) : Lit(Rose, new LinearRgb(1, 1, 1)));
        var read = PatchReader.Read(photo, Petal, WhiteBalance.None);
        Assert.InRange(DeltaE2000.Between(Rose, read.Colour), 0, 0.8);
        var noisy = new Random(4);
        var grainy = Picture((_, _) => Lit(Rose with { L = 60 + 3 * (noisy.NextDouble() - 0.5) }, new LinearRgb(1, 1, 1)));
        Assert.InRange(PatchReader.Read(grainy, Petal, WhiteBalance.None).Spread, 0.3, 1.5);
    }

    [Fact]
    public void What_cannot_be_trusted_is_doubted()
    {
        IReadOnlyList<PatchDoubt> Doubts(Func<int, int, LinearRgb> look) => PatchReader.Read(Picture(look), Petal, WhiteBalance.None).Doubts;
        Assert.Contains(PatchDoubt.BlownOut, Doubts((_, _) => new LinearRgb(1.5, 1.4, 1.3)));
        Assert.Contains(PatchDoubt.TooDark, Doubts((_, _) => new LinearRgb(0.001, 0.001, 0.001)));
        Assert.Contains(PatchDoubt.Uneven, Doubts((x, _) => Lit(x % 12 < 6 ? Rose : new Lab(50, -30, 30), new LinearRgb(1, 1, 1))));
        Assert.Contains(PatchDoubt.TooVivid, Doubts((_, _) => new LinearRgb(0.7, 0.0, 0.1)));
    }

    [Fact]
    public void A_light_that_cannot_be_trusted_is_doubted()
    {
        IReadOnlyList<LightDoubt> Doubts(Func<int, int, LinearRgb> look) => LightReading.Of(Picture(look), new PictureLight(Card, NeutralKind.WhiteCard)).Doubts;
        Assert.Contains(LightDoubt.MarkBlownOut, Doubts((x, y) => Lit(SurfaceAt(x, y), new LinearRgb(1.4, 1.4, 1.4))));
        Assert.Contains(LightDoubt.MarkTooDark, Doubts((x, y) => Lit(SurfaceAt(x, y), new LinearRgb(0.001, 0.001, 0.001))));
        Assert.Contains(LightDoubt.MarkUneven, Doubts((x, y) => x % 10 < 5 ? Lit(SurfaceAt(x, y), new LinearRgb(1, 1, 1)) : new LinearRgb(0.1, 0.1, 0.3)));
        // A lamp from the left, a window at the right.
        Assert.Contains(LightDoubt.MixedLight, Doubts((x, y) => Lit(SurfaceAt(x, y), x < Width / 2 ? new LinearRgb(0.85, 0.75, 0.58) : new LinearRgb(0.68, 0.75, 0.85))));
        var leaf = Picture((_, _) => Lit(new Lab(45, -30, 30), new LinearRgb(1, 1, 1)));
        Assert.Contains(LightDoubt.NothingNeutral, LightReading.Of(leaf, PictureLight.Estimated).Doubts);
    }

    [Fact]
    public void Without_a_mark_the_light_is_estimated_from_what_is_grey()
    {
        var light = new LinearRgb(0.95, 0.8, 0.6);
        var noise = new Random(2);
        // Grey things are seen by their shading: a crumpled sheet behind the flower.
        var photo = Picture((x, y) =>
        {
            var shade = 0.7 + 0.3 * Math.Sin(x * 0.9) * Math.Sin(y * 0.7) + 0.01 * noise.NextDouble();
            return Lit(SurfaceAt(x, y), new LinearRgb(light.R * shade, light.G * shade, light.B * shade));
        });
        var read = PatchReader.Read(photo, Card, LightReading.Of(photo, PictureLight.Estimated).Cast);
        Assert.InRange(read.Colour.Chroma, 0, 5);
    }

    [Fact]
    public void A_frame_that_one_hue_fills_is_not_corrected_until_its_cream_is_blue()
    {
        // An orange flower with cream tips on a dark teal ground, lit from one side, and nothing neutral anywhere.
        var (orange, teal, cream) = (new Lab(68, 38, 66), new Lab(28, -20, -12), new Lab(90, 4, 22));
        var noise = new Random(3);
        var photo = Picture((x, y) =>
        {
            var away = Math.Sqrt(Math.Pow(x - 60, 2) + Math.Pow(y - 45, 2));
            var shade = 0.75 + 0.25 * x / Width + 0.02 * noise.NextDouble();
            var rgb = Illuminant.D65.LinearRgbOf(away > 38 ? teal : away > 30 ? cream : orange);
            return new LinearRgb(rgb.R * shade, rgb.G * shade, rgb.B * shade);
        });
        var tip = new Box(0.47, 0.12, 0.06, 0.04);
        var light = LightReading.Of(photo, PictureLight.Estimated);
        var read = light.Read(photo, tip);
        Assert.True(read.Colour.B > 10, $"{read.Colour}");
        Assert.True(light.UnsureDeltaE is null || light.Doubts.Count > 0 || read.Doubts.Count > 0 || DeltaE2000.Between(read.Colour, PatchReader.Read(photo, tip, WhiteBalance.None).Colour) < 3.5);
        // As it is, nothing is moved and nothing is asked.
        var asIs = LightReading.Of(photo, PictureLight.AsItIs);
        Assert.Equal(PatchReader.Read(photo, tip, WhiteBalance.None).Colour, asIs.Read(photo, tip).Colour);
        Assert.Empty(asIs.Doubts);
        Assert.Null(asIs.UnsureDeltaE);
    }

    [Fact]
    public void A_box_must_lie_in_the_picture()
    {
        Assert.True(new Box(0, 0, 1, 1).IsInPicture);
        Assert.False(new Box(0.9, 0, 0.2, 0.1).IsInPicture);
        Assert.False(new Box(0.5, 0.5, 0, 0.1).IsInPicture);
        Assert.False(new Box(double.NaN, 0, 0.1, 0.1).IsInPicture);
    }
}
