using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Planning;

namespace YoungTinge.Core.Tests.Planning;

public class WireAdviceTests
{
    private static readonly PasteRecipe Pale = TestData.Recipe();
    private static readonly PasteRecipe DeepGreen = TestData.Recipe(("fen", 2), ("gorse", 1), ("slatewing", 1));

    /// <summary>The wire in paper that shows less of the two colours it is sold in.</summary>
    private static string Better(PasteRecipe paste) =>
        WireAdvice.For(TestPlans.Petal, paste, TestData.Cabinet).Choices.First(choice => choice.WireId is "white-wire" or "green-wire").WireId;

    [Fact]
    public void A_pale_petal_takes_white_wire_and_a_dark_leaf_green()
    {
        Assert.Equal("white-wire", Better(Pale));
        Assert.Equal("green-wire", Better(DeepGreen));
    }

    [Fact]
    public void The_longer_the_piece_the_stronger_the_wire()
    {
        var gauges = new[] { 10, 20, 30, 45, 70, 100, 200 }.Select(length => WireAdvice.For(TestPlans.Petal with { LengthMm = length }, Pale, TestData.Cabinet).Gauge).ToList();
        Assert.Equal(gauges.OrderDescending(), gauges);
        Assert.Equal((32, 20), (gauges[0], gauges[^1]));
        Assert.All(Enumerable.Range(14, 22), gauge => Assert.True(WireAdvice.DiameterMmOf(gauge) > WireAdvice.DiameterMmOf(gauge + 1)));
        Assert.Equal(0.914, WireAdvice.DiameterMmOf(20));
    }

    [Fact]
    public void The_thinner_it_is_rolled_the_more_a_wire_shows_and_within_a_ball_it_does_not()
    {
        double Shows(double thicknessMm) => WireAdvice.For(TestPlans.Petal with { ThicknessMm = thicknessMm }, Pale, TestData.Cabinet).Choices[^1].ShowsDeltaE;
        Assert.True(Shows(0.3) > Shows(0.6) && Shows(0.6) > Shows(1.5));
        Assert.All(WireAdvice.For(TestPlans.Petal with { Solid = true }, Pale, TestData.Cabinet).Choices, choice => Assert.Equal(0, choice.ShowsDeltaE));
    }
}
