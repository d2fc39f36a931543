using System.Diagnostics;
using System.Text.Json;
using YoungTinge.Core.Scheduling;

namespace YoungTinge.Checks;

/// <param name="Faults">What the checker finds broken.</param>
public sealed record ScheduleResult(string Id, Schedule Schedule, int BestLateMin, int BestFinishMin, IReadOnlyList<string> Faults, double Seconds)
{
    public bool Passes => Faults.Count == 0 && Schedule.Status == ScheduleStatus.Best && Schedule.LateMin == BestLateMin && Schedule.FinishMin == BestFinishMin;
}

/// <summary>The scheduler on small plans whose best answer is known.</summary>
public static class ScheduleCheck
{
    private const double Effort = 60;

    public static IEnumerable<ScheduleResult> Run(JsonElement file)
    {
        foreach (var known in file.GetProperty("cases").EnumerateArray())
        {
            var problem = Read(known);
            var clock = Stopwatch.StartNew();
            var schedule = Scheduler.Solve(problem, Effort);
            var seconds = clock.Elapsed.TotalSeconds;
            var best = known.GetProperty("best");
            yield return new ScheduleResult(
                known.Text("id"), schedule, Int(best, "lateMin"), Int(best, "finishMin"), schedule.Status is ScheduleStatus.None or ScheduleStatus.NotFound ? [] : ScheduleChecker.Faults(problem, schedule), seconds);
        }
    }

    public static SchedulingProblem Read(JsonElement known) => new(
        Int(known, "stepMin"), Int(known, "horizonMin"),
        [.. known.GetProperty("hands").EnumerateArray().Select(hand => new Hand(hand.Text("id"), [.. hand.GetProperty("free").EnumerateArray().Select(span => new TimeSpanMin(span[0].GetInt32(), span[1].GetInt32()))]))],
        [.. known.GetProperty("operations").EnumerateArray().Select(one => new PlannedTask(one.Text("id"), Int(one, "minutes"), one.GetProperty("needsHand").GetBoolean()))],
        [.. known.GetProperty("after").EnumerateArray().Select(link => new TaskLink(link.Text("first"), link.Text("then"), Int(link, "leastMin"), link.TryGetProperty("mostMin", out var most) && most.ValueKind == JsonValueKind.Number ? most.GetInt32() : null))],
        [.. known.GetProperty("due").EnumerateArray().Select(due => new DueTime(due.Text("operation"), Int(due, "byMin")))]);

    private static int Int(JsonElement of, string name) => of.GetProperty(name).GetInt32();
}
