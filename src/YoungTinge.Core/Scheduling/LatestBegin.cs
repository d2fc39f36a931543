namespace YoungTinge.Core.Scheduling;

/// <summary>
/// How late work may be begun and still be in time. It is planned backwards from what is due, each thing as late as it can be, by the list plan: what is said is
/// safe, as there is such a plan, and a search may find a later one.
/// </summary>
public static class LatestBegin
{
    /// <summary>Placings of a task, as for the list plan: a small part of those, as all commissions are asked for on one page.</summary>
    private const int Placings = 25_000;

    /// <summary>Where what bends for a while leaves no plan at all, as if it bent for ever.</summary>
    /// <param name="problem">In steps of one minute.</param>
    /// <returns>The beginning of the hours in which the first hand is needed, in minutes; null if it is too late, or nothing is to do by hand.</returns>
    public static int? Of(SchedulingProblem problem, CancellationToken cancel = default)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(problem.StepMin, 1);
        if (problem.Due.Count == 0 || problem.HasCircle())
            return null;
        if (problem.HasWindows && new ListScheduler(problem, new TaskGraph(problem)).Find(changes: 0, cancel: cancel) is null)
            problem = problem.WithoutWindows();
        return Backwards(problem, cancel) ?? FromNow(problem, cancel);
    }

    private static int ChangesFor(SchedulingProblem problem) => Placings / problem.Tasks.Count;

    /// <summary>A plan that only just fits may be missed backwards: then it is to be begun at once.</summary>
    private static int? FromNow(SchedulingProblem problem, CancellationToken cancel)
    {
        var graph = new TaskGraph(problem);
        var isInTime = new ListScheduler(problem, graph).Find(ChangesFor(problem), null, value => value.Late == 0, cancel) is { } tasks && graph.LateMin(tasks) == 0;
        return isInTime && problem.Tasks.Any(task => task.NeedsHand) ? problem.Hands.SelectMany(hand => hand.Free).Min(span => span.From) : null;
    }

    private static int? Backwards(SchedulingProblem problem, CancellationToken cancel)
    {
        var lastMin = problem.Due.Max(due => due.ByMin);
        var backwards = Turned(problem, lastMin);
        if (backwards.Tasks.Any(task => !backwards.CanPlace(task)))
            return null;
        var graph = new TaskGraph(backwards);
        var soonest = new FinishBound(backwards, graph).OfAll();
        if (new ListScheduler(backwards, graph).Find(ChangesFor(backwards), soonest, value => value.Finish == soonest, cancel) is not { } tasks)
            return null;
        var first = tasks.Where(task => task.HandId is not null).MaxBy(task => task.EndMin);
        return first is null ? null : problem.Hands.First(hand => hand.Id == first.HandId).Free.Last(span => span.From <= lastMin - first.EndMin).From;
    }

    /// <summary>The same with time turned round: what was to be done by a time is not begun before it, and what follows comes first.</summary>
    private static SchedulingProblem Turned(SchedulingProblem problem, int lastMin)
    {
        var dueBy = problem.Due.GroupBy(due => due.TaskId).ToDictionary(same => same.Key, same => same.Min(due => due.ByMin));
        return problem with
        {
            HorizonMin = Math.Max(0, lastMin),
            Hands = [.. problem.Hands.Select(hand => hand with { Free = [.. hand.Free.Where(span => span.From < lastMin).Select(span => new TimeSpanMin(Math.Max(0, lastMin - span.To), lastMin - span.From)).Reverse()] })],
            Tasks = [.. problem.Tasks.Select(TurnedTask)],
            After = [.. problem.After.Select(link => link with { First = link.Then, Then = link.First })],
            Due = [],
            Uses = [.. problem.Uses.Select(use => use with { FromTaskId = use.UntilTaskId, UntilTaskId = use.FromTaskId })],
        };

        PlannedTask TurnedTask(PlannedTask task)
        {
            var endsBy = Math.Min(dueBy.GetValueOrDefault(task.Id, lastMin), task.LatestMin + task.Minutes ?? lastMin);
            return task with { EarliestMin = Math.Max(0, lastMin - endsBy), LatestMin = task.EarliestMin > 0 ? lastMin - task.EarliestMin - task.Minutes : null };
        }
    }
}
