using MathNet.Numerics.Distributions;
using YoungTinge.Core.Learning;

namespace YoungTinge.Core.Tests.Learning;

/// <summary>What ticks teach of the minutes of a hand, against made-up makers whose truth is known.</summary>
public class HandPaceTests
{
    private static readonly DateTimeOffset Monday = new(2026, 6, 1, 9, 0, 0, TimeSpan.Zero);

    /// <summary>Days at the bench: now and then a pause between two jobs, and some boxes are ticked late, several at a time.</summary>
    private static List<HandTick> Days(double truth, int jobs, Random random, string by = "Odile")
    {
        var ticks = new List<HandTick>();
        var at = Monday;
        for (var job = 0; job < jobs; job++)
        {
            if (job % 8 == 0)
                at = Monday.AddDays(job / 8);
            var house = 3 + 30 * random.NextDouble();
            at = at.AddMinutes(house * truth * Math.Exp(0.3 * Normal.Sample(random, 0, 1)) + (random.NextDouble() < 0.12 ? 60 * random.NextDouble() : 0));
            var late = random.NextDouble() < 0.1 ? 1 + random.Next(3) : 0;
            ticks.Add(new HandTick(by, at, house));
            // Done since, and ticked with the next.
            for (var i = 0; i < late; i++)
                at = at.AddMinutes(10 * truth);
        }

        return ticks;
    }

    [Fact]
    public void Without_jobs_all_is_as_the_house_says()
    {
        var none = HandPace.From([]);
        Assert.Equal((1, 0), (none.Factor, none.Count));
        // One tick alone has no beginning; what was ticked in one go, after days, or has no minutes of a hand tells nothing.
        Assert.Equal(none, HandPace.From([new("Odile", Monday, 20)]));
        Assert.Equal(none, HandPace.From([new("Odile", Monday, 20), new("Odile", Monday.AddSeconds(20), 10), new("Odile", Monday.AddDays(2), 15), new("Odile", Monday.AddDays(2).AddMinutes(30), 0)]));
        // Nor does what another does meanwhile.
        Assert.Equal(none, HandPace.From([new("Odile", Monday, 20), new("Ruben", Monday.AddMinutes(15), 20)]));
    }

    [Fact]
    public void What_is_ticked_in_one_go_is_one_job()
    {
        HandTick[] Day(params (double At, double House)[] ticks) => [.. ticks.Select(tick => new HandTick("Odile", Monday.AddMinutes(tick.At), tick.House))];
        Assert.Equal(HandPace.From(Day((0, 5), (30, 20), (70, 30))), HandPace.From(Day((0, 5), (29.5, 15), (29.8, 3), (30, 2), (69.9, 12), (70, 18))));
    }

    [Fact]
    public void Forty_jobs_tell_how_long_hands_take_and_the_range_holds()
    {
        var random = new Random(3);
        var (off, inRange) = (new List<double>(), 0);
        for (var studio = 0; studio < 200; studio++)
        {
            var truth = Math.Exp(0.30 * Normal.Sample(random, 0, 1));
            var found = HandPace.From(Days(truth, 40, random));
            off.Add(Math.Abs(Math.Log(found.Factor / truth)));
            inRange += truth >= found.Low && truth <= found.High ? 1 : 0;
        }

        off.Sort();
        Assert.True(off[100] < 0.10, $"half are off by {off[100]:0.000}");
        Assert.True(off[190] < 0.25, $"95 % are off by {off[190]:0.000}");
        Assert.InRange(inRange, 160, 195);
    }

    [Fact]
    public void More_jobs_narrow_it_and_one_long_morning_does_not_turn_it()
    {
        var random = new Random(5);
        var (few, many) = (HandPace.From(Days(1.3, 6, random)), HandPace.From(Days(1.3, 80, random)));
        Assert.True(many.High - many.Low < few.High - few.Low);
        var usual = Days(1, 30, random);
        var last = usual[^1].At;
        var interrupted = HandPace.From([.. usual, new HandTick("Odile", last.AddHours(3), 30)]);
        Assert.InRange(interrupted.Factor / HandPace.From(usual).Factor, 0.94, 1.06);
    }
}
