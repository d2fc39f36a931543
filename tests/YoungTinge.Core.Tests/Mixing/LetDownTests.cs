using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Tests.Mixing;

public class LetDownTests
{
    private static readonly DoseUnit Touch = new(DoseUnitKind.Touch, 0.015);

    [Fact]
    public void The_dose_arrives_everything_can_be_weighed_and_no_paste_is_lost() =>
        Gen.Select(Gen.Double[-5, -1], Gen.Double[40, 1000]).Sample((log, pasteG) =>
        {
            var dose = Math.Pow(10, log);
            if (LetDown.For(dose, Touch, pasteG) is not { } letDown)
                return;
            Assert.InRange(letDown.DoseG, dose * 0.97, dose * 1.03);
            Assert.All(letDown.Lumps, lump =>
            {
                Assert.InRange(lump.PartG, 2 - 1e-9, lump.WhiteG + 5);
                Assert.Equal(lump.PartG, Math.Round(lump.PartG, 1), 1e-9);
            });
            var whiteG = letDown.BatchWhiteG + letDown.Lumps.Sum(lump => lump.WhiteG);
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

    [Fact]
    public void A_recipe_with_a_speck_in_it_comes_out_right_by_let_down()
    {
        var batch = DosedRecipe.For(TestData.Recipe(("rowan", 0.3), ("inkcap", 0.004)), 180, TestData.Cabinet);
        Assert.Null(batch.Colours[0].LetDown);
        Assert.NotNull(batch.Colours[1].LetDown);
        Assert.InRange(batch.RoundingDeltaE, 0, 0.5);
    }
}
