using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Pictures;

namespace YoungTinge.Core.Tests.Pictures;

/// <summary>Flowers drawn by rule, so that it is known where each zone lies.</summary>
public class FlowerDivisionTests
{
    private const int Size = 240;
    private const double Reach = 80;

    private static readonly Lab Heart = new(70, 30, 10);
    private static readonly Lab Rim = new(45, 45, 15);
    private static readonly Lab Foot = new(75, -18, 40);
    private static readonly Lab Back = new(82, 12, 6);

    private static readonly LightReading Daylight = new(WhiteBalance.None, []);

    private static Photograph Draw(Func<int, int, Lab> look, int width = Size, int height = Size, int seed = 1)
    {
        var chance = new Random(seed);
        var rgb = new byte[3 * width * height];
        for (var i = 0; i < width * height; i++)
        {
            var lab = look(i % width, i / width);
            var seen = Srgb.FromLinear(Illuminant.D65.LinearRgbOf(lab with { L = lab.L + 2 * (chance.NextDouble() - 0.5) }));
            (rgb[3 * i], rgb[3 * i + 1], rgb[3 * i + 2]) = (Srgb.Byte(seen.R), Srgb.Byte(seen.G), Srgb.Byte(seen.B));
        }

        return new Photograph(width, height, rgb);
    }

    /// <summary>Five petals round a point: a foot, a heart, and a dark rim.</summary>
    private static Lab Bloom(double x, double y, Lab ground)
    {
        double radius = Math.Sqrt(x * x + y * y), angle = Math.Atan2(y, x);
        var reach = Reach * (0.72 + 0.28 * Math.Pow(Math.Abs(Math.Cos(2.5 * angle)), 0.6));
        return radius > reach ? ground : radius > 0.85 * reach ? Rim : radius < 0.34 * reach ? Foot : Heart;
    }

    public static TheoryData<double, double, double> Grounds => new() { { 50, 0, 0 }, { 38, -18, 22 }, { 92, 0, 4 }, { 25, 2, -6 }, { 60, 8, 25 } };

    [Theory]
    [MemberData(nameof(Grounds))]
    public void A_bloom_is_divided_on_any_plain_ground(double l, double a, double b)
    {
        var photo = Draw((x, y) => Bloom(x - Size / 2, y - Size / 2, new Lab(l, a, b)));
        var division = FlowerDivision.Of(photo, Daylight, SeenAs.Bloom);
        Lab Of(Zone zone) => division.Zones.Single(one => one.Zone == zone).Reading.Colour;
        Assert.InRange(DeltaE2000.Between(Heart, Of(Zone.Heart)), 0, 3);
        Assert.InRange(DeltaE2000.Between(Rim, Of(Zone.Rim)), 0, 5);
        Assert.InRange(DeltaE2000.Between(Foot, Of(Zone.Base)), 0, 3);
        Assert.DoesNotContain(division.Zones, zone => zone.Zone == Zone.Back);
        Assert.InRange(division.Parts.Count, 2, 4);
        Assert.InRange(division.Parts.Sum(part => part.Share), 0.9, 1.0001);
        Assert.Equal(division.Parts.OrderByDescending(part => part.Share), division.Parts);
    }

    [Fact]
    public void A_piece_lying_apart_is_its_back_and_of_a_green_one_it_is_asked()
    {
        // Beside a flower that is not green: a pale piece, one hardly unlike the mat, and a dark green one that may be a leaf.
        foreach (var (apart, isSure) in new[] { (Back, true), (new Lab(53, 3, 1), true), (new Lab(38, -22, 24), false) })
        {
            var found = Assert.Single(WithAPieceApart(apart, (_, _) => new Lab(50, 0, 0)).Zones, zone => zone.Zone == Zone.Back);
            Assert.Equal(isSure, found.IsSure);
            Assert.InRange(DeltaE2000.Between(apart, found.Reading.Colour), 0, 2);
        }
    }

    [Theory]
    [InlineData(12, 0)]
    [InlineData(0, 1.5)]
    [InlineData(8, 1)]
    public void A_mat_may_be_lit_from_one_side_and_have_a_weave(double acrossL, double weaveL)
    {
        Lab Mat(int x, int y) => new(55 + acrossL * (x / 380.0 - 0.5) + weaveL * Math.Sin(x * 1.9) * Math.Sin(y * 1.7), 2, 6);
        var division = WithAPieceApart(new Lab(68, 4, 10), Mat);
        Assert.InRange(DeltaE2000.Between(Heart, division.Zones.Single(zone => zone.Zone == Zone.Heart).Reading.Colour), 0, 3);
        Assert.InRange(DeltaE2000.Between(new Lab(68, 4, 10), Assert.Single(division.Zones, zone => zone.Zone == Zone.Back).Reading.Colour), 0, 3);
    }

    [Fact]
    public void Before_growing_leaves_a_bloom_is_divided_and_a_leaf_is_not_its_back()
    {
        // Patches of light and shade, as of a hedge out of focus.
        static Lab Hedge(int x, int y) => new(36 + 9 * Math.Sin(x / 17.0 + 2 * Math.Sin(y / 23.0)) + 5 * Math.Sin(y / 11.0), -16, 20 + 4 * Math.Sin(x / 9.0));
        var division = WithAPieceApart(new Lab(58, -30, 40), Hedge);
        Assert.InRange(DeltaE2000.Between(Heart, division.Zones.Single(zone => zone.Zone == Zone.Heart).Reading.Colour), 0, 3);
        Assert.DoesNotContain(division.Zones, zone => zone.Zone == Zone.Back);
    }

    [Fact]
    public void A_soft_shadow_on_the_mat_is_no_part_of_the_flower()
    {
        // Lamp from the upper left: to the lower right the mat loses a third of its light, and gains it again over some way.
        var mat = new Lab(72, 3, 12);
        Lab Shaded(double x, double y)
        {
            var away = Math.Sqrt(Math.Pow(x - 12, 2) + Math.Pow(y - 12, 2));
            var share = 1 - 0.16 * Math.Clamp((112 - away) / 40, 0, 1);
            return new Lab(share * (mat.L + 16) - 16, share * mat.A, share * mat.B);
        }

        var photo = Draw((x, y) => Bloom(x - 180, y - 180, Shaded(x - 180, y - 180)), 360, 360);
        foreach (var zone in FlowerDivision.Of(photo, Daylight, SeenAs.Bloom).Zones.Where(zone => zone.Zone is Zone.Rim or Zone.Heart or Zone.Tip))
            Assert.InRange(DeltaE2000.Between(zone.Zone == Zone.Heart ? Heart : Rim, zone.Reading.Colour), 0, 5);
    }

    private static FlowerDivision WithAPieceApart(Lab apart, Func<int, int, Lab> ground) => FlowerDivision.Of(
        Draw((x, y) => Math.Pow((x - 310) / 34.0, 2) + Math.Pow((y - 160) / 48.0, 2) < 1 ? apart : Bloom(x - 130, y - 120, ground(x, y)), width: 380), Daylight, SeenAs.Bloom);

    [Fact]
    public void A_leaf_with_its_foot_down_is_divided_along_and_across()
    {
        var (tip, foot, edge, middle) = (new Lab(40, 20, 25), new Lab(65, -20, 45), new Lab(60, -10, 40), new Lab(42, -25, 28));
        var photo = Draw((x, y) =>
        {
            double along = (220 - y) / 200.0, half = 60 * Math.Sqrt(Math.Max(0, 1 - Math.Pow(2 * along - 1, 2)));
            var across = half > 0 ? Math.Abs(x - Size / 2) / half : 2;
            return along is < 0 or > 1 || across > 1 ? new Lab(80, 0, 2) : along > 0.88 ? tip : along < 0.18 ? foot : across > 0.86 ? edge : middle;
        });
        var zones = FlowerDivision.Of(photo, Daylight, SeenAs.Piece).Zones.ToDictionary(zone => zone.Zone, zone => zone.Reading.Colour);
        foreach (var (zone, colour) in new[] { (Zone.Tip, tip), (Zone.Base, foot), (Zone.Rim, edge), (Zone.Heart, middle) })
            Assert.InRange(DeltaE2000.Between(colour, zones[zone]), 0, 4);
    }

    [Fact]
    public void A_card_that_was_marked_is_no_flower_and_only_what_was_asked_for_is_looked_at()
    {
        var card = new Box(0.02, 0.02, 0.2, 0.2);
        var photo = Draw((x, y) => x < 0.22 * Size && y < 0.22 * Size ? new Lab(95, 0, 0) : Bloom(x - Size / 2, y - Size / 2, new Lab(50, 0, 0)));
        foreach (var zone in FlowerDivision.Of(photo, Daylight, SeenAs.Bloom, card: card).Zones)
            Assert.True(zone.Box.Left > 0.1 || zone.Box.Top > 0.1);
        var half = new MeantFlower(null, [new(0.5, 0), new(1, 0), new(1, 1), new(0.5, 1)]);
        Assert.All(FlowerDivision.Of(photo, Daylight, SeenAs.Bloom, half).Zones, zone => Assert.True(zone.Box.Middle.X >= 0.49));
    }

    private static readonly Lab Other = new(55, -5, -40);

    /// <summary>Two flowers side by side, a red one left and a blue one right, on a ground of patches.</summary>
    private static Photograph TwoFlowers(bool isPlain) => Draw(
        (x, y) =>
        {
            var ground = isPlain ? new Lab(60, 0, 4) : new Lab(40 + 9 * Math.Sin(x / 13.0 + Math.Sin(y / 19.0)), -14, 18 + 6 * Math.Sin(y / 8.0));
            return Math.Sqrt(Math.Pow(x - 330, 2) + Math.Pow(y - 120, 2)) < 70 ? Other : Bloom(x - 110, y - 120, ground);
        },
        width: 440);

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Of_several_flowers_it_is_asked_which_and_all_zones_are_of_the_one_that_was_pointed_at(bool isPlain)
    {
        var photo = TwoFlowers(isPlain);
        var asked = FlowerDivision.Of(photo, Daylight, SeenAs.Bloom);
        Assert.False(asked.IsClear);
        Assert.All(asked.Zones, zone => Assert.False(zone.IsSure));
        PicturePoint At(double x, double y) => new(x / 440, y / 240);
        PicturePoint[] Round(double x, double reach) => [.. Enumerable.Range(0, 24).Select(i => At(x + reach * Math.Cos(i * Math.PI / 12), 120 + reach * Math.Sin(i * Math.PI / 12)))];
        foreach (var (middle, isBlue) in new[] { (110.0, false), (330.0, true) })
        {
            foreach (var meant in new[] { new MeantFlower(At(middle + 40, 120), []), new MeantFlower(null, Round(middle, 92)) })
            {
                var division = FlowerDivision.Of(photo, Daylight, SeenAs.Bloom, meant);
                Assert.True(division.IsClear);
                Assert.InRange(division.Zones.Count, 3, 4);
                Assert.All(division.Zones, zone =>
                {
                    // Within this flower: neither in the other one nor in what lies behind.
                    var (x, y) = zone.Box.Middle;
                    Assert.InRange(Math.Sqrt(Math.Pow(440 * x - middle, 2) + Math.Pow(240 * y - 120, 2)), 0, 82);
                    if (isBlue)
                        Assert.InRange(DeltaE2000.Between(Other, zone.Reading.Colour), 0, 6);
                    else
                        Assert.True(zone.Reading.Colour.A > 5 || zone.Zone == Zone.Base, $"{zone}");
                });
            }
        }
    }

    [Fact]
    public void What_cannot_be_meant_is_refused()
    {
        Assert.False(new MeantFlower(null, [new(0, 0), new(1, 1)]).IsPossible);
        Assert.False(new MeantFlower(new PicturePoint(1.2, 0.5), []).IsPossible);
        Assert.False(new MeantFlower(new PicturePoint(double.NaN, 0.5), []).IsPossible);
        Assert.False(new MeantFlower(new PicturePoint(0.5, 0.5), [new(0, 0), new(1, 1), new(1, 0)]).IsPossible);
    }

    [Fact]
    public void Where_nothing_stands_out_nothing_is_made_up()
    {
        var division = FlowerDivision.Of(Draw((_, _) => new Lab(55, 3, 8)), Daylight, SeenAs.Bloom);
        // All of an even picture may be one close petal; then its zones are one colour, within the grain.
        Assert.All(division.Zones, zone => Assert.InRange(DeltaE2000.Between(new Lab(55, 3, 8), zone.Reading.Colour), 0, 2));
        Assert.InRange(division.Parts.Count, 0, 1);
    }

    [Fact]
    public void A_close_petal_that_fills_the_picture_is_no_mat()
    {
        // One even colour, a little darker towards a corner, and nothing else.
        var division = FlowerDivision.Of(Draw((x, y) => new Lab(70 - 0.02 * (x + y), 30, 10)), Daylight, SeenAs.Piece);
        var heart = division.Zones.Single(zone => zone.Zone == Zone.Heart).Reading.Colour;
        Assert.InRange(heart.L, 60, 70);
        Assert.Equal(Heart.HueDegrees, heart.HueDegrees, 5.0);
    }

    [Fact]
    public void The_same_picture_is_always_divided_the_same()
    {
        var photo = Draw((x, y) => Bloom(x - Size / 2, y - Size / 2, new Lab(60, 8, 25)));
        FlowerDivision Divided() => FlowerDivision.Of(photo, Daylight, SeenAs.Bloom);
        Assert.Equal(Divided().Zones.Select(zone => (zone.Zone, zone.Box, zone.Reading.Colour)), Divided().Zones.Select(zone => (zone.Zone, zone.Box, zone.Reading.Colour)));
    }

    [Theory]
    [InlineData(40)]
    [InlineData(2000)]
    public void Size_does_not_matter(int size)
    {
        var photo = Draw((x, y) => Bloom((x - size / 2.0) * Size / size, (y - size / 2.0) * Size / size, new Lab(50, 0, 0)), size, size);
        var heart = FlowerDivision.Of(photo, Daylight, SeenAs.Bloom).Zones.Single(zone => zone.Zone == Zone.Heart);
        Assert.InRange(DeltaE2000.Between(Heart, heart.Reading.Colour), 0, 3);
    }
}
