using CsCheck;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Coats;

/// <summary>Painted details, and places put together.</summary>
public class MarkingTests
{
    private static readonly PieceShape Shape = Petal.Shape();

    private static readonly Gen<Marking> Markings = Gen.Select(
        Gen.Int[0, 5], Gen.Double[0.4, 4], Gen.Double[1.5, 8], Gen.Double[0, 1], Gen.Int[0, 9999],
        (kind, size, spacing, waver, seed) => new Marking((MarkingKind)kind, size, spacing, waver, seed));

    private static WashCoat Painted(Marking marking, Place? place = null, double gPerMl = 0.15) =>
        new(Guid.NewGuid(), [new("foxberry", 1)], "clear-spirit", gPerMl, 0.004, place ?? Place.Whole, Sides.Face) { Marking = marking };

    private static double CoverOf(Marking marking, Place place, PieceShape? shape = null)
    {
        var piece = shape ?? Shape;
        return new CoverMap(MarkingShapes.Of(marking, place, piece), piece).ShareOf(0, piece.LengthMm / 2, piece.WidthMm, piece.LengthMm);
    }

    /// <summary>An independent count: which of many random points lie in any shape, by the winding of its corners.</summary>
    [Fact]
    public void A_cover_map_hides_what_lies_inside_its_shapes() => Markings.Holds(
        marking =>
        {
            var shapes = MarkingShapes.Of(marking, Place.Whole, Shape);
            var map = new CoverMap(shapes, Shape);
            var chance = new Random(marking.Seed);
            var inside = 0;
            const int points = 4000;
            for (var i = 0; i < points; i++)
            {
                double x = (chance.NextDouble() - 0.5) * Shape.WidthMm, y = chance.NextDouble() * Shape.LengthMm;
                inside += shapes.Any(shape => Winds(shape.Ring, x, y)) ? 1 : 0;
            }

            Assert.Equal((double)inside / points, map.ShareOf(0, Shape.LengthMm / 2, Shape.WidthMm, Shape.LengthMm), 0.035);
        },
        turns: 30);

    private static bool Winds(IReadOnlyList<(double X, double Y)> ring, double x, double y)
    {
        var turn = 0.0;
        for (var i = 0; i < ring.Count; i++)
        {
            var (a, b) = (ring[i], ring[(i + 1) % ring.Count]);
            var by = Math.Atan2(b.Y - y, b.X - x) - Math.Atan2(a.Y - y, a.X - x);
            turn += by > Math.PI ? by - 2 * Math.PI : by < -Math.PI ? by + 2 * Math.PI : by;
        }

        // Odd times round, as the map fills them.
        return Math.Abs(Math.Round(turn / (2 * Math.PI))) % 2 == 1;
    }

    [Fact]
    public void The_same_seed_paints_the_same_strokes_and_another_one_others() => Markings.Holds(
        marking =>
        {
            static string Written(IEnumerable<MarkShape> shapes) => string.Join(';', shapes.SelectMany(shape => shape.Ring));
            var first = Written(MarkingShapes.Of(marking, Place.Whole, Shape));
            Assert.Equal(first, Written(MarkingShapes.Of(marking, Place.Whole, Shape)));
            if (marking.Waver > 0.1)
                Assert.NotEqual(first, Written(MarkingShapes.Of(marking with { Seed = marking.Seed + 1 }, Place.Whole, Shape)));
        },
        turns: 60);

    [Fact]
    public void Every_detail_leaves_strokes_that_are_larger_when_it_is()
    {
        foreach (var kind in Enum.GetValues<MarkingKind>())
        {
            var thin = CoverOf(new Marking(kind, 1, 5, 0.3, 4), Place.Whole);
            var thick = CoverOf(new Marking(kind, 2, 5, 0.3, 4), Place.Whole);
            Assert.InRange(thin, 0.0002, 0.5);
            Assert.True(thick > 1.3 * thin, kind.ToString());
        }
    }

    [Fact]
    public void Freckles_are_as_dense_as_their_spacing_and_size_say()
    {
        // A net of cells, one disc in each, over an ellipse: pi/4 of the box is piece.
        var round = new PieceShape(OutlineLibrary.Get("round"), 60, 60);
        var cover = CoverOf(new Marking(MarkingKind.Dots, 1.5, 3, 0, 1), Place.Whole, round);
        Assert.Equal(Math.PI * 0.75 * 0.75 / 9 * Math.PI / 4, cover, 0.02);
    }

    [Fact]
    public void Strokes_thin_out_where_their_place_fades_and_end_with_it()
    {
        var atFoot = new Place(PlaceKind.Base, 0, 0.2, 0.3);
        foreach (var kind in Enum.GetValues<MarkingKind>().Where(kind => kind != MarkingKind.Blotch))
        {
            var map = new CoverMap(MarkingShapes.Of(new Marking(kind, 1.2, 3, 0.4, 8), atFoot, Shape), Shape);
            var (foot, top) = (map.ShareOf(0, 0.12 * Shape.LengthMm, Shape.WidthMm, 0.2 * Shape.LengthMm), map.ShareOf(0, 0.8 * Shape.LengthMm, Shape.WidthMm, 0.4 * Shape.LengthMm));
            Assert.True(foot > 0 && top == 0, $"{kind}: {foot} {top}");
        }
    }

    [Fact]
    public void A_blotch_lies_in_the_middle_of_its_place()
    {
        var ring = MarkingShapes.Of(new Marking(MarkingKind.Blotch, 8, 1, 0.5, 3), new Place(PlaceKind.Tip, 0, 0.1, 0.1), Shape)[0].Ring;
        Assert.Equal(0, ring.Average(at => at.X), 0.6);
        Assert.InRange(ring.Average(at => at.Y) / Shape.LengthMm, 0.85, 1);
    }

    [Fact]
    public void A_painted_line_round_the_edge_is_as_wide_as_it_says()
    {
        var round = new PieceShape(OutlineLibrary.Get("round"), 40, 40);
        var map = new CoverMap(MarkingShapes.Of(new Marking(MarkingKind.PicoteeRim, 2, 1, 0, 1), Place.Whole, round), round);
        // Along the middle line: two millimetres at either end.
        Assert.Equal(4.0 / 40, map.ShareOf(0, 20, 40, 0.2), 0.01);
    }

    /// <summary>An eye at arm's length takes the mean of light, stroke and ground by their areas.</summary>
    [Fact]
    public void A_zone_with_a_detail_lies_between_bare_and_painted_by_the_share_that_is_hidden()
    {
        var light = Illuminant.D65;
        var marking = new Marking(MarkingKind.Dots, 1.4, 2.6, 0.8, 17);
        var coat = Painted(marking);
        Lab Seen(params Coat[] coats) => new ZoneColourEvaluator(new ResolvedPlan(Plan() with { Coats = coats }, TestData.Cabinet), Shape).See(Zone.Heart);
        var (bare, full, dotted) = (Seen(), Seen(coat with { Marking = new Marking(MarkingKind.Blotch, 60, 1, 0, 1) }), Seen(coat));
        double Y(Lab lab) => XyzFromLab.Convert(lab, light.White).Y;
        var samples = ZoneArea.Of(Zone.Heart).Samples(Shape).ToList();
        var map = new CoverMap(MarkingShapes.Of(marking, Place.Whole, Shape), Shape);
        var share = samples.Average(one => map.ShareOf(one.Point.XMm, one.Point.YMm, one.CellAcrossMm, one.CellAlongMm));
        Assert.InRange(share, 0.05, 0.6);
        Assert.Equal(Y(bare) + share * (Y(full) - Y(bare)), Y(dotted), 1e-6);
    }

    /// <summary>Freckles are painted on purpose; a detail that hides most of a zone is its look.</summary>
    [Fact]
    public void A_zone_is_judged_by_its_ground_not_by_what_is_painted_on_it()
    {
        ZoneHistory Heart(params Coat[] coats) => BuildUp.Of(new ResolvedPlan(Plan() with { Coats = coats }, TestData.Cabinet), Shape).Single(zone => zone.Zone == Zone.Heart);
        var freckled = Heart(Painted(new Marking(MarkingKind.Dots, 1.4, 2.6, 0.8, 17)));
        var bare = Heart();
        Assert.Equal(0, DeltaE2000.Between(bare.Ground, freckled.Ground), 1e-9);
        Assert.Equal(bare.Difference.DeltaE, freckled.Difference.DeltaE, 1e-9);
        Assert.NotEqual(bare.Finished, freckled.Finished);
        var hidden = Heart(Painted(new Marking(MarkingKind.Blotch, 60, 1, 0, 1)));
        Assert.Equal(hidden.Finished, hidden.Ground);
        Assert.Empty(hidden.Details);
        Assert.Single(freckled.Details);
        Assert.NotEqual(bare.Ground, hidden.Ground);
    }

    [Fact]
    public void The_picture_shows_a_detail_sharp_and_its_ground_without_it()
    {
        var plan = Plan(Painted(new Marking(MarkingKind.Veins, 1, 1, 0.2, 2)), Painted(new Marking(MarkingKind.Dots, 1, 3, 0.5, 2)) with { Sides = Sides.Back });
        var picture = PiecePicture.Of(new ResolvedPlan(plan, TestData.Cabinet), Shape);
        Assert.Equal(PiecePicture.Of(new ResolvedPlan(Plan(), TestData.Cabinet), Shape).Face.Field.Rgb, picture.Face.Field.Rgb);
        var mark = Assert.Single(picture.Face.Marks);
        Assert.Single(picture.Back.Marks);
        Assert.StartsWith("M", mark.Path, StringComparison.Ordinal);
        Assert.DoesNotContain("NaN", mark.Path, StringComparison.Ordinal);
        // Where it lies, it is painted over the ground; well beside it nothing is worked out.
        var middle = 3 * (48 * mark.Field.Columns + mark.Field.Columns / 2);
        Assert.NotEqual(picture.Face.Field.Rgb[middle..(middle + 3)], mark.Field.Rgb[middle..(middle + 3)]);
        Assert.NotEqual(0, mark.Field.Rgb[middle]);
    }

    [Fact]
    public void A_coat_on_one_half_leaves_the_other_bare()
    {
        var field = PiecePicture.Of(new ResolvedPlan(Plan(Dust("wine-lees", 0.3, Place.Whole with { Half = PieceHalf.Left })), TestData.Cabinet), Shape).Face.Field;
        var bare = PiecePicture.Of(new ResolvedPlan(Plan(), TestData.Cabinet), Shape).Face.Field;
        var at = 3 * (48 * field.Columns);
        byte[] At(ColourField of, int column) => of.Rgb[(at + 3 * column)..(at + 3 * column + 3)];
        Assert.Equal(At(bare, 50), At(field, 50));
        Assert.NotEqual(At(bare, 20), At(field, 20));
    }

    private static readonly Gen<PiecePoint> Points =
        Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[0, 20], Gen.Double[-20, 20], (along, across, edge, x) => new PiecePoint(along, across, edge, x, 48 * along));

    private static readonly Gen<Place> Places = Gen.Select(
        Gen.Int[0, 5], Gen.Double[0, 0.5], Gen.Double[0.5, 1], Gen.Double[0, 0.5], (kind, start, end, feather) => new Place((PlaceKind)kind, start, end, feather));

    [Fact]
    public void Places_put_together_are_the_fullest_of_them_and_only_within_their_bound() => Gen.Select(Places, Places, Places, Points).Holds((one, other, within, point) =>
    {
        foreach (var veins in Enum.GetValues<VeinPattern>())
        {
            double Mask(Place place) => place.MaskAt(point, veins);
            Assert.Equal(Math.Max(Mask(one), Mask(other)), Mask(one with { Also = [other] }), 1e-12);
            Assert.Equal(Mask(one) * Mask(within), Mask(one with { Within = within }), 1e-12);
            Assert.Equal(Mask(one), Mask(one with { Half = PieceHalf.Left }) + Mask(one with { Half = PieceHalf.Right }), 1e-12);
            Assert.InRange(Mask(one with { Relief = Relief.Ridges }), 0, Mask(one));
            Assert.InRange(Mask(one with { Relief = Relief.Ridges }) + Mask(one with { Relief = Relief.Grooves }), 0, veins == VeinPattern.None ? 2 : 1 + 1e-9);
        }
    });

    [Fact]
    public void A_bar_goes_by_millimetres_from_the_midrib()
    {
        var bar = new Place(PlaceKind.Bar, 0, 2, 2);
        Assert.Equal([1, 1, 0.5, 0], new[] { 0.0, -2, 3, -4.5 }.Select(x => bar.MaskAt(new PiecePoint(0.5, 0.2, 5, x))));
        Assert.True(bar.IsInMm);
    }

    [Fact]
    public void Only_the_strokes_of_a_detail_take_colour()
    {
        var wash = new WashCoat(Guid.NewGuid(), [new("foxberry", 1)], "clear-spirit", 0.1, 0.01, Place.Whole, Sides.Face);
        double Ml(WashCoat coat) => coat.Resolve(TestData.Cabinet).AmountFor(Shape, 200).Ml!.Value;
        var dotted = Ml(wash with { Marking = new Marking(MarkingKind.Dots, 1.5, 4, 0.5, 1) });
        Assert.InRange(dotted / Ml(wash), 0.06, 0.2);
    }

    [Theory]
    [InlineData(0.1, 3, 0.5, "coats[0].marking.sizeMm", PlanProblemCode.MarkSizeOutOfRange)]
    [InlineData(61, 3, 0.5, "coats[0].marking.sizeMm", PlanProblemCode.MarkSizeOutOfRange)]
    [InlineData(1, 0.1, 0.5, "coats[0].marking.spacingMm", PlanProblemCode.SpacingOutOfRange)]
    [InlineData(1, 3, 1.5, "coats[0].marking.waver", PlanProblemCode.WaverOutOfRange)]
    [InlineData(1, 3, double.NaN, "coats[0].marking.waver", PlanProblemCode.WaverOutOfRange)]
    public void What_no_brush_can_paint_is_said_at_its_field(double size, double spacing, double waver, string path, PlanProblemCode code)
    {
        var problem = Assert.Single(PlanCheck.Problems(Plan(Painted(new Marking(MarkingKind.Dots, size, spacing, waver, 1))), TestData.Cabinet));
        Assert.Equal((path, code), (problem.Path, problem.Code));
    }

    [Fact]
    public void Places_of_places_and_ends_before_starts_are_refused_where_they_stand()
    {
        var tip = new Place(PlaceKind.Tip, 0, 0.2, 0.1);
        string[] Paths(Place place) => [.. PlanCheck.Problems(Plan(Dust("wine-lees", place: place)), TestData.Cabinet).Select(problem => problem.Path)];
        Assert.Empty(Paths(tip with { Also = [tip], Within = tip }));
        Assert.Equal(["coats[0].place.also[0].end"], Paths(tip with { Also = [tip with { Start = 0.5, End = 0.1 }] }));
        Assert.Equal(["coats[0].place.within.feather"], Paths(tip with { Within = tip with { Feather = 3 } }));
        Assert.Equal(["coats[0].place.also[0].also"], Paths(tip with { Also = [tip with { Also = [tip] }] }));
        Assert.Equal(["coats[0].place.within.within"], Paths(tip with { Within = tip with { Within = tip } }));
        Assert.Equal(["coats[0].place.also"], Paths(tip with { Also = [tip, tip, tip, tip, tip] }));
    }
}
