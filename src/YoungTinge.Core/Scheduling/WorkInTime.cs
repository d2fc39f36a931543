using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Work;

namespace YoungTinge.Core.Scheduling;

/// <summary>A commission that is to be ready in time.</summary>
/// <param name="Graph">All that is to do for it.</param>
/// <param name="Done">When each operation that is done was done, by id; what is done without a tick has no time of its own.</param>
/// <param name="ReadyOn">The last day on which it may become ready.</param>
public sealed record CommissionInTime(Guid Id, WorkGraph Graph, IReadOnlyDictionary<string, DateTimeOffset?> Done, DateOnly ReadyOn);

/// <summary>What is got ready at the beginning of a task: a pot is mixed for the coat that is laid from it first, not days before.</summary>
public sealed record GotReady(string OperationId, int Minutes);

/// <summary>A part of an operation: as much of it as is done in one go.</summary>
/// <param name="Part">From 1.</param>
/// <param name="Ready">What is got ready first, in its time.</param>
public sealed record PartOfWork(string OperationId, int Part, int Of, IReadOnlyList<GotReady> Ready);

/// <summary>Why there is no plan, or what stands in the way of one.</summary>
public enum ScheduleObstacle
{
    /// <summary>Nobody has hours to work in.</summary>
    NoHours,

    /// <summary>It takes longer in one go than anybody works without a break.</summary>
    LongerThanAnyHours,

    /// <summary>It will not dry in its room.</summary>
    TooDamp,
}

/// <param name="OperationId">Null where it is about all of it.</param>
/// <param name="Minutes">That it takes in one go; 0 where it is no matter of that.</param>
public sealed record ObstacleAt(ScheduleObstacle Obstacle, string? OperationId, int Minutes);

/// <summary>The work of some commissions as tasks: each operation in parts that a hand does in one go, each wait as time that passes.</summary>
/// <param name="Parts">What each task is, by its id; the ends are no work.</param>
/// <param name="Ends">A task without length that comes after all else of a commission; one that is done has none.</param>
public sealed record WorkInTime(SchedulingProblem Problem, IReadOnlyDictionary<string, PartOfWork> Parts, IReadOnlyDictionary<Guid, string> Ends, IReadOnlyList<ObstacleAt> Obstacles)
{
    public const int StepMin = 5;

    /// <summary>Longer nobody does one thing. House figure.</summary>
    public const int LongestMin = 90;

    /// <summary>Past the day that a commission should be ready, it is planned on for so long.</summary>
    private const int DaysLate = 45;

    /// <summary>The air of a room is either for spirit and glaze or for steam and flame.</summary>
    private const string Air = "air";

    public static WorkInTime Of(IReadOnlyList<CommissionInTime> commissions, IReadOnlyList<Maker> makers, WorkCalendar calendar)
    {
        var horizon = Math.Max(0, commissions.Select(commission => calendar.EndOf(commission.ReadyOn)).DefaultIfEmpty(0).Max()) + DaysLate * 1440;
        var hands = makers.Select(maker => calendar.HandOf(maker, horizon)).ToList();
        var tasks = new List<PlannedTask>();
        var links = new List<TaskLink>();
        var due = new List<DueTime>();
        var parts = new Dictionary<string, PartOfWork>();
        var ends = new Dictionary<Guid, string>();
        var uses = new List<PlaceUse>();
        var obstacles = new List<ObstacleAt>();
        foreach (var commission in commissions)
        {
            var open = commission.Graph.Operations.Where(operation => !commission.Done.ContainsKey(operation.Id)).ToList();
            var tasksOf = new Dictionary<string, List<PlannedTask>>();
            // Of what is mixed for several, the one that can be laid soonest: it is mixed in the same going.
            var soonest = Soonest(open);
            var hosts = open.Where(IsGotReady).Select(ready => (Ready: ready, Host: open.Where(other => other.After.Contains(ready.Id)).MinBy(other => soonest[other.Id]))).Where(one => one.Host is not null).ToLookup(one => one.Host!.Id, one => one.Ready);
            var hosted = hosts.SelectMany(host => host.Select(ready => (ready.Id, host.Key))).ToDictionary();
            foreach (var operation in open.Where(operation => !hosted.ContainsKey(operation.Id)))
            {
                GotReady[] ready = [.. hosts[operation.Id].Select(one => new GotReady(one.Id, (int)Math.Ceiling(one.SetUpMinutes + one.HandMinutes)))];
                var own = tasksOf[operation.Id] = [.. TasksOf(operation, ready.Sum(one => one.Minutes), commission, calendar)];
                tasks.AddRange(own);
                foreach (var (i, task) in own.Index())
                {
                    parts[task.Id] = new PartOfWork(operation.Id, i + 1, own.Count, i == 0 ? ready : []);
                    if (AirOf(operation, hands.Count) is > 0 and var air)
                        uses.Add(new PlaceUse(Air, task.Id, task.Id, air));
                }

                if (operation.Step is DryPieces { IsTooDamp: true })
                    obstacles.Add(new ObstacleAt(ScheduleObstacle.TooDamp, operation.Id, 0));
                var longest = own.Where(task => task.NeedsHand).Select(task => task.Minutes).DefaultIfEmpty(0).Max();
                if (longest > hands.SelectMany(hand => hand.Free).Select(span => span.Minutes).DefaultIfEmpty(int.MaxValue).Max())
                    obstacles.Add(new ObstacleAt(ScheduleObstacle.LongerThanAnyHours, operation.Id, longest));
            }

            foreach (var operation in open.Where(operation => tasksOf.ContainsKey(operation.Id)))
            {
                foreach (var before in operation.After.Where(tasksOf.ContainsKey))
                    links.AddRange(Linked(commission.Graph.Find(before)!, tasksOf[before], operation, tasksOf[operation.Id]));
                // Whatever else takes from a pot comes after the first that did.
                foreach (var host in operation.After.Where(hosted.ContainsKey).Select(before => hosted[before]).Where(host => host != operation.Id).Distinct())
                    links.AddRange(tasksOf[operation.Id].Select(then => new TaskLink(tasksOf[host][0].Id, then.Id, 0)));
                foreach (var rest in operation.Rests.Where(rest => tasksOf.ContainsKey(rest.AfterId)))
                    links.AddRange(tasksOf[rest.AfterId].SelectMany(first => tasksOf[operation.Id].Select(then => new TaskLink(first.Id, then.Id, (int)rest.LeastMinutes))));
            }

            // Whatever nothing follows ends it.
            var last = open.Where(operation => tasksOf.ContainsKey(operation.Id) && !open.Any(other => other.After.Contains(operation.Id))).SelectMany(operation => tasksOf[operation.Id]).ToList();
            if (last.Count == 0)
                continue;
            // One end for all of it: what is late is late once, in however many parts it is done.
            var end = new PlannedTask($"end:{commission.Id}", 0, NeedsHand: false);
            tasks.Add(end);
            links.AddRange(last.Select(task => new TaskLink(task.Id, end.Id, 0)));
            due.Add(new DueTime(end.Id, calendar.EndOf(commission.ReadyOn)));
            ends[commission.Id] = end.Id;
        }

        if (hands.All(hand => hand.Free.Count == 0) && tasks.Any(task => task.NeedsHand))
            obstacles.Insert(0, new ObstacleAt(ScheduleObstacle.NoHours, null, 0));
        return new WorkInTime(
            new SchedulingProblem(StepMin, horizon, hands, tasks, [.. links.GroupBy(link => (link.First, link.Then)).Select(Tightest)], due) { Places = [new WorkPlace(Air, Math.Max(1, hands.Count))], Uses = uses },
            parts, ends, obstacles);
    }

    /// <summary>What is done by hand in as few like parts as none is too long; what only waits as one task for each part that it waits for.</summary>
    /// <param name="readyMinutes">For what is got ready in its first part.</param>
    private static IEnumerable<PlannedTask> TasksOf(Operation operation, int readyMinutes, CommissionInTime commission, WorkCalendar calendar)
    {
        var minutes = operation.SetUpMinutes + operation.HandMinutes;
        // What was done before and still waits holds up what comes after it.
        var earliest = operation.After.Concat(operation.Rests.Select(rest => rest.AfterId)).Where(commission.Done.ContainsKey)
            .Select(before => commission.Done[before] is { } at ? calendar.MinutesTo(at.AddMinutes(Math.Max(WaitOf(commission, before), operation.Rests.FirstOrDefault(rest => rest.AfterId == before)?.LeastMinutes ?? 0))) + 1 : 0).Append(0).Max();
        if (minutes <= 0)
        {
            var shape = operation.After.Where(before => !commission.Done.ContainsKey(before)).Select(before => commission.Graph.Find(before)!).FirstOrDefault();
            var each = shape is null ? 1 : PartsOf(shape);
            return Enumerable.Range(1, each).Select(part => new PlannedTask($"{operation.Id}#{part}", (int)Math.Ceiling(operation.WaitMinutes), NeedsHand: false, earliest));
        }

        var parts = PartsOf(operation);
        return Enumerable.Range(1, parts).Select(part => new PlannedTask($"{operation.Id}#{part}", (int)Math.Ceiling(minutes / parts) + (part == 1 ? readyMinutes : 0), NeedsHand: true, earliest));
    }

    /// <summary>Minutes until each could be begun if hands were no matter.</summary>
    private static Dictionary<string, double> Soonest(IReadOnlyList<Operation> open)
    {
        var ends = new Dictionary<string, double>();
        var begins = new Dictionary<string, double>();
        // They stand in an order in which they can be done.
        foreach (var operation in open)
        {
            begins[operation.Id] = operation.After.Select(before => ends.GetValueOrDefault(before)).Append(0).Max();
            ends[operation.Id] = begins[operation.Id] + operation.SetUpMinutes + operation.HandMinutes + operation.WaitMinutes;
        }

        return begins;
    }

    private static bool IsGotReady(Operation operation) => operation.Step is MixPot or MakeLetDown;

    private static double WaitOf(CommissionInTime commission, string id) => commission.Graph.Find(id)?.WaitMinutes ?? 0;

    private static int PartsOf(Operation operation) => Math.Max(1, (int)Math.Ceiling((operation.SetUpMinutes + operation.HandMinutes) / LongestMin));

    /// <summary>Each part that dries follows the part that was shaped; all else waits for all of what it follows.</summary>
    private static IEnumerable<TaskLink> Linked(Operation before, List<PlannedTask> first, Operation operation, List<PlannedTask> then)
    {
        // What only waits takes its own time; after the work of a hand the wait comes on top.
        var least = first[0].NeedsHand ? (int)Math.Ceiling(before.WaitMinutes) : 0;
        var window = operation.Windows.FirstOrDefault(one => one.AfterId == before.Id) is { } closes ? (int)(closes.MostMinutes - before.WaitMinutes) : (int?)null;
        if (!then[0].NeedsHand && first.Count == then.Count)
            return first.Zip(then, (one, other) => new TaskLink(one.Id, other.Id, least));
        // Of what bends for a while, the part that dries last is what the window is for.
        return first.SelectMany((one, i) => then.Select(other => new TaskLink(one.Id, other.Id, least, i == first.Count - 1 && window is { } most ? least + Math.Max(StepMin, most) : null)));
    }

    private static TaskLink Tightest(IGrouping<(string, string), TaskLink> links) =>
        links.First() with { LeastMin = links.Max(link => link.LeastMin), MostMin = links.Min(link => link.MostMin) };

    /// <summary>Steam takes the whole room; spirit and glaze a share, so that several may go on side by side.</summary>
    private static int AirOf(Operation operation, int hands) => hands < 2 ? 0 : operation switch
    {
        { Coat: ResolvedSteam } => hands,
        { Coat: ResolvedGlaze or ResolvedWash } => 1,
        _ => 0,
    };
}
