using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Tests.Work;
using YoungTinge.Core.Work;

namespace YoungTinge.Core.Tests.Mixing;

public class LetDownTests
{
    private static readonly DoseUnit Touch = new(DoseUnitKind.Touch, 0.015);

    [Fact]
    public void The_dose_arrives_everything_can_be_weighed_and_no_paste_is_lost() =>
        Gen.Select(Gen.Double[-5, -1], Gen.Double[5, 1000]).Holds((log, pasteG) =>
        {
            var dose = Math.Pow(10, log);
            if (LetDown.For(dose, Touch, pasteG) is not { } letDown)
                return;
            Assert.InRange(letDown.DoseG, dose * 0.97, dose * 1.03);
            var carriedG = letDown.Units * Touch.MassG;
            Assert.All(letDown.Lumps, lump =>
            {
                // Nobody makes more of a lump than she needs of the batch.
                Assert.True(lump.WhiteG + carriedG <= pasteG, $"{lump} for {pasteG}");
                carriedG = lump.PartG;
                Assert.InRange(lump.PartG, 2 - 1e-9, lump.WhiteG + 5);
                Assert.Equal(lump.PartG, Math.Round(lump.PartG, 1), 1e-9);
            });
            var whiteG = pasteG - letDown.BroughtG + letDown.Lumps.Sum(lump => lump.WhiteG);
            Assert.Equal(whiteG + letDown.Units * Touch.MassG, pasteG + letDown.DoseG + letDown.WasteG, 1e-9);
        });

    /// <summary>One lump and one unit, tried gram by gram.</summary>
    [Theory]
    [InlineData(0.010)]
    [InlineData(0.005)]
    [InlineData(0.002)]
    public void None_wastes_less(double doseG)
    {
        var letDown = LetDown.For(doseG, Touch, 180)!;
        var least = double.PositiveInfinity;
        for (var whiteG = 5; whiteG <= 120; whiteG++)
        {
            var part = Math.Round(doseG / Touch.MassG * (whiteG + Touch.MassG), 1);
            var got = Touch.MassG * part / (whiteG + Touch.MassG);
            if (part >= 2 && Math.Abs(got / doseG - 1) <= 0.03)
                least = Math.Min(least, whiteG + Touch.MassG - part);
        }

        Assert.InRange(letDown.WasteG, 0, least + 1e-9);
    }

    [Fact]
    public void A_speck_takes_two_lumps() => Assert.Equal(2, LetDown.For(0.0002, Touch, 180)!.Lumps.Count);

    [Fact]
    public void What_cannot_be_made_is_not_made_up()
    {
        Assert.Null(LetDown.For(1e-9, Touch, 180));
        // A part of 2 g does not go into a batch of 1 g.
        Assert.Null(LetDown.For(0.001, Touch, 1));
        Assert.Throws<ArgumentOutOfRangeException>(() => LetDown.For(double.NaN, Touch, 180));
        Assert.Throws<ArgumentOutOfRangeException>(() => LetDown.For(0.01, Touch, 0));
    }

    /// <summary>Two let-downs in one paste, and the white of both is taken off what is weighed, once.</summary>
    [Fact]
    public void What_let_downs_bring_adds_up_and_is_taken_off_once() => Gen.Select(Gen.Double[0.001, 0.02].Array[2, 3], Gen.Double[30, 400]).Holds((doses, pasteG) =>
    {
        string[] ids = ["inkcap", "ember", "lichen"];
        var recipe = TestData.Recipe([.. doses.Select((dose, i) => (ids[i], dose))]);
        var batch = DosedRecipe.For(recipe, pasteG, TestData.Cabinet);
        Assert.InRange(batch.BroughtG, 0, pasteG);
        var wholeG = pasteG - batch.BroughtG + batch.Colours.Sum(colour => colour.LetDown is { } letDown ? letDown.Lumps[^1].PartG + (colour.MeasuredG - letDown.DoseG) : colour.MeasuredG);
        Assert.Equal(pasteG + batch.Colours.Sum(colour => colour.MeasuredG), wholeG, 1e-9);
        // The same on the run sheet and on the sheet of the day.
        var plan = TestPlans.Plan() with { Paste = recipe };
        var weigh = TestWork.Graph(plan).Paste();
        var work = new PlannedWork(Guid.NewGuid(), TestPlans.Petal, 7, plan);
        var part = PasteDaySheet.Of([new(Guid.NewGuid(), Guid.NewGuid(), [work], null, null)], TestData.Cabinet).Single().Mixed.Single();
        Assert.Equal((weigh.WeighG, weigh.Batch.BroughtG), (part.WeighG, part.Batch.BroughtG));
    }, turns: 40);

    [Fact]
    public void A_recipe_with_a_speck_in_it_comes_out_right_by_let_down()
    {
        var batch = DosedRecipe.For(TestData.Recipe(("rowan", 0.3), ("inkcap", 0.004)), 180, TestData.Cabinet);
        Assert.Null(batch.Colours[0].LetDown);
        Assert.NotNull(batch.Colours[1].LetDown);
        Assert.InRange(batch.RoundingDeltaE, 0, 0.5);
    }
}
