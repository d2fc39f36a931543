using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Tests.Work;
using YoungTinge.Core.Work;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Mixing;

public class QuantityTests
{
    [Fact]
    public void A_ball_weighs_what_geometry_says()
    {
        var ball = new Piece("Berry", "round", 20, 20, 20, Solid: true, PartOf.Flower, 1, 0);
        var quantity = PasteQuantity.For(ball, 1);
        // The round outline is a circle to half a percent.
        Assert.Equal(4.0 / 3 * Math.PI * 1.30, quantity.PieceG, 0.05);
        Assert.InRange(quantity.Ball.Mm, 20, 21);
    }

    [Fact]
    public void A_flat_piece_weighs_its_area_times_its_thickness_and_its_ridge()
    {
        var quantity = PasteQuantity.For(Petal, 7);
        var ridgeCm3 = 0.6 * 4.8 * 0.3 * 0.1 / 2;
        Assert.Equal((Petal.Shape().AreaCm2 * 0.06 + ridgeCm3) * 1.30, quantity.PieceG, 1e-9);
        Assert.Equal(42, quantity.Pieces);
        Assert.InRange(quantity.BatchG, 42 * quantity.PieceG * 1.12, 42 * quantity.PieceG * 1.25 + 1);
    }

    [Fact]
    public void A_ball_of_the_piece_has_the_pieces_mass() => Gen.Double[0.01, 500].Holds(grams =>
    {
        var radiusCm = BenchBall.DiameterMmOf(grams) / 20;
        Assert.Equal(grams, 4.0 / 3 * Math.PI * radiusCm * radiusCm * radiusCm * 1.30, 1e-9 * grams);
        Assert.Equal(grams, BenchBall.GramsOf(BenchBall.DiameterMmOf(grams)), 1e-9 * grams);
    });

    /// <summary>By either ruler: a ball that is rolled as the sheet says holds its piece, and the batch holds all the balls.</summary>
    [Fact]
    public void A_ball_is_never_smaller_than_its_piece_and_the_batch_covers_them_all() => Gen.Select(
        Gen.Double[3, 90], Gen.Double[3, 80], Gen.Double[0.3, 1.2], Gen.Bool, Gen.Int[1, 60], Gen.Int[1, 12]).Holds((length, width, thickness, solid, perPart, parts) =>
    {
        var quantity = PasteQuantity.For(Petal with { LengthMm = length, WidthMm = width, ThicknessMm = thickness, Solid = solid, PerPart = perPart }, parts);
        var inchMm = quantity.Ball.InchParts * 25.4 / BenchBall.PartsOfInch;
        foreach (var shownMm in new[] { quantity.Ball.Mm, inchMm })
        {
            Assert.True(BenchBall.GramsOf(shownMm) >= quantity.PieceG - 1e-9);
            Assert.True(quantity.Pieces * BenchBall.GramsOf(shownMm) <= quantity.BatchG + 1e-6);
        }

        // What a hand tells apart: half millimetres while it is small, whole ones later, and sixteenths of an inch.
        Assert.Equal(0, (quantity.Ball.Mm <= 12 ? 2 : 1) * quantity.Ball.Mm % 1, 1e-9);
        Assert.True(quantity.Ball.Mm <= 12 || quantity.Ball.InchParts % 2 == 0);
    });

    [Theory]
    [InlineData(5, 0.2, 7, 42)]
    [InlineData(1, 0.34, 3, 5)]
    [InlineData(3, 0, 9, 27)]
    [InlineData(2, 0.5, 0, 0)]
    public void Spares_are_rounded_up(int perPart, double spares, int parts, int expected) =>
        Assert.Equal(expected, (Petal with { PerPart = perPart, SpareShare = spares }).ToMake(parts));

    [Fact]
    public void Doses_are_counted_in_the_units_of_the_jar()
    {
        var batch = DosedRecipe.For(new PasteRecipe("bright-white-paste", [new Dose("gorse", 0.1), new Dose("quince", 0.2)]), 150, TestData.Cabinet);
        Assert.Equal([0.15, 0.30], batch.Colours.Select(colour => Math.Round(colour.Grams, 9)));
        Assert.Equal([(DoseUnitKind.Touch, 10), (DoseUnitKind.Drop, 8)], batch.Colours.Select(colour => (colour.Units!.Unit.Kind, colour.Units.Whole)));
        Assert.True(batch.RoundingDeltaE > 0);
        Assert.All(batch.Colours, colour => Assert.True(colour.OneUnitMore > 0));
    }

    [Fact]
    public void Many_touches_become_the_next_larger_unit_and_too_few_are_said()
    {
        var gorse = TestData.Cabinet.Get<Colourant>("gorse");
        Assert.Equal(DoseUnitKind.Drop, UnitChoice.For(gorse, 2.0)!.Unit.Kind);
        Assert.Equal(DoseUnitKind.Touch, UnitChoice.For(gorse, 0.3)!.Unit.Kind);
        Assert.True(UnitChoice.For(gorse, 0.004)!.IsUnderOne);
        Assert.Null(UnitChoice.For(gorse with { Units = [] }, 1));
    }

    [Fact]
    public void Dust_grows_with_area_load_and_pieces_and_is_never_too_little_to_mix()
    {
        var shape = new PieceShape(OutlineLibrary.Get("round"), 100, 100);
        var whole = Dust("wine-lees", 0.35).Resolve(TestData.Cabinet).AmountFor(shape, 100).Powders.Sum(dust => dust.Grams);
        // 100 pieces x 78.5 cm2 x 0.35 mg/cm2, of which a brush leaves 35 % on the piece.
        Assert.Equal(100 * shape.AreaCm2 * 0.35 / 0.35 / 1000, whole, 1e-6);
        var both = Dust("wine-lees", 0.35, sides: Sides.Both).Resolve(TestData.Cabinet).AmountFor(shape, 100).Powders.Sum(dust => dust.Grams);
        Assert.Equal(2 * whole, both, 1e-6);
        var half = Dust("wine-lees", 0.35, new Place(PlaceKind.Base, 0, 0.5, 0)).Resolve(TestData.Cabinet).AmountFor(shape, 100).Powders.Sum(dust => dust.Grams);
        Assert.Equal(whole / 2, half, whole * 0.03);
        // However little a coat takes, a pot is never too little to mix.
        Assert.True(TestWork.Graph(Plan(Dust("wine-lees", 0.001)), parts: 1).Steps<MixPot>().Single().Pot.PowderG >= 0.2);
    }

    [Theory]
    [InlineData(0.01, LoadWord.Light)]
    [InlineData(0.08, LoadWord.Light)]
    [InlineData(0.1, LoadWord.Medium)]
    [InlineData(0.3, LoadWord.Heavy)]
    [InlineData(0.8, LoadWord.Heavy)]
    public void A_load_has_the_word_of_the_nearest(double mgPerCm2, LoadWord word) => Assert.Equal(word, DustLoad.Nearest(mgPerCm2).Word);

    [Fact]
    public void A_mix_is_known_by_its_dust_and_not_by_its_starch()
    {
        Assert.Equal("wine-lees", DustMix.MainOf([new Portion("plain-cornstarch", 9), new Portion("nettle", 1), new Portion("wine-lees", 2)], TestData.Cabinet));
        Assert.Equal("plain-cornstarch", DustMix.MainOf([new Portion("plain-cornstarch", 1)], TestData.Cabinet));
    }

    [Fact]
    public void A_run_sheet_goes_from_paste_to_comparing_all_pieces_at_each_step()
    {
        var plan = Plan(Dust("wine-lees"), Steam, Glaze(coats: 2));
        var graph = TestWork.Graph(plan);
        Assert.Equal(
            ["MakePaste", "ShapePieces", "DryPieces", "MixPot", "BrushDust", "SteamPieces", "GlazePieces", "GlazePieces", "ComparePieces", "BuildStage", "MakeSpray", "BoxUp"],
            graph.Operations.Select(operation => operation.Step.GetType().Name));
        Assert.Equal(graph.Operations.Count, graph.Operations.Select(operation => operation.Id).Distinct().Count());
        Assert.Equal(42, graph.Steps<BrushDust>().Single().Pieces);
        Assert.Equal(PasteQuantity.For(Petal, 7).BatchG, graph.Paste().WeighG);
        // Lichen is a powder: 8 h x ln(0.35 / 0.03).
        Assert.Equal(8 * Math.Log(0.35 / 0.03), graph.Operations.Single(operation => operation.Block is not null).WaitMinutes / 60, 1e-9);
    }

    [Fact]
    public void A_step_keeps_its_key_when_others_come_and_go()
    {
        var dust = Dust("wine-lees");
        var alone = TestWork.Graph(Plan(dust)).Steps<BrushDust>().Single().Key;
        var among = TestWork.Graph(Plan(Dust("nettle"), Steam, dust)).Steps<BrushDust>()[^1].Key;
        Assert.Equal(alone, among);
    }

    [Fact]
    public void Differences_are_told_the_way_an_eye_sees_them()
    {
        var target = new Lab(60, 20, 20);
        Assert.Equal(DifferenceWay.Darker, Difference.Of(target with { L = 50 }, target).Way);
        Assert.Equal(DifferenceWay.Stronger, Difference.Of(new Lab(60, 32, 32), target).Way);
        Assert.Equal(DifferenceWay.Warmer, Difference.Of(new Lab(60, -10, -5), new Lab(60, -10, -12)).Way);
        Assert.Equal(DifferenceWay.Greener, Difference.Of(new Lab(60, 15, 24), target).Way);
        Assert.Equal(DifferenceSize.There, Difference.Of(target with { L = 60.5 }, target).Size);
    }
}
