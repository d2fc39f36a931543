using CsCheck;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Tests.Flowers;

public class PieceShapeTests
{
    public static TheoryData<string> Outlines() => new(OutlineLibrary.All.Select(outline => outline.Id));

    [Fact]
    public void A_round_piece_has_the_area_of_a_circle()
    {
        var shape = new PieceShape(OutlineLibrary.Get("round"), 20, 20);
        // The smoothed ring is a circle to within half a percent.
        Assert.Equal(Math.PI, shape.AreaCm2, Math.PI * 0.005);
    }

    [Theory]
    [MemberData(nameof(Outlines))]
    public void The_area_is_what_counting_points_finds(string id)
    {
        var shape = new PieceShape(OutlineLibrary.Get(id), 50, 40);
        const int n = 400;
        var inside = 0;
        for (var row = 0; row < n; row++)
        {
            var across = shape.RowAtMm((row + 0.5) / n * 50);
            for (var column = 0; column < n; column++)
                inside += across.Contains(((column + 0.5) / n - 0.5) * 40) ? 1 : 0;
        }

        Assert.Equal(20.0 * inside / (n * n), shape.AreaCm2, 0.02 * shape.AreaCm2);
    }

    [Theory]
    [MemberData(nameof(Outlines))]
    public void An_outline_fills_its_box_and_is_closed(string id)
    {
        var outline = OutlineLibrary.Get(id);
        var widest = Enumerable.Range(0, 1001).Max(i => outline.HalfWidthAt(i / 1000.0));
        Assert.InRange(widest, 0.99, 1);
        var path = new PieceShape(outline, 50, 40).SvgPath();
        Assert.StartsWith("M", path, StringComparison.Ordinal);
        Assert.EndsWith("Z", path, StringComparison.Ordinal);
        Assert.DoesNotContain("NaN", path, StringComparison.Ordinal);
    }

    [Fact]
    public void Twice_the_size_is_four_times_the_area()
    {
        var outline = OutlineLibrary.Get("broad-sepal");
        Gen.Select(Gen.Double[5, 90], Gen.Double[5, 90]).Holds((length, width) => Assert.Equal(
            4 * new PieceShape(outline, length, width).AreaCm2, new PieceShape(outline, 2 * length, 2 * width).AreaCm2, 1e-6));
    }

    [Fact]
    public void A_point_knows_how_far_the_edge_is()
    {
        var shape = new PieceShape(OutlineLibrary.Get("round"), 20, 20);
        Assert.Equal(10, shape.PointAt(0.5, 0).EdgeMm, 0.1);
        Assert.Equal(0, shape.PointAt(0.5, 1).EdgeMm, 0.05);
        Assert.Equal(0, shape.RowAtMm(10).PointAt(25).EdgeMm);
        Assert.Equal(1, shape.RowAtMm(10).PointAt(-25).Across);
    }

    [Theory]
    [InlineData(0, 10)]
    [InlineData(10, -1)]
    [InlineData(10, 0)]
    public void A_piece_without_size_is_refused(double length, double width) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => new PieceShape(OutlineLibrary.Get("bud"), length, width));

    [Fact]
    public void Veins_take_more_here_and_less_there_but_the_same_on_the_whole()
    {
        foreach (var veins in new[] { VeinPattern.Fan, VeinPattern.Feather, VeinPattern.Palm })
        {
            var shares = Enumerable.Range(0, 300).SelectMany(i => Enumerable.Range(0, 300),
                (i, j) => veins.LoadShareAt(new PiecePoint((i + 0.5) / 300, (j + 0.5) / 300, 1))).ToList();
            Assert.Equal(1, shares.Average(), 0.08);
            Assert.All(shares, share => Assert.InRange(share, 0.7, 1.3));
        }
    }
}
