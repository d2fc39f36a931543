using CsCheck;
using YoungTinge.Checks;
using YoungTinge.Core.Scheduling;

namespace YoungTinge.Core.Tests.Scheduling;

/// <summary>Plans in time: none breaks a rule, and small ones are as good as trying every way.</summary>
public class SchedulerTests
{
    private const int Step = 30;
    private const double Effort = 5;

    /// <summary>A day or two of one or two hands, with waits, windows, a place and things that are due.</summary>
    internal static Gen<SchedulingProblem> Problems(int mostTasks, int days) =>
        from hands in Gen.Int[1, 2]
        from morning in Gen.Int[0, 4]
        from minutes in Gen.OneOf(Gen.Const(20), Gen.Const(30), Gen.Const(60), Gen.Const(75), Gen.Const(90)).Array[2, mostTasks]
        from alone in Gen.Int[0, 5].Array[mostTasks]
        from links in Gen.Select(Gen.Int[0, mostTasks], Gen.Int[0, mostTasks], Gen.OneOf(Gen.Const(0), Gen.Const(10), Gen.Const(45), Gen.Const(400)), Gen.Int[0, 4].Select(kind => kind switch { 0 => 30, 1 => 90, _ => (int?)null })).Array[0, mostTasks]
        from due in Gen.Select(Gen.Int[0, mostTasks], Gen.Int[2, 16]).Array[0, 2]
        from amounts in Gen.Int[0, 3].Array[mostTasks]
        from pins in Gen.Int[0, 15].Array[mostTasks]
        select Pinned(Problem(hands, morning, minutes, alone, links, due, amounts, days), pins);

    /// <summary>A few are set to a time, or to a stretch of time.</summary>
    private static SchedulingProblem Pinned(SchedulingProblem problem, int[] pins) => problem with
    {
        Tasks = [.. problem.Tasks.Select((task, i) => pins[i] switch { 0 => task with { EarliestMin = 150, LatestMin = 150 }, 1 => task with { EarliestMin = 60, LatestMin = 300 }, _ => task })],
    };

    private static SchedulingProblem Problem(
        int hands, int morning, int[] minutes, int[] alone, (int First, int Then, int Least, int? Window)[] links, (int Task, int By)[] due, int[] amounts, int days)
    {
        TimeSpanMin[] Free(int from) => [.. Enumerable.Range(0, days).SelectMany(day => new[] { new TimeSpanMin((day * 720) + from, (day * 720) + from + 120), new TimeSpanMin((day * 720) + from + 150, (day * 720) + 420) })];
        PlannedTask[] tasks = [.. minutes.Select((length, i) => new PlannedTask($"t{i}", length, alone[i] > 0, alone[i] == 5 ? 60 : 0))];
        var count = tasks.Length;
        TaskLink[] after = [.. links.Where(link => link.First % count < link.Then % count)
            .Select(link => new TaskLink($"t{link.First % count}", $"t{link.Then % count}", link.Least, link.Least + link.Window)).DistinctBy(link => (link.First, link.Then))];
        return new SchedulingProblem(
            Step, days * 720, [.. Enumerable.Range(0, hands).Select(hand => new Hand($"h{hand}", Free(30 * morning * hand)))], tasks, after, [.. due.Select(one => new DueTime($"t{one.Task % count}", one.By * Step)).DistinctBy(one => one.TaskId)])
        {
            Places = [new WorkPlace("rack", 3)],
            Uses = [.. tasks.Select((task, i) => new PlaceUse("rack", task.Id, after.FirstOrDefault(link => link.First == task.Id)?.Then ?? task.Id, amounts[i])).Where(use => use.Amount > 0)],
        };
    }

    [Fact]
    public void No_plan_breaks_a_rule() => Problems(9, 4).Holds(problem =>
    {
        var schedule = Scheduler.Solve(problem, Effort);
        if (schedule.Status is ScheduleStatus.Best or ScheduleStatus.Good)
            Assert.Empty(ScheduleChecker.Faults(problem, schedule));
    }, turns: 40);

    [Fact]
    public void The_plan_to_begin_with_breaks_no_rule_either() => Problems(12, 5).Holds(problem =>
    {
        if (new ListScheduler(problem, new TaskGraph(problem)).Find(20) is not { } tasks)
            return;
        var end = tasks.Max(task => task.EndMin);
        var late = problem.Due.Sum(due => Math.Max(0, tasks.Single(task => task.TaskId == due.TaskId).EndMin - due.ByMin));
        Assert.Empty(ScheduleChecker.Faults(problem, new Schedule(ScheduleStatus.Good, tasks, late, 0, end, 0)));
    });

    [Fact]
    public void A_small_plan_is_as_good_as_trying_every_way() => Problems(4, 1).Holds(problem =>
    {
        var schedule = Scheduler.Solve(problem, Effort);
        if (Exhaustive(problem) is var (late, finish))
            Assert.Equal((ScheduleStatus.Best, late, finish), (schedule.Status, schedule.LateMin, schedule.FinishMin));
        else
            Assert.Equal(ScheduleStatus.None, schedule.Status);
    }, turns: 30);

    [Fact]
    public void Every_plan_of_the_file_is_met()
    {
        var results = ScheduleCheck.Run(TestData.Json("plan-cases.json")).ToList();
        Assert.Equal(20, results.Count);
        Assert.All(results, result => Assert.True(result.Passes, $"{result.Id}: {result.Schedule.LateMin} late, {result.Schedule.FinishMin}, {string.Join("; ", result.Faults)}"));
    }

    [Fact]
    public void The_same_question_has_the_same_answer()
    {
        foreach (var problem in Problems(9, 4).Fixed(2))
            Assert.Equal(Scheduler.Solve(problem, 1).Tasks, Scheduler.Solve(problem, 1).Tasks);
    }

    [Fact]
    public void A_circle_has_no_plan()
    {
        var problem = Problems(5, 2).Fixed(1).First();
        var (one, other) = (problem.Tasks[0].Id, problem.Tasks[1].Id);
        Assert.Equal(ScheduleStatus.None, Scheduler.Solve(problem with { After = [new(one, other, 0), new(other, one, 0)] }, Effort).Status);
    }

    [Fact]
    public void What_is_not_wanted_any_more_is_stopped()
    {
        using var stop = new CancellationTokenSource();
        stop.Cancel();
        Assert.ThrowsAny<OperationCanceledException>(() => Scheduler.Solve(Problems(9, 4).Fixed(1).First(), Effort, stop.Token));
    }

    /// <summary>The least late, and of those the soonest done, over every start of every task by every hand; null if there is none.</summary>
    private static (int Late, int Finish)? Exhaustive(SchedulingProblem problem)
    {
        (int Late, int Finish)? best = null;
        Try([]);
        return best;

        void Try(List<TimedTask> placed)
        {
            if (placed.Count == problem.Tasks.Count)
            {
                var late = problem.Due.Sum(due => Math.Max(0, placed.Single(task => task.TaskId == due.TaskId).EndMin - due.ByMin));
                var finish = placed.Max(task => task.EndMin);
                if ((best is null || (late, finish).CompareTo(best.Value) < 0) && ScheduleChecker.Faults(problem, new Schedule(ScheduleStatus.Best, placed, late, 0, finish, 0)).Count == 0)
                    best = (late, finish);
                return;
            }

            var task = problem.Tasks[placed.Count];
            for (var start = 0; start + task.Minutes <= problem.HorizonMin; start += problem.StepMin)
            {
                foreach (var hand in task.NeedsHand ? problem.Hands.Select(hand => (string?)hand.Id) : [null])
                {
                    var timed = new TimedTask(task.Id, start, start + task.Minutes, hand);
                    if (hand is not null && (placed.Any(other => other.HandId == hand && other.StartMin < timed.EndMin && timed.StartMin < other.EndMin)
                        || !problem.Hands.Single(one => one.Id == hand).Free.Any(span => span.From <= start && timed.EndMin <= span.To)))
                        continue;
                    if (problem.After.Any(link => link.Then == task.Id && placed.FirstOrDefault(other => other.TaskId == link.First) is { } first && (start - first.EndMin < link.LeastMin || start - first.EndMin > link.MostMin)))
                        continue;
                    Try([.. placed, timed]);
                }
            }
        }
    }
}
