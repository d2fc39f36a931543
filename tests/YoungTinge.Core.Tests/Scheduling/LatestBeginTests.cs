using YoungTinge.Core.Scheduling;

namespace YoungTinge.Core.Tests.Scheduling;

/// <summary>The last hours to begin in: never too late, and mostly the very last that there are.</summary>
public class LatestBeginTests
{
    private const double Effort = 0.5;

    private static SchedulingProblem From(SchedulingProblem problem, int begin) => problem with
    {
        Tasks = [.. problem.Tasks.Select(task => task.NeedsHand ? task with { EarliestMin = Math.Max(task.EarliestMin, begin) } : task)],
    };

    private static bool CanBeInTime(SchedulingProblem problem) => Scheduler.Solve(problem, Effort) is { LateMin: 0, Status: ScheduleStatus.Best or ScheduleStatus.Good };

    [Fact]
    public void What_is_begun_then_can_be_in_time_and_mostly_nothing_later_can()
    {
        var (asked, last) = (0, 0);
        foreach (var random in SchedulerTests.Problems(6, 3).Fixed(16))
        {
            // As with real work, all of it leads to one end.
            var problem = random with
            {
                StepMin = 1,
                Tasks = [.. random.Tasks, new PlannedTask("end", 0, NeedsHand: false)],
                After = [.. random.After, .. random.Tasks.Select(task => new TaskLink(task.Id, "end", 0))],
                Due = [new DueTime("end", 720 + 60 * (asked % 24))],
            };
            if (problem.Tasks.All(task => !task.NeedsHand))
                continue;
            // Where the list plan does not meet the windows they are left out.
            if (new ListScheduler(problem, new TaskGraph(problem)).Find(0) is null)
                problem = problem.WithoutWindows();
            var begin = LatestBegin.Of(problem);
            if (begin is { } then)
                Assert.True(CanBeInTime(From(problem, then)));
            var free = problem.Hands.SelectMany(hand => hand.Free).ToList();
            var over = free.Where(span => span.From == begin).Select(span => span.To).DefaultIfEmpty(0).Max();
            var next = free.Select(span => span.From).Where(from => from >= over).DefaultIfEmpty(problem.HorizonMin).Min();
            (asked, last) = (asked + 1, last + (CanBeInTime(From(problem, next)) ? 0 : 1));
        }

        Assert.InRange(asked, 10, 16);
        Assert.True(last >= 0.9 * asked, $"{last} of {asked}");
    }

    [Fact]
    public void The_last_beginning_of_real_work_is_in_time_and_the_day_after_is_not()
    {
        var work = WorkInTimeTests.Planned(WorkInTimeTests.Graph(2), [Maker.Usual(Guid.NewGuid(), "A")]).Work.Problem;
        var begin = LatestBegin.Of(work)!.Value;
        Assert.True(Scheduler.Solve(From(work, begin), 0.02).LateMin == 0);
        var next = work.Hands.SelectMany(hand => hand.Free).Select(span => span.From).First(from => from > begin + 1440);
        Assert.True(Scheduler.Solve(From(work, next), 0.02).LateMin > 0);
    }

    [Fact]
    public void What_is_due_already_is_too_late()
    {
        var work = WorkInTimeTests.Planned(WorkInTimeTests.Graph(1), [Maker.Usual(Guid.NewGuid(), "A")]).Work.Problem;
        Assert.Null(LatestBegin.Of(work with { Due = [.. work.Due.Select(due => due with { ByMin = 60 })] }));
        Assert.Null(LatestBegin.Of(work with { Due = [.. work.Due.Select(due => due with { ByMin = -60 })] }));
    }
}
