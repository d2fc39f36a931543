using MathNet.Numerics.Distributions;
using YoungTinge.Core.Learning;

namespace YoungTinge.Core.Tests.Learning;

/// <summary>What touches teach of drying, against made-up studios whose truth is known.</summary>
public class DryingFactorTests
{
    /// <summary>Pieces are touched about when they should be dry, those that are not again later, and now and then a wrong key is pressed.</summary>
    private static IReadOnlyList<DryingTouch> Touched(double truth, int trays, Random random)
    {
        var touches = new List<DryingTouch>();
        for (var tray = 0; tray < trays; tray++)
        {
            var house = 15 + 600 * random.NextDouble();
            var dryAt = house * truth * Math.Exp(0.15 * Normal.Sample(random, 0, 1));
            for (var at = house * (0.7 + 0.8 * random.NextDouble()); touches.Count < 200; at *= 1.2)
            {
                var isDry = at >= dryAt != random.NextDouble() < 0.03;
                touches.Add(new DryingTouch(isDry, at, house));
                if (isDry)
                    break;
            }
        }

        return touches;
    }

    [Fact]
    public void Without_touches_all_is_as_the_house_says()
    {
        var none = DryingFactor.From([]);
        Assert.Equal((1, 0), (none.Factor, none.Count));
        Assert.InRange(none.Low, 0.5, 0.6);
        Assert.InRange(none.High, 1.7, 1.9);
        // What is not known, or was touched at once, tells nothing.
        Assert.Equal(none, DryingFactor.From([new(true, 0, 60), new(false, 30, 0)]));
    }

    [Fact]
    public void A_dozen_trays_tell_how_long_it_takes_and_the_range_holds()
    {
        var random = new Random(11);
        var (off, inRange) = (new List<double>(), 0);
        for (var studio = 0; studio < 200; studio++)
        {
            var truth = Math.Exp(0.35 * Normal.Sample(random, 0, 1));
            var found = DryingFactor.From(Touched(truth, 12, random));
            off.Add(Math.Abs(Math.Log(found.Factor / truth)));
            inRange += truth >= found.Low && truth <= found.High ? 1 : 0;
        }

        off.Sort();
        Assert.True(off[100] < 0.08, $"half are off by {off[100]:0.000}");
        Assert.True(off[190] < 0.25, $"95 % are off by {off[190]:0.000}");
        Assert.InRange(inRange, 170, 192);
    }

    [Fact]
    public void More_touches_narrow_it_and_one_slip_does_not_turn_it()
    {
        var random = new Random(5);
        var (few, many) = (DryingFactor.From(Touched(1.4, 4, random)), DryingFactor.From(Touched(1.4, 40, random)));
        Assert.True(many.High - many.Low < few.High - few.Low);
        var slow = Touched(1.4, 15, random);
        var slipped = DryingFactor.From([.. slow, new DryingTouch(true, 6, 300)]);
        Assert.InRange(slipped.Factor / DryingFactor.From(slow).Factor, 0.9, 1.0);
    }
}
