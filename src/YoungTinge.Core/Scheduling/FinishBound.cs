namespace YoungTinge.Core.Scheduling;

/// <summary>
/// How soon some tasks can be done at all: for every set of tasks that become possible late and are followed by much, the hands need their minutes between
/// (the bound of Jackson's preemptive schedule, here with hours of work; Carlier 1982). No plan is quicker, whatever it is like.
/// </summary>
internal sealed class FinishBound
{
    private const int SetsLookedAt = 40;

    private readonly SchedulingProblem problem;
    private readonly TaskGraph graph;
    private readonly (int From, int To, int Hands)[] free;
    private readonly int[] heads;

    public FinishBound(SchedulingProblem problem, TaskGraph graph)
    {
        (this.problem, this.graph) = (problem, graph);
        free = FreeHands();
        heads = Heads();
    }

    /// <summary>When all of it can be done at the soonest.</summary>
    public int OfAll() => Of([.. Enumerable.Range(0, problem.Tasks.Count)], graph.TailsTo(null));

    /// <summary>When a task can be done at the soonest, with all that comes before it.</summary>
    public int Of(string taskId)
    {
        var tails = graph.TailsTo(graph.At[taskId]);
        return Of([.. Enumerable.Range(0, tails.Length).Where(task => tails[task] is not null)], tails);
    }

    private int Of(IReadOnlyList<int> tasks, int?[] tails)
    {
        var bound = tasks.Max(task => heads[task] + problem.Tasks[task].Minutes + tails[task]!.Value);
        var byHead = tasks.Where(task => problem.Tasks[task].NeedsHand).OrderByDescending(task => heads[task]).ToList();
        var sets = new List<(int Done, int Tail, int Bound)>();
        foreach (var tail in tasks.Select(task => tails[task]!.Value).Distinct())
        {
            var minutes = 0;
            foreach (var task in byHead.Where(task => tails[task] >= tail))
            {
                minutes += problem.Tasks[task].Minutes;
                var done = DoneFrom(heads[task], minutes);
                sets.Add((done, tail, done + tail));
            }
        }

        // What follows the last of them has to wait for its hours too; worked out for the sets that matter.
        foreach (var (done, tail, least) in sets.OrderByDescending(set => set.Bound).Take(SetsLookedAt))
            bound = Math.Max(bound, Math.Max(least, byHead.Where(task => tails[task] >= tail).Min(task => EndFrom(task, done, tails))));
        return Math.Min(bound, problem.HorizonMin);
    }

    /// <summary>The soonest end if a task is done by then, with everybody's hours but nobody else's work in the way.</summary>
    private int EndFrom(int task, int done, int?[] tails)
    {
        var ends = new Dictionary<int, int>();
        int Of(int of, int end) => ends.TryGetValue(of, out var known) && known >= end ? 0 : Follow(of, ends[of] = end);
        int Follow(int of, int end) => graph.After[of].Where(link => tails[link.Other] is not null)
            .Select(link => Of(link.Other, Begin(problem.Tasks[link.Other], end + link.Least) + problem.Tasks[link.Other].Minutes)).Append(end).Max();
        return Of(task, done);
    }

    /// <summary>When the hands together have worked so many minutes from then on.</summary>
    private int DoneFrom(int from, int minutes)
    {
        foreach (var (start, end, hands) in free)
        {
            if (end <= from)
                continue;
            var begun = Math.Max(start, from);
            if ((end - begun) * hands >= minutes)
                return begun + (minutes + hands - 1) / hands;
            minutes -= (end - begun) * hands;
        }

        return problem.HorizonMin;
    }

    private (int From, int To, int Hands)[] FreeHands()
    {
        int[] edges = [.. problem.Hands.SelectMany(hand => hand.Free).SelectMany(span => new[] { span.From, span.To }).Distinct().Order()];
        return [.. edges.Zip(edges.Skip(1), (from, to) => (from, to, problem.Hands.Count(hand => hand.Free.Any(span => span.From <= from && to <= span.To)))).Where(span => span.Item3 > 0)];
    }

    private int[] Heads()
    {
        var known = new int?[problem.Tasks.Count];
        int Of(int task) => known[task] ??= Begin(problem.Tasks[task], graph.Before[task].Select(link => Of(link.Other) + problem.Tasks[link.Other].Minutes + link.Least).Append(problem.Tasks[task].EarliestMin).Max());
        return [.. Enumerable.Range(0, known.Length).Select(Of)];
    }

    /// <summary>The first step from then on at which any hand may do it.</summary>
    private int Begin(PlannedTask task, int earliest)
    {
        int From(TimeSpanMin span) => problem.UpToStep(Math.Max(earliest, span.From));
        return !task.NeedsHand ? problem.UpToStep(earliest) : problem.Hands
            .SelectMany(hand => hand.Free.Where(span => From(span) + task.Minutes <= span.To).Select(From).Take(1)).DefaultIfEmpty(problem.HorizonMin).Min();
    }
}
