using CsCheck;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Work;

/// <summary>What coats take, told in one place for previews, shopping and dust day alike.</summary>
public class CoatAmountTests
{
    private static readonly PieceShape Shape = Petal.Shape();

    private static CoatAmount Of(Coat coat, int pieces = 200) => coat.Resolve(TestData.Cabinet).AmountFor(Shape, pieces);

    private static WashCoat Wash(double wet = 0.01) => new(Guid.NewGuid(), [new("rowan", 2), new("gorse", 1)], "clear-spirit", 0.05, wet, Place.Whole, Sides.Face);

    [Fact]
    public void A_dust_takes_powder_and_no_liquid()
    {
        var amount = Of(Dust("wine-lees", 0.2));
        Assert.Equal((null, null), (amount.LiquidId, amount.Ml));
        // 200 pieces of so many cm2 at 0.2 mg, about a third of which stays on.
        Assert.Equal(200 * Shape.AreaCm2 * 0.2 / 0.35 / 1000, amount.Powders.Sum(powder => powder.Grams), 1e-6);
    }

    [Fact]
    public void A_wash_takes_its_colours_in_their_ratio_and_its_thinner()
    {
        var amount = Of(Wash());
        Assert.Equal("clear-spirit", amount.LiquidId);
        Assert.Equal(2, amount.Powders[0].Grams / amount.Powders[1].Grams, 1e-9);
        Assert.Equal(0.05 * amount.Ml!.Value, amount.Powders.Sum(powder => powder.Grams), 1e-9);
    }

    [Fact]
    public void Glaze_goes_by_its_coats_and_carries_its_tint()
    {
        var tinted = Glaze("pond-dip") with { Tint = new TintMix([new("nettle", 1)], 0.2) };
        var (one, three) = (Of(tinted), Of(tinted with { Coats = 3 }));
        Assert.Equal(3 * one.Ml!.Value, three.Ml!.Value, 1e-9);
        Assert.Equal(0.2 * three.Ml!.Value / 10, three.Powders.Single().Grams, 1e-9);
        Assert.Empty(Of(Glaze()).Powders);
    }

    [Fact]
    public void Steam_takes_nothing() => Assert.Empty(Of(Steam).Powders);

    /// <summary>A hand measures in steps and knife tips, so a pot may hold more than it must, but never less.</summary>
    [Fact]
    public void What_is_bought_is_enough_for_what_the_coats_take() => Gen.Int[1, 60].Holds(flowers =>
    {
        Coat[] coats = [Dust("wine-lees", 0.2), Wash(), Glaze(coats: 2) with { Id = Guid.NewGuid() }];
        var pieces = PasteQuantity.For(Petal, flowers).Pieces;
        var needs = TestWork.Graph(Plan(coats), parts: flowers).Needs();
        foreach (var amount in coats.Select(coat => Of(coat, pieces)))
        {
            Assert.All(amount.Powders, powder => Assert.InRange(needs[powder.MaterialId], powder.Grams - 1e-9, 1.6 * powder.Grams + 0.2));
            if (amount.LiquidId is { } liquid)
                Assert.InRange(needs[liquid], amount.Ml!.Value - 0.05, 1.6 * amount.Ml!.Value + 3);
        }
    });

    [Fact]
    public void Cells_lie_on_the_piece_and_fill_it()
    {
        foreach (var outline in OutlineLibrary.All)
        {
            var shape = new PieceShape(outline, 40, 30);
            var cells = shape.Cells(80, withEdge: false).ToList();
            Assert.Equal(shape.AreaCm2, cells.Count * 12.0 / 6400, 0.04 * shape.AreaCm2);
            Assert.All(cells, cell => Assert.True(shape.RowAtMm(cell.YMm).Contains(cell.XMm)));
            Assert.Equal(outline.IsHanded, Math.Abs(cells.Sum(cell => cell.XMm)) > 1e-6);
        }
    }
}
