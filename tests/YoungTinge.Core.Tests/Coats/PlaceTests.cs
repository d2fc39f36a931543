using CsCheck;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Tests.Coats;

public class PlaceTests
{
    private static readonly Gen<PiecePoint> Points =
        Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[0, 20], (along, across, edge) => new PiecePoint(along, across, edge));

    private static readonly Gen<Place> Places = Gen.Select(Gen.Enum<PlaceKind>(), Gen.Double[0, 0.5], Gen.Double[0, 0.5], Gen.Double[0, 1],
        (kind, start, more, feather) => new Place(kind, start, start + more, feather));

    [Fact]
    public void A_mask_is_between_none_and_all() =>
        Gen.Select(Places, Points).Holds((place, point) => Assert.InRange(place.MaskAt(point), 0, 1));

    [Fact]
    public void The_whole_piece_is_covered_everywhere() => Points.Holds(point => Assert.Equal(1, Place.Whole.MaskAt(point)));

    [Theory]
    [InlineData(PlaceKind.Base, 0.02, 0.9)]
    [InlineData(PlaceKind.Tip, 0.98, 0.1)]
    public void A_place_is_full_where_it_begins_and_fades_away_from_it(PlaceKind kind, double near, double far)
    {
        var place = new Place(kind, 0, 0.1, 0.3);
        Assert.Equal(1, place.MaskAt(new PiecePoint(near, 0, 9)));
        Assert.Equal(0, place.MaskAt(new PiecePoint(far, 0, 9)));
        var steps = Enumerable.Range(0, 50).Select(i => place.MaskAt(new PiecePoint(near + (far - near) * i / 49, 0, 9))).ToList();
        Assert.Equal(steps.OrderDescending(), steps);
    }

    [Fact]
    public void A_rim_is_measured_in_millimetres_and_leaves_out_the_foot()
    {
        var rim = new Place(PlaceKind.Rim, 0, 2, 3);
        Assert.Equal(1, rim.MaskAt(new PiecePoint(0.6, 0.9, 1.5)));
        Assert.Equal(0, rim.MaskAt(new PiecePoint(0.6, 0.2, 6)));
        Assert.Equal(0, rim.MaskAt(new PiecePoint(0.02, 0.9, 0.5)));
    }

    [Fact]
    public void Without_a_feather_the_edge_is_a_line()
    {
        var hard = new Place(PlaceKind.Base, 0, 0.3, 0);
        Assert.Equal(1, hard.MaskAt(new PiecePoint(0.2999, 0, 5)));
        Assert.Equal(0, hard.MaskAt(new PiecePoint(0.3001, 0, 5)));
    }

    [Fact]
    public void A_band_can_begin_away_from_its_place()
    {
        var band = new Place(PlaceKind.Base, 0.4, 0.6, 0.1);
        Assert.Equal(0, band.MaskAt(new PiecePoint(0.1, 0, 5)));
        Assert.Equal(1, band.MaskAt(new PiecePoint(0.5, 0, 5)));
        Assert.Equal(0, band.MaskAt(new PiecePoint(0.9, 0, 5)));
    }
}
