using YoungTinge.Core.Flowers;
using YoungTinge.Core.Work;

namespace YoungTinge.Core.Tests.Work;

public class SparesAdviceTests
{
    private static Piece Petal(double lengthMm, double widthMm, double thicknessMm) => new("Petals", "round-petal", lengthMm, widthMm, thicknessMm, false, PartOf.Flower, 5, 0);

    [Fact]
    public void The_thinner_and_the_larger_the_more_spares()
    {
        double[] thicknesses = [1.5, 1, 0.7, 0.5, 0.4, 0.3, 0.2];
        var byThickness = thicknesses.Select(mm => SparesAdvice.ShareFor(Petal(40, 40, mm))).ToList();
        Assert.Equal(byThickness.Order(), byThickness);
        Assert.True(byThickness[0] < byThickness[^1]);
        Assert.True(SparesAdvice.ShareFor(Petal(20, 20, 0.4)) < SparesAdvice.ShareFor(Petal(60, 60, 0.4)));
    }

    [Fact]
    public void Straps_break_across_and_solid_pieces_hardly()
    {
        Assert.True(SparesAdvice.ShareFor(Petal(60, 12, 0.6)) > SparesAdvice.ShareFor(Petal(60, 50, 0.6)));
        var ball = new Piece("Button", "round", 14, 14, 14, true, PartOf.Flower, 1, 0);
        Assert.InRange(SparesAdvice.ShareFor(ball), 0.01, 0.1);
        Assert.True(SparesAdvice.ShareFor(ball) < SparesAdvice.ShareFor(ball with { WidthMm = 5 }));
    }
}
