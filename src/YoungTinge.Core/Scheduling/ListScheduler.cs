namespace YoungTinge.Core.Scheduling;

/// <summary>
/// A quick plan by a rule of thumb: what has the least time to spare is put where it fits first, one after the other (serial schedule generation; Kolisch
/// and Hartmann 1999). What a window asks for is put off until what follows it fits. Good enough to begin with, not the best.
/// </summary>
internal sealed class ListScheduler
{
    /// <summary>A window is tried to be met so often by beginning later.</summary>
    private const int MostTries = 400;

    private readonly SchedulingProblem problem;
    private readonly Dictionary<string, int> at;
    private readonly ILookup<int, (int Other, int Least, int? Most)> before;
    private readonly ILookup<int, (int Other, int Least, int? Most)> after;
    private readonly int[] latest;

    public ListScheduler(SchedulingProblem problem)
    {
        this.problem = problem;
        at = problem.Tasks.Index().ToDictionary(task => task.Item.Id, task => task.Index);
        before = problem.After.ToLookup(link => at[link.Then], link => (at[link.First], link.LeastMin, link.MostMin));
        after = problem.After.ToLookup(link => at[link.First], link => (at[link.Then], link.LeastMin, link.MostMin));
        latest = LatestStarts();
    }

    /// <returns>Null if this rule finds none; there may be one all the same.</returns>
    public IReadOnlyList<TimedTask>? Find()
    {
        var notBefore = problem.Tasks.Select(task => task.EarliestMin).ToArray();
        for (var tries = 0; tries < MostTries; tries++)
        {
            if (Place(notBefore, out var missed) is { } placed)
                return placed;
            if (missed is not var (first, start))
                return null;
            if (start <= notBefore[first])
                return null;
            notBefore[first] = start;
        }

        return null;
    }

    private int[] LatestStarts()
    {
        var due = problem.Due.GroupBy(due => at[due.TaskId]).ToDictionary(group => group.Key, group => group.Min(one => one.ByMin));
        var starts = new int?[problem.Tasks.Count];
        int Of(int task) => starts[task] ??= Math.Min(
            due.GetValueOrDefault(task, problem.HorizonMin), after[task].Select(link => Of(link.Other) - link.Least).DefaultIfEmpty(problem.HorizonMin).Min()) - problem.Tasks[task].Minutes;
        return [.. Enumerable.Range(0, starts.Length).Select(Of)];
    }

    /// <param name="missed">The task that has to begin later, and when, for a window to be met; null if nothing helps.</param>
    private TimedTask[]? Place(int[] notBefore, out (int Task, int StartMin)? missed)
    {
        missed = null;
        var placed = new TimedTask?[problem.Tasks.Count];
        var busy = problem.Hands.ToDictionary(hand => hand.Id, _ => new List<TimeSpanMin>());
        var left = Enumerable.Range(0, placed.Length).ToHashSet();
        while (left.Count > 0)
        {
            var ready = left.Where(task => before[task].All(link => placed[link.Other] is not null)).ToList();
            if (ready.Count == 0)
                return null;
            // What stands in an open window goes first, then what has the least time to spare.
            var task = ready.MinBy(one => (before[one].Any(link => link.Most is not null) ? 0 : 1, latest[one], one));
            var earliest = before[task].Select(link => placed[link.Other]!.EndMin + link.Least).Append(notBefore[task]).Max();
            var last = before[task].Where(link => link.Most is not null).Select(link => placed[link.Other]!.EndMin + link.Most!.Value).DefaultIfEmpty(int.MaxValue).Min();
            if (StartOf(task, earliest, busy, placed) is not var (start, hand))
                return null;
            if (start > last)
            {
                var tight = before[task].Where(link => link.Most is not null).MinBy(link => placed[link.Other]!.EndMin + link.Most!.Value);
                missed = (tight.Other, UpToStep(start - tight.Most!.Value - problem.Tasks[tight.Other].Minutes));
                return null;
            }

            placed[task] = new TimedTask(problem.Tasks[task].Id, start, start + problem.Tasks[task].Minutes, hand);
            if (hand is not null)
                busy[hand].Add(new TimeSpanMin(start, start + problem.Tasks[task].Minutes));
            left.Remove(task);
        }

        return placed!;
    }

    private (int Start, string? Hand)? StartOf(int task, int earliest, Dictionary<string, List<TimeSpanMin>> busy, TimedTask?[] placed)
    {
        var (one, start) = (problem.Tasks[task], UpToStep(earliest));
        if (one.FixedStartMin is { } given)
            start = given;
        while (start + one.Minutes <= problem.HorizonMin)
        {
            var (hand, next) = one.NeedsHand ? HandAt(one, start, busy) : (null, start);
            if (next is not { } at)
                return null;
            if (at == start && FreePlaceFrom(task, start, placed) is var free && free == start)
                return (start, hand);
            start = at > start ? at : UpToStep(FreePlaceFrom(task, start, placed));
            if (one.FixedStartMin is not null)
                return null;
        }

        return null;
    }

    /// <summary>A hand who can do it then, or else the next time when one may; no time if none can any more.</summary>
    private (string? Hand, int? Start) HandAt(PlannedTask task, int start, Dictionary<string, List<TimeSpanMin>> busy)
    {
        (string? Hand, int? Start) best = (null, null);
        foreach (var hand in problem.Hands.Where(hand => task.HandId is null || task.HandId == hand.Id))
        {
            foreach (var span in hand.Free.Where(span => span.To - start >= task.Minutes))
            {
                var from = UpToStep(Math.Max(start, span.From));
                // Past each thing that is in the way.
                foreach (var other in busy[hand.Id].Where(other => other.To > from).OrderBy(other => other.From))
                {
                    if (other.From >= from + task.Minutes)
                        break;
                    from = UpToStep(other.To);
                }

                if (from + task.Minutes > span.To)
                    continue;
                if (best.Start is null || from < best.Start)
                    best = (hand.Id, from);
                break;
            }
        }

        return best;
    }

    /// <summary>From when on the places of a task are free for it, as far as what is placed tells.</summary>
    private int FreePlaceFrom(int task, int start, TimedTask?[] placed)
    {
        foreach (var use in problem.Uses.Where(use => use.FromTaskId == problem.Tasks[task].Id))
        {
            var room = problem.Places.First(place => place.Id == use.PlaceId).Room;
            var until = start + Math.Max(1, problem.Tasks[task].Minutes);
            var there = problem.Uses.Where(other => other != use && other.PlaceId == use.PlaceId && placed[at[other.FromTaskId]] is not null)
                .Select(other => (From: placed[at[other.FromTaskId]]!.StartMin, To: placed[at[other.UntilTaskId]]?.EndMin ?? problem.HorizonMin, other.Amount)).Where(other => other.From < until && other.To > start).ToList();
            if (there.Sum(other => other.Amount) + use.Amount > room)
                return there.Min(other => other.To);
        }

        return start;
    }

    private int UpToStep(int minutes) => (minutes + problem.StepMin - 1) / problem.StepMin * problem.StepMin;
}
