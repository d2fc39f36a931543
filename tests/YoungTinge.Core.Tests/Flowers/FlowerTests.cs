using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Targets;

namespace YoungTinge.Core.Tests.Flowers;

/// <summary>Flowers as they are made of pieces: the library, how pieces stand, and what cannot be.</summary>
public class FlowerTests
{
    private static Piece Petals(int count, Arrangement arrangement = Arrangement.Ring, double open = 70, double inset = 3) =>
        new("Petals", "round-petal", 40, 30, 0.5, false, PartOf.Flower, count, 0.2) { Form = PieceForm.Usual(PieceRole.Petal) with { Arrangement = arrangement, OpenDegrees = open, InsetMm = inset } };

    [Fact]
    public void There_are_outlines_and_flowers_enough_to_begin_from()
    {
        Assert.True(OutlineLibrary.All.Count >= 24);
        Assert.Equal(OutlineLibrary.All.Count, OutlineLibrary.All.DistinctBy(outline => outline.Id).Count());
        Assert.True(FlowerLibrary.All.Count >= 20);
        Assert.Equal(FlowerLibrary.All.Count, FlowerLibrary.All.DistinctBy(flower => flower.Id).Count());
        Assert.Contains(FlowerLibrary.All, flower => flower.IsFoliage);
        Assert.All(FlowerLibrary.All.SelectMany(flower => flower.Pieces), piece =>
        {
            Assert.Empty(PieceCheck.Problems(piece.Piece));
            Assert.True(piece.Colouring.StartsWith('#') ? Srgb.TryParseHex(piece.Colouring, out _) : StartingPoints.All.Any(start => start.Id == piece.Colouring), piece.Colouring);
        });
    }

    [Fact]
    public void Every_library_piece_begins_with_a_plan_that_can_be()
    {
        Assert.All(FlowerLibrary.All.SelectMany(flower => flower.Pieces), piece =>
        {
            var plan = NewPlan.For(piece.Colouring, TestData.Cabinet)!;
            Assert.Empty(PlanCheck.Problems(plan, TestData.Cabinet));
            Assert.Empty(plan.Coats);
        });
        Assert.Null(NewPlan.For(null, new Materials([])));
        Assert.All(NewPlan.For("no such flower", TestData.Cabinet)!.Targets.Values, target => Assert.True(target.Colour.L > 80));
    }

    [Fact]
    public void A_ring_stands_evenly_and_the_next_whorl_over_its_gaps()
    {
        var bloom = Bloom.Of([Petals(6, open: 40), Petals(6, open: 85)]);
        Assert.Equal(12, bloom.Count);
        // The open whorl lies lowest, whatever its place in the list.
        Assert.All(bloom.Take(6), piece => Assert.Equal(1, piece.Kind));
        double[] lower = [.. bloom.Take(6).Select(piece => piece.AngleDegrees).Order()], upper = [.. bloom.Skip(6).Select(piece => piece.AngleDegrees).Order()];
        Assert.Equal([0, 60, 120, 180, 240, 300], lower);
        Assert.Equal([30, 90, 150, 210, 270, 330], upper);
        Assert.True(bloom[0].LengthShare > bloom[6].LengthShare);
        Assert.True(bloom[0].Shade > 0);
    }

    [Fact]
    public void From_the_side_a_flower_opens_upwards_and_a_hanging_one_downwards()
    {
        var random = Gen.Select(Gen.Int[1, 24], Gen.Double[5, 120], Gen.Double[0, 10]);
        random.Holds((count, open, inset) =>
        {
            Piece[] kinds = [Petals(count, open: open, inset: inset)];
            var (side, hanging, front) = (Bloom.Of(kinds, KnownFrom.Side), Bloom.Of(kinds, KnownFrom.SideHanging), Bloom.Of(kinds, KnownFrom.Front));
            Assert.Equal(Bloom.Of(kinds), Bloom.Of(kinds, KnownFrom.Above));
            Assert.Equal(count, side.Count);
            // A petal that is not bent back stands in the upper half; hung, every tip is turned over.
            Assert.All(side, piece => Assert.Equal(open <= 90, Math.Cos(piece.AngleDegrees * Math.PI / 180) >= -1e-9));
            Assert.All(side.Zip(hanging), pair => Assert.Equal(180, pair.Second.AngleDegrees - pair.First.AngleDegrees, 1e-9));
            Assert.All(side.Concat(front), piece => Assert.True(piece is { LengthShare: > 0 and <= 1 + 1e-9, WidthShare: > 0 and <= 1 + 1e-9 }));
        }, turns: 300);
        // Petals that look away lie behind those that face who looks.
        var ring = Bloom.Of([Petals(8)], KnownFrom.Side);
        Assert.True(Math.Abs(Math.Sin(ring[0].AngleDegrees * Math.PI / 180)) < Math.Abs(Math.Sin(ring[3].AngleDegrees * Math.PI / 180)));
    }

    [Fact]
    public void A_foxglove_hangs_a_tulip_stands_and_no_size_of_the_library_is_odd()
    {
        KnownFrom Of(string id) => FlowerLibrary.All.Single(flower => flower.Id == id).KnownFrom;
        Assert.Equal((KnownFrom.SideHanging, KnownFrom.Side, KnownFrom.Above), (Of("foxglove-bell"), Of("tulip"), Of("daisy")));
        Assert.All(FlowerLibrary.All.SelectMany(flower => flower.Pieces), piece => Assert.Empty(PieceCheck.Questions(piece.Piece)));
        var petal = Petals(5);
        Assert.Equal(PieceProblemCode.ReallySoThick, Assert.Single(PieceCheck.Questions(petal with { ThicknessMm = 50 })).Code);
        Assert.Equal(PieceProblemCode.ReallySoLarge, Assert.Single(PieceCheck.Questions(petal with { LengthMm = 400 })).Code);
        Assert.Equal(PieceProblemCode.ReallySoMany, Assert.Single(PieceCheck.Questions(petal with { PerPart = 300 })).Code);
        Assert.Empty(PieceCheck.Questions(petal with { Solid = true, ThicknessMm = 30 }));
    }

    [Fact]
    public void What_is_not_part_of_the_open_flower_is_not_seen_in_it()
    {
        var bud = Petals(3) with { PartOf = PartOf.Bud };
        var leaf = Petals(3) with { Form = PieceForm.Usual(PieceRole.Leaf) };
        Assert.Empty(Bloom.Of([bud, leaf]));
        Assert.Equal(0, Bloom.ReachMm([bud, leaf]));
        // Leaves alone are counted by their stems, and leave room for each other.
        Assert.Equal([false, true, false], new Piece[][] { [bud, leaf], [leaf], [] }.Select(Bloom.IsFoliage));
        Assert.All(Bloom.LeavesOf([leaf]), placed => Assert.InRange(placed.BaseMm, 1, leaf.LengthMm));
    }

    [Fact]
    public void A_ball_is_seen_round_from_above()
    {
        var button = new Piece("Button", "round", 14, 12, 12, true, PartOf.Flower, 1, 0) { Form = PieceForm.Usual(PieceRole.Centre) };
        var seen = Assert.Single(Bloom.Of([button]));
        Assert.True(seen.EndOn);
        Assert.Equal(12, seen.LengthShare * button.LengthMm, 1e-9);
        Assert.Equal(-6, seen.BaseMm, 1e-9);
    }

    [Fact]
    public void Any_flower_is_drawn_within_its_reach_and_never_with_too_much() => Gen.Select(
        Gen.Int[1, 400], Gen.Int[0, 2], Gen.Double[0, 150], Gen.Double[0, 40]).Holds((count, arrangement, open, inset) =>
    {
        Piece[] kinds = [Petals(count, (Arrangement)arrangement, open, inset), Petals(count, Arrangement.Spiral, 80)];
        var bloom = Bloom.Of(kinds);
        Assert.InRange(bloom.Count, 1, Bloom.MostPieces);
        var reach = Bloom.ReachMm(kinds);
        Assert.All(bloom, piece =>
        {
            Assert.InRange(piece.BaseMm + piece.LengthShare * kinds[piece.Kind].LengthMm, 0, reach + 1e-9);
            Assert.InRange(piece.Shade, 0, 0.6);
            Assert.InRange(piece.AngleDegrees, -360, 360);
        });
        Assert.InRange(Bloom.OverlapOf(kinds[0]), 0, 1);
    });

    [Fact]
    public void More_petals_in_a_ring_cover_more_of_each_other()
    {
        var overlaps = new[] { 3, 6, 10, 20 }.Select(count => Bloom.OverlapOf(Petals(count))).ToList();
        Assert.Equal(overlaps.Order(), overlaps);
        Assert.Equal(0, Bloom.OverlapOf(Petals(20, Arrangement.Spiral)));
    }

    [Fact]
    public void A_frill_waves_the_edge_inward_and_takes_a_little_of_the_area()
    {
        var plain = Petals(5).Shape();
        var frilled = (Petals(5) with { Form = PieceForm.Usual(PieceRole.Petal) with { Frill = 1 } }).Shape();
        Assert.InRange(frilled.AreaCm2 / plain.AreaCm2, 0.88, 0.99);
        Assert.Equal(VeinPattern.Feather, (Petals(5) with { Form = PieceForm.Usual(PieceRole.Petal) with { Veins = VeinPattern.Feather } }).Shape().Veins);
    }

    [Theory]
    [InlineData("ball")]
    [InlineData("tube")]
    [InlineData("sheet")]
    public void Zones_of_any_build_lie_on_the_piece_and_apart(string build)
    {
        var shape = build switch
        {
            "ball" => new PieceShape(OutlineLibrary.Get("round"), 20, 20, solid: true),
            "tube" => new PieceShape(OutlineLibrary.Get("trumpet"), 30, 26),
            _ => Petals(5).Shape(),
        };
        foreach (var zone in Enum.GetValues<Zone>())
        {
            var samples = ZoneArea.Of(zone, shape.Build).Samples(shape).ToList();
            Assert.All(samples, sample => Assert.True(shape.RowAtMm(sample.Point.YMm).Contains(0.98 * sample.Point.XMm), $"{zone} {sample.Point}"));
            // As many on the left as on the right.
            Assert.Equal(0, samples.Sum(sample => Math.Sign(sample.Point.XMm)));
        }

        double Height(Zone zone) => ZoneArea.Of(zone, shape.Build).Samples(shape).Average(sample => sample.Point.Along);
        Assert.True(Height(Zone.Base) < Height(Zone.Heart) && Height(Zone.Heart) < Height(Zone.Tip));
    }

    [Fact]
    public void A_piece_that_cannot_be_is_said_field_by_field()
    {
        var good = Petals(5);
        Assert.Empty(PieceCheck.Problems(good));
        (string, PieceProblemCode)[] wrong =
        [
            .. new[]
            {
                good with { Name = "  " }, good with { Name = new string('x', 121) }, good with { OutlineId = "hexagon" }, good with { LengthMm = 0 }, good with { WidthMm = 501 },
                good with { ThicknessMm = double.NaN }, good with { PerPart = 0 }, good with { PerPart = 500 }, good with { SpareShare = 3 },
                good with { Form = good.Form with { OpenDegrees = 200 } }, good with { Form = good.Form with { InsetMm = -1 } }, good with { Form = good.Form with { Cup = 2 } },
            }.Select(piece => PieceCheck.Problems(piece).Single()).Select(problem => (problem.Path, problem.Code)),
        ];
        Assert.Equal(
        [
            ("name", PieceProblemCode.NameMissing), ("name", PieceProblemCode.NameTooLong), ("outlineId", PieceProblemCode.UnknownOutline), ("lengthMm", PieceProblemCode.SizeOutOfRange),
            ("widthMm", PieceProblemCode.SizeOutOfRange), ("thicknessMm", PieceProblemCode.ThicknessOutOfRange), ("perPart", PieceProblemCode.PerPartOutOfRange),
            ("perPart", PieceProblemCode.PerPartOutOfRange), ("spareShare", PieceProblemCode.SparesOutOfRange), ("form.openDegrees", PieceProblemCode.OpenOutOfRange),
            ("form.insetMm", PieceProblemCode.InsetOutOfRange), ("form.cup", PieceProblemCode.ShareOutOfRange),
        ], wrong);
    }
}
