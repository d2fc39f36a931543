namespace YoungTinge.Core.Scheduling;

/// <summary>
/// A quick plan by a rule of thumb: what has the least time to spare is put where it fits first, one after the other (serial schedule generation; Kolisch
/// and Hartmann 1999), and bettered by small changes. What a window asks for is put off until what follows it fits. Good enough to begin with, not the best.
/// </summary>
internal sealed class ListScheduler
{
    /// <summary>A window is tried to be met so often by beginning later.</summary>
    private const int MostTries = 400;

    private readonly SchedulingProblem problem;
    private readonly TaskGraph graph;
    private readonly ILookup<int, PlaceUse> usesFrom;

    /// <summary>What frees a place that something before it took up.</summary>
    private readonly HashSet<int> freesPlace;

    public ListScheduler(SchedulingProblem problem, TaskGraph graph)
    {
        (this.problem, this.graph) = (problem, graph);
        usesFrom = problem.Uses.ToLookup(use => graph.At[use.FromTaskId]);
        freesPlace = [.. problem.Uses.Where(use => use.UntilTaskId != use.FromTaskId).Select(use => graph.At[use.UntilTaskId])];
    }

    /// <summary>
    /// By what is due first, by what has the longest way to go, and by both; then from the better of them on by small changes of what goes before what, as long as that
    /// helps now and then.
    /// </summary>
    /// <param name="changes">How many are tried.</param>
    /// <param name="finishBound">All is not done sooner: what would have to be begun early for that goes before what has more time.</param>
    /// <param name="isGoodEnough">Nothing better is wanted.</param>
    /// <returns>Null if this rule finds none; there may be one all the same.</returns>
    public IReadOnlyList<TimedTask>? Find(int changes, int? finishBound = null, Func<(int Late, int Finish), bool>? isGoodEnough = null, CancellationToken cancel = default)
    {
        var tails = graph.TailsTo(null);
        var best = new[] { LatestStarts(problem.HorizonMin), [.. tails.Select(tail => -(double)tail!)], LatestStarts(finishBound ?? problem.HorizonMin) }.Select(priority => (Priority: priority, Tasks: Place(priority))).Where(one => one.Tasks is not null).OrderBy(one => CostOf(one.Tasks!)).FirstOrDefault();
        if (best.Tasks is null)
            return null;
        // Always the same changes, so that the same question has the same answer.
        var chance = new Random(1);
        var spread = best.Priority.Max() - best.Priority.Min() + 1;
        for (var change = 0; change < changes && isGoodEnough?.Invoke(ValueOf(best.Tasks)) != true; change++)
        {
            cancel.ThrowIfCancellationRequested();
            var priority = (double[])best.Priority.Clone();
            for (var some = 1 + chance.Next(Math.Max(2, priority.Length / 12)); some > 0; some--)
                priority[chance.Next(priority.Length)] += spread * (chance.NextDouble() - 0.5) / 3;
            if (Place(priority) is { } tasks && CostOf(tasks).CompareTo(CostOf(best.Tasks)) <= 0)
                best = (priority, tasks);
        }

        return best.Tasks;
    }

    private (int Late, int Finish) ValueOf(TimedTask[] tasks) => (graph.LateMin(tasks), tasks.Select(task => task.EndMin).DefaultIfEmpty(0).Max());

    private (int Late, int Finish, long Starts) CostOf(TimedTask[] tasks) => ValueOf(tasks) is var (late, finish) ? (late, finish, tasks.Sum(task => (long)task.StartMin)) : default;

    /// <param name="lastMin">Everything is wanted by then.</param>
    private double[] LatestStarts(int lastMin)
    {
        var due = problem.Due.GroupBy(due => graph.At[due.TaskId]).ToDictionary(group => group.Key, group => Math.Min(lastMin, group.Min(one => one.ByMin)));
        var starts = new double?[problem.Tasks.Count];
        double Of(int task) => starts[task] ??= Math.Min(
            due.GetValueOrDefault(task, lastMin), graph.After[task].Select(link => Of(link.Other) - link.Least).DefaultIfEmpty(lastMin).Min()) - problem.Tasks[task].Minutes;
        return [.. Enumerable.Range(0, starts.Length).Select(Of)];
    }

    /// <summary>With the least first, each window met by beginning later what opens it. Null if that does not help.</summary>
    private TimedTask[]? Place(double[] priority)
    {
        var notBefore = problem.Tasks.Select(task => task.EarliestMin).ToArray();
        for (var tries = 0; tries < MostTries; tries++)
        {
            if (Place(priority, notBefore, out var missed) is { } placed)
                return placed;
            if (missed is not var (first, start) || start <= notBefore[first])
                return null;
            notBefore[first] = start;
        }

        return null;
    }

    /// <param name="missed">The task that has to begin later, and when, for a window to be met; null if nothing helps.</param>
    private TimedTask[]? Place(double[] priority, int[] notBefore, out (int Task, int StartMin)? missed)
    {
        missed = null;
        var placed = new TimedTask?[problem.Tasks.Count];
        var busy = problem.Hands.ToDictionary(hand => hand.Id, _ => new List<TimeSpanMin>());
        var held = problem.Places.ToDictionary(place => place.Id, _ => new List<PlaceUse>());
        var pinned = ReservePinned(busy);
        var waitsFor = Enumerable.Range(0, placed.Length).Select(task => graph.Before[task].Count()).ToArray();
        // What stands in an open window goes first, and what holds up others.
        var ready = new PriorityQueue<int, (int, double, int)>();
        void Ready(int task) => ready.Enqueue(task, (freesPlace.Contains(task) || graph.Before[task].Any(link => link.Most is not null) ? 0 : 1, priority[task], task));
        foreach (var task in Enumerable.Range(0, placed.Length).Where(task => waitsFor[task] == 0))
            Ready(task);
        var count = 0;
        while (ready.TryDequeue(out var task, out _))
        {
            var earliest = graph.Before[task].Select(link => placed[link.Other]!.EndMin + link.Least).Append(notBefore[task]).Max();
            var last = graph.Before[task].Where(link => link.Most is not null).Select(link => placed[link.Other]!.EndMin + link.Most!.Value).DefaultIfEmpty(int.MaxValue).Min();
            var isReserved = pinned.TryGetValue(task, out var reserved);
            if (isReserved && (earliest > problem.Tasks[task].PinnedMin || FreePlaceFrom(task, problem.Tasks[task].PinnedMin!.Value, placed, held) != problem.Tasks[task].PinnedMin))
                return null;
            if ((isReserved ? (problem.Tasks[task].PinnedMin!.Value, reserved) : StartOf(task, earliest, busy, placed, held)) is not var (start, hand) || start > problem.Tasks[task].LatestMin)
                return null;
            if (start > last)
            {
                var tight = graph.Before[task].Where(link => link.Most is not null).MinBy(link => placed[link.Other]!.EndMin + link.Most!.Value);
                missed = (tight.Other, problem.UpToStep(start - tight.Most!.Value - problem.Tasks[tight.Other].Minutes));
                return null;
            }

            placed[task] = new TimedTask(problem.Tasks[task].Id, start, start + problem.Tasks[task].Minutes, hand);
            if (hand is not null && problem.Tasks[task].Minutes > 0 && !isReserved)
            {
                var own = busy[hand];
                own.Insert(FirstEndingAfter(own, start), new TimeSpanMin(start, start + problem.Tasks[task].Minutes));
            }

            foreach (var use in usesFrom[task])
                held[use.PlaceId].Add(use);
            count++;
            foreach (var link in graph.After[task].Where(link => --waitsFor[link.Other] == 0))
                Ready(link.Other);
        }

        // What waits for itself in a circle is never ready.
        return count == placed.Length ? [.. placed.OfType<TimedTask>()] : null;
    }

    /// <summary>Time for what is pinned is kept before anything else is placed. What no hand can keep is not among the answers.</summary>
    private Dictionary<int, string?> ReservePinned(Dictionary<string, List<TimeSpanMin>> busy)
    {
        var reserved = new Dictionary<int, string?>();
        foreach (var (i, task) in problem.Tasks.Index().Where(task => task.Item is { NeedsHand: true, PinnedMin: not null }))
        {
            if (HandAt(task, task.PinnedMin!.Value, busy) is not (var hand, { } start) || start != task.PinnedMin)
                continue;
            busy[hand!].Insert(FirstEndingAfter(busy[hand!], start), new TimeSpanMin(start, start + task.Minutes));
            reserved[i] = hand;
        }

        return reserved;
    }

    private (int Start, string? Hand)? StartOf(int task, int earliest, Dictionary<string, List<TimeSpanMin>> busy, TimedTask?[] placed, Dictionary<string, List<PlaceUse>> held)
    {
        var (one, start) = (problem.Tasks[task], problem.UpToStep(earliest));
        while (start + one.Minutes <= problem.HorizonMin)
        {
            var (hand, next) = one.NeedsHand ? HandAt(one, start, busy) : (null, start);
            if (next is not { } at)
                return null;
            var free = at > start ? at : problem.UpToStep(FreePlaceFrom(task, start, placed, held));
            if (free == start)
                return (start, hand);
            start = free;
        }

        return null;
    }

    /// <summary>A hand who can do it then, or else the next time when one may; no time if none can any more.</summary>
    private (string? Hand, int? Start) HandAt(PlannedTask task, int start, Dictionary<string, List<TimeSpanMin>> busy)
    {
        (string? Hand, int? Start) best = (null, null);
        foreach (var hand in problem.Hands)
        {
            var (free, own) = (hand.Free, busy[hand.Id]);
            var at = FirstEndingAfter(own, start);
            for (var i = FirstEndingAfter(free, start); i < free.Count; i++)
            {
                var span = free[i];
                var from = problem.UpToStep(Math.Max(start, span.From));
                if (best.Start <= from)
                    break;
                // Past each thing that is in the way.
                while (at < own.Count && own[at].From < from + task.Minutes && from + task.Minutes <= span.To)
                {
                    from = Math.Max(from, problem.UpToStep(own[at].To));
                    at++;
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

    /// <param name="spans">In order and apart from each other.</param>
    private static int FirstEndingAfter(IReadOnlyList<TimeSpanMin> spans, int minute)
    {
        var (low, high) = (0, spans.Count);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = spans[middle].To > minute ? (low, middle) : (middle + 1, high);
        }

        return low;
    }

    /// <summary>When a place is free again. That is only known when what ends it is placed, unless that dries by itself at once: until then it is held for good.</summary>
    private int EndOf(PlaceUse use, int task, int start)
    {
        var (end, last) = (start + problem.Tasks[task].Minutes, graph.At[use.UntilTaskId]);
        if (last == task)
            return end;
        var dries = problem.Tasks[last];
        return !dries.NeedsHand && dries.EarliestMin <= end && dries.LatestMin is null && !usesFrom.Contains(last) && graph.Before[last].Count() == 1
            ? problem.UpToStep(end + graph.Before[last].First().Least) + dries.Minutes
            : problem.HorizonMin;
    }

    /// <summary>From when on the places of a task are free for it, as far as what is placed tells.</summary>
    /// <param name="held">What holds each place so far.</param>
    private int FreePlaceFrom(int task, int start, TimedTask?[] placed, Dictionary<string, List<PlaceUse>> held)
    {
        foreach (var use in usesFrom[task])
        {
            var room = problem.Places.First(place => place.Id == use.PlaceId).Room;
            var until = EndOf(use, task, start);
            var (there, free) = (0, int.MaxValue);
            foreach (var other in held[use.PlaceId])
            {
                var (from, to) = (placed[graph.At[other.FromTaskId]]!.StartMin, placed[graph.At[other.UntilTaskId]]?.EndMin ?? problem.HorizonMin);
                if (from < until && to > start)
                    (there, free) = (there + other.Amount, Math.Min(free, to));
            }

            // What it takes up of one place for this long and that begins all at once.
            if (there + usesFrom[task].Where(own => own.PlaceId == use.PlaceId).Sum(own => own.Amount) > room)
                return Math.Min(free, problem.HorizonMin + 1);
        }

        return start;
    }
}
