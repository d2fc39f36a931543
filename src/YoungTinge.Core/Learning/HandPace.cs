using MathNet.Numerics.Distributions;

namespace YoungTinge.Core.Learning;

/// <summary>Something that a hand did and ticked.</summary>
/// <param name="By">Who ticked it.</param>
/// <param name="HouseMinutes">That it takes by the house figures.</param>
public sealed record HandTick(string By, DateTimeOffset At, double HouseMinutes);

/// <summary>
/// How many times as long the hands of a studio take as the house figures say, from what was ticked one after the other. Nobody times herself: from one tick to
/// the next is the job and whatever came between, so a part of them is taken to tell nothing, and what is usual is a prior, over a grid.
/// </summary>
public static class HandPace
{
    /// <summary>How far hands differ from the house figures, and jobs of one hand, as standard deviations of the logarithm. House figures.</summary>
    private const double AmongHands = 0.30, AmongJobs = 0.35;

    /// <summary>So many tell nothing: a visitor at the door, a box that was ticked late.</summary>
    private const double Slips = 0.25;

    /// <summary>What took more than so many times as long, or less than its inverse, is no job that was timed.</summary>
    private const double MostTimes = 8;

    /// <summary>Of less, the tick itself is too great a part.</summary>
    private const double LeastHouseMinutes = 2;

    /// <summary>Boxes that are ticked one right after the other were done in one go.</summary>
    private static readonly TimeSpan OneGo = TimeSpan.FromSeconds(45);

    /// <summary>After a longer pause nobody can say when a job was begun.</summary>
    private static readonly TimeSpan LongestJob = TimeSpan.FromHours(4);

    public static LearnedFactor From(IEnumerable<HandTick> ticks) =>
        LearnedFactor.From([.. ticks.GroupBy(tick => tick.By).SelectMany(JobsOf)], AmongHands, ChanceOf);

    /// <returns>For each job, the logarithm of how many times as long it took.</returns>
    private static IEnumerable<double> JobsOf(IEnumerable<HandTick> ticks)
    {
        (DateTimeOffset? Begun, DateTimeOffset Ended, double HouseMinutes) go = default;
        foreach (var tick in ticks.OrderBy(tick => tick.At))
        {
            if (go.Ended != default && tick.At - go.Ended <= OneGo)
            {
                go = (go.Begun, tick.At, go.HouseMinutes + tick.HouseMinutes);
                continue;
            }

            if (TimesOf(go) is { } times)
                yield return times;
            go = (go.Ended == default ? null : go.Ended, tick.At, tick.HouseMinutes);
        }

        if (TimesOf(go) is { } last)
            yield return last;
    }

    private static double? TimesOf((DateTimeOffset? Begun, DateTimeOffset Ended, double HouseMinutes) go)
    {
        if (go.Begun is not { } begun || go.HouseMinutes < LeastHouseMinutes || go.Ended - begun > LongestJob)
            return null;
        var times = Math.Log((go.Ended - begun).TotalMinutes / go.HouseMinutes);
        return Math.Abs(times) < Math.Log(MostTimes) ? times : null;
    }

    /// <param name="x">Logarithm of the factor.</param>
    private static double ChanceOf(double times, double x) => (1 - Slips) * Normal.PDF(x, AmongJobs, times) + Slips / (2 * Math.Log(MostTimes));
}
