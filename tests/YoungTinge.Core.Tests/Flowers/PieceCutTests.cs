using CsCheck;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Flowers;

/// <summary>Thinned rims, lobes in one, nubs, both hands, and sizes by the ball.</summary>
public class PieceCutTests
{
    private static Piece Cut(PieceCut cut) => Petal with { Form = Petal.Form with { Cut = cut, IsWired = false } };

    private static double GramsOf(Piece piece) => PasteQuantity.For(piece, 1).PieceG;

    [Fact]
    public void Lobes_a_nub_and_a_thin_rim_are_weighed()
    {
        var plain = GramsOf(Cut(PieceCut.Plain));
        Assert.Equal(4 * plain, GramsOf(Cut(new PieceCut(Lobes: 4))), 1e-9);
        Assert.Equal(plain + BenchBall.GramsOf(6), GramsOf(Cut(new PieceCut(NubMm: 6))), 1e-9);
        Assert.Equal(plain, GramsOf(Cut(new PieceCut(RimMm: Petal.ThicknessMm))), 1e-9);
        // A disc that falls off evenly to nothing at its rim is a cone: a third of the disc.
        var disc = new Piece("Disc", "round", 60, 60, 0.9, false, PartOf.Flower, 1, 0);
        PieceForm form = disc.Form with { IsWired = false };
        var (even, thinned) = (GramsOf(disc with { Form = form }), GramsOf(disc with { Form = form with { Cut = new PieceCut(RimMm: 1e-9) } }));
        Assert.Equal(1 / 3.0, thinned / even, 0.02);
    }

    [Fact]
    public void What_cannot_be_cut_is_told_at_its_field()
    {
        static List<string> Told(Piece piece) => [.. PieceCheck.Problems(piece).Select(problem => $"{problem.Path} {problem.Code}")];
        Assert.Empty(Told(Cut(new PieceCut(0.3, 5, 6, true))));
        Assert.Equal(["form.cut.rimMm RimOutOfRange"], Told(Cut(new PieceCut(RimMm: Petal.ThicknessMm + 0.1))));
        Assert.Equal(["form.cut.rimMm RimOutOfRange"], Told(Cut(new PieceCut(RimMm: double.NaN))));
        Assert.Equal(["form.cut.lobes LobesOutOfRange"], Told(Cut(new PieceCut(Lobes: 0))));
        Assert.Equal(["form.cut.nubMm NubOutOfRange"], Told(Cut(new PieceCut(NubMm: 41))));
        Assert.Equal(["form.cut.lobes LobesOfASolid"], Told(Cut(new PieceCut(Lobes: 2)) with { Solid = true }));
        Assert.Equal(["form.gatheredBy GatheredOutOfRange"], Told(Petal with { Form = Petal.Form with { GatheredBy = 0 } }));
    }

    [Fact]
    public void A_floret_cut_in_one_looks_as_its_petals_do_by_themselves()
    {
        Piece one = Petal with { PerPart = 1, Form = Petal.Form with { Cut = new PieceCut(Lobes: 5) } };
        var (joined, apart) = (Bloom.Of([one]), Bloom.Of([Petal]));
        Assert.Equal(apart.Select(piece => (piece.AngleDegrees, piece.BaseMm, piece.LengthShare)), joined.Select(piece => (piece.AngleDegrees, piece.BaseMm, piece.LengthShare)));
        Assert.Equal(Bloom.OverlapOf(Petal), Bloom.OverlapOf(one));
        Assert.False(one.IsWired);
        Piece both = Petal with { Form = Petal.Form with { Cut = new PieceCut(InBothHands: true) } };
        Assert.Equal([false, true, false, true, false], Bloom.Of([both]).OrderBy(piece => piece.Number).Select(piece => piece.IsTurnedOver));
    }

    /// <summary>Against counting small squares; and its halves differ, as those of no other outline do.</summary>
    [Fact]
    public void A_notched_petal_has_two_halves_of_its_own()
    {
        var shape = new PieceShape(OutlineLibrary.Get("notched-petal"), 40, 30);
        const int each = 400;
        var cells = shape.Cells(each, withEdge: false).ToList();
        Assert.Equal(shape.AreaCm2, cells.Count * 40 * 30 / 100.0 / each / each, 0.01 * shape.AreaCm2);
        Assert.True(cells.Count(cell => cell.XMm < 0) < 0.85 * cells.Count(cell => cell.XMm > 0));
        var (right, left) = (shape.PointAt(0.64, 0.5), shape.PointAt(0.64, 0.5, onLeft: true));
        Assert.True(left.XMm < 0 && -left.XMm < right.XMm && left.EdgeMm < right.EdgeMm);
        Assert.Equal(["notched-petal"], OutlineLibrary.All.Where(outline => outline.IsHanded).Select(outline => outline.Id));
    }

    private static readonly Gen<Piece> Pieces = Gen.Select(Gen.Int[0, OutlineLibrary.All.Count - 1], Gen.Double[8, 80], Gen.Double[8, 80], Gen.Double[0.3, 1.5], Gen.Int[0, 3])
        .Select((outline, length, width, thick, kind) => new Piece("Any", OutlineLibrary.All[outline].Id, length, width, kind == 0 ? Math.Min(length, width) : thick, kind == 0, PartOf.Flower, 5, 0));

    [Fact]
    public void A_piece_sized_by_its_paste_takes_just_that() => Gen.Select(Pieces, Gen.Double[0.5, 3]).Holds((piece, times) =>
    {
        var wanted = times * GramsOf(piece);
        if (BallSize.Of(piece, wanted) is not { } sized)
            return;
        Assert.Equal(wanted, GramsOf(sized), 1e-6 * wanted);
        Assert.Equal(piece.LengthMm / piece.WidthMm, sized.LengthMm / sized.WidthMm, 1e-9);
        Assert.True(piece.Solid || piece.ThicknessMm == sized.ThicknessMm);
        // As it is cut, to a tenth, it still goes with the hole that it was sized by.
        var cut = sized with { LengthMm = Math.Round(sized.LengthMm, 1), WidthMm = Math.Round(sized.WidthMm, 1), ThicknessMm = piece.Solid ? Math.Round(sized.ThicknessMm, 1) : sized.ThicknessMm };
        Assert.Equal(1, SizingHoles.For(GramsOf(cut), [BenchBall.DiameterMmOf(wanted)]));
    }, turns: 60);

    [Fact]
    public void Over_a_core_only_the_skin_grows_and_what_is_bought_has_no_size_of_its_own()
    {
        var core = new Piece("Middle", "round", 24, 24, 24, true, PartOf.Flower, 1, 0) { Form = PieceForm.Usual(PieceRole.Centre) with { Body = new PieceBody(BodyKind.CoveredCore, 20, 2) } };
        var sized = BallSize.Of(core, 2 * GramsOf(core))!;
        Assert.Equal((20.0, 20 + 2 * sized.Body.SkinMm), (sized.Body.CoreMm, sized.LengthMm));
        Assert.Equal(2 * GramsOf(core), GramsOf(sized), 1e-6);
        Assert.Null(BallSize.Of(core with { Form = core.Form with { Body = PieceBody.Bought } }, 1));
        Assert.Null(BallSize.Of(Petal, 1e6));
        Assert.Null(BallSize.Of(Petal, double.NaN));
    }

    [Fact]
    public void A_hole_holds_the_ball_of_a_piece_and_hardly_more()
    {
        double[] holesMm = [4, 6, 8, 10];
        Assert.Equal(3, SizingHoles.For(BenchBall.GramsOf(8), holesMm));
        Assert.Equal(3, SizingHoles.For(0.95 * BenchBall.GramsOf(8), holesMm));
        Assert.Null(SizingHoles.For(1.05 * BenchBall.GramsOf(8), holesMm));
        Assert.Null(SizingHoles.For(2 * BenchBall.GramsOf(10), holesMm));
        Assert.Null(SizingHoles.For(0, holesMm));
        Assert.Null(SizingHoles.For(1, []));
    }
}
