using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Tests.Coats;

public class WireAdviceTests
{
    private static readonly PasteRecipe Pale = TestData.Recipe();
    private static readonly PasteRecipe DeepGreen = TestData.Recipe(("fen", 2), ("gorse", 1), ("slatewing", 1));

    private static string Better(PasteRecipe paste) => WireAdvice.For(TestPlans.Petal, paste, TestData.Cabinet).Choices[0].WireId;

    [Fact]
    public void A_pale_petal_takes_white_wire_and_a_dark_leaf_green()
    {
        Assert.Equal("white-wire", Better(Pale));
        Assert.Equal("green-wire", Better(DeepGreen));
    }

    /// <summary>A layer of paste over a wire, band by band, as Kubelka and Munk's hyperbolic solution has it.</summary>
    [Fact]
    public void What_shows_is_the_difference_of_paste_over_wire_to_paste_alone()
    {
        var advice = WireAdvice.For(TestPlans.Petal, Pale, TestData.Cabinet);
        var wire = TestData.Cabinet.Get<Wire>("green-wire");
        var paste = PasteOptics.Mix(Pale, TestData.Cabinet);
        var coverMm = (TestPlans.Petal.ThicknessMm + 1 - advice.DiameterMm) / 2;
        var over = Spectrum.From(band =>
        {
            double k = paste.Absorption[band], s = paste.Scattering[band], a = 1 + k / s, b = Math.Sqrt(a * a - 1), ground = wire.Reflectance[band];
            var coth = 1 / Math.Tanh(b * s * coverMm);
            return (1 - ground * (a - b * coth)) / (a - ground + b * coth);
        });
        var expected = DeltaE2000.Between(Illuminant.D65.LabOf(over), TestData.ColourOf(Pale));
        Assert.Equal(expected, advice.Choices.Single(choice => choice.WireId == "green-wire").ShowsDeltaE, 1e-6);
    }

    [Theory]
    [InlineData(0.5, WireShows.Hidden)]
    [InlineData(1.5, WireShows.Hardly)]
    [InlineData(2.5, WireShows.Shows)]
    public void How_far_a_wire_shows_is_told_in_a_word(double deltaE, WireShows word) => Assert.Equal(word, new WireChoice("white-wire", deltaE).Word);

    [Fact]
    public void A_retired_wire_is_not_advised_and_without_wires_only_the_gauge_is()
    {
        var retired = new Materials(TestData.Cabinet.All.Select(material => material is Wire { Id: "white-wire" } ? material with { Label = material.Label with { IsRetired = true } } : material));
        Assert.DoesNotContain(WireAdvice.For(TestPlans.Petal, Pale, retired).Choices, choice => choice.WireId == "white-wire");
        var none = new Materials(TestData.Cabinet.All.Where(material => material is not Wire));
        Assert.Equal((26, 0), (WireAdvice.For(TestPlans.Petal, Pale, none).Gauge, WireAdvice.For(TestPlans.Petal, Pale, none).Choices.Count));
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
