using YoungTinge.Core.Learning;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Logbook;

/// <summary>How things dried: what was found when pieces were touched at the bench, and what that has taught.</summary>
public static class GetDryTimes
{
    private const int MostShown = 200;

    /// <param name="IsDry">As dry as they had to be.</param>
    /// <param name="Minutes">Since they were laid out; null if that is not known.</param>
    /// <param name="PlannedMinutes">That it was to take.</param>
    /// <param name="Lots">That were touched; empty if they are gone.</param>
    /// <param name="By">Who touched them; empty if that is not known.</param>
    public sealed record TouchView(Guid Id, DateTimeOffset At, bool IsDry, double? Minutes, double PlannedMinutes, IReadOnlyList<LotView> Lots, string By);

    /// <param name="Learned">How many times as long things dry here as the house figures say.</param>
    /// <param name="Touches">The newest first.</param>
    public sealed record Answer(LearnedFactor Learned, IReadOnlyList<TouchView> Touches);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/dry-times", Handle).KeepsAnswer().WithName("getDryTimes").Produces<Answer>().ProducesProblems();

    private static async Task<IResult> Handle(StudioWorks works, BenchStore bench, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var readings = await bench.ReadingsAsync(work.Studio.Id, cancel);
        return TypedResults.Ok(new Answer(work.Drying, [.. readings.Reverse().Take(MostShown).Select(reading => new TouchView(
            reading.Id, reading.At, reading.IsDry, reading.Minutes, reading.PlannedMinutes, work.FindOperation(reading.OperationId) is { } operation ? LotView.Of(operation, work) : [], reading.By))]));
    }
}
