using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Work;

namespace YoungTinge.Core.Scheduling;

/// <summary>Makes tasks of operations, commission by commission.</summary>
internal sealed class TaskBuilder
{
    /// <summary>Past the day that a commission should be ready, it is planned on for so long.</summary>
    private const int DaysLate = 45;

    /// <summary>The air of a room is either for spirit and glaze or for steam and flame.</summary>
    private const string Air = "air";

    /// <summary>Formers and the rack: a piece is on one from when it is shaped until it is as dry as it has to be.</summary>
    private const string Rack = "rack";

    private readonly IReadOnlyList<CommissionInTime> commissions;
    private readonly WorkCalendar calendar;
    private readonly int horizonMin;
    private readonly IReadOnlyDictionary<string, Pin> pins;
    private readonly int? dryingPieces;
    private readonly IReadOnlyList<Hand> hands;
    private readonly List<PlannedTask> tasks = [];
    private readonly List<TaskLink> links = [];
    private readonly List<DueTime> due = [];
    private readonly List<PlaceUse> uses = [];
    private readonly List<ObstacleAt> obstacles = [];
    private readonly Dictionary<string, PartOfWork> parts = [];
    private readonly Dictionary<Guid, string> ends = [];

    /// <summary>Of the operations that are no task of their own, the one that they are got ready for.</summary>
    private readonly Dictionary<string, string> hostOf = [];

    private readonly Dictionary<string, IReadOnlyList<PlannedTask>> tasksOf = [];

    public TaskBuilder(IReadOnlyList<CommissionInTime> commissions, Workshop workshop, WorkCalendar calendar, IReadOnlyList<Pin> pins)
    {
        (this.commissions, this.calendar, dryingPieces) = (commissions, calendar, workshop.DryingPieces);
        this.pins = pins.ToDictionary(pin => pin.OperationId);
        horizonMin = Math.Max(0, commissions.Select(commission => calendar.EndOf(commission.ReadyOn)).DefaultIfEmpty(0).Max()) + DaysLate * 1440;
        hands = [.. workshop.Makers.Select(maker => calendar.HandOf(maker, horizonMin))];
    }

    public WorkInTime Build()
    {
        foreach (var commission in commissions)
        {
            var open = commission.Graph.Operations.Where(operation => !commission.Done.ContainsKey(operation.Id)).ToList();
            var soonest = Soonest(open);
            // Of what is mixed for several, the one that can be laid soonest: it is mixed in the same going.
            foreach (var ready in open.Where(operation => operation.Step is MixPot or MakeLetDown))
            {
                if (open.Where(other => other.After.Contains(ready.Id)).MinBy(other => soonest[other.Id]) is { } host)
                    hostOf[ready.Id] = host.Id;
            }

            var own = open.Where(operation => !hostOf.ContainsKey(operation.Id)).ToList();
            foreach (var operation in own)
                AddTasks(operation, [.. open.Where(ready => hostOf.GetValueOrDefault(ready.Id) == operation.Id)], commission);
            foreach (var operation in own)
                AddLinks(operation, commission);
            // Whatever nothing follows ends it.
            AddEnd(commission, [.. own.Where(operation => !open.Any(other => other.After.Contains(operation.Id))).SelectMany(operation => tasksOf[operation.Id])]);
        }

        if (hands.All(hand => hand.Free.Count == 0) && tasks.Any(task => task.NeedsHand))
            obstacles.Insert(0, new ObstacleAt(ScheduleObstacle.NoHours, null, 0));
        return new WorkInTime(
            new SchedulingProblem(WorkInTime.StepMin, horizonMin, hands, tasks, [.. links.GroupBy(link => (link.First, link.Then)).Select(Tightest)], due)
            {
                Places = [new WorkPlace(Air, Math.Max(1, hands.Count)), .. dryingPieces is { } room ? new[] { new WorkPlace(Rack, room) } : []],
                Uses = uses,
            },
            parts, ends, obstacles);
    }

    /// <param name="before">What is got ready for it in the same going.</param>
    private void AddTasks(Operation operation, IReadOnlyList<Operation> before, CommissionInTime commission)
    {
        GotReady[] ready = [.. before.Select(one => new GotReady(one.Id, (int)Math.Ceiling(one.SetUpMinutes + one.HandMinutes)))];
        var own = TasksOf(operation, ready.Sum(one => one.Minutes), commission).ToList();
        // What is got ready for it moves with it.
        if (before.Prepend(operation).Select(one => pins.GetValueOrDefault(one.Id)).OfType<Pin>().FirstOrDefault() is { } pin && own[0].NeedsHand)
        {
            own[0] = Pinned(own[0], pin, operation.Id);
            // In the order of its parts: none before the first.
            for (var i = 1; i < own.Count; i++)
                own[i] = own[i] with { EarliestMin = Math.Max(own[i].EarliestMin, own[0].EarliestMin) };
        }

        tasksOf[operation.Id] = own;
        tasks.AddRange(own);
        foreach (var (i, task) in own.Index())
        {
            parts[task.Id] = new PartOfWork(operation.Id, i + 1, own.Count, i == 0 ? ready : []);
            if (AirOf(operation) is > 0 and var air)
                uses.Add(new PlaceUse(Air, task.Id, task.Id, air));
        }

        if (operation.Step is DryPieces { IsTooDamp: true })
            obstacles.Add(new ObstacleAt(ScheduleObstacle.TooDamp, operation.Id, 0));
        var longest = own.Where(task => task.NeedsHand).Select(task => task.Minutes).DefaultIfEmpty(0).Max();
        if (longest > hands.SelectMany(hand => hand.Free).Select(span => span.Minutes).DefaultIfEmpty(int.MaxValue).Max())
            obstacles.Add(new ObstacleAt(ScheduleObstacle.LongerThanAnyHours, operation.Id, longest));
    }

    private PlannedTask Pinned(PlannedTask task, Pin pin, string operationId)
    {
        var from = pin.At is { } at ? calendar.MinutesTo(at) / WorkInTime.StepMin * WorkInTime.StepMin : calendar.EndOf(pin.Day!.Value.AddDays(-1));
        var pinned = task with { EarliestMin = Math.Max(task.EarliestMin, from), LatestMin = pin.At is not null ? from : calendar.EndOf(pin.Day!.Value) - task.Minutes };
        var isPossible = hands.SelectMany(hand => hand.Free).Any(span => Math.Max(span.From, pinned.EarliestMin) is var begin && begin <= pinned.LatestMin && begin + pinned.Minutes <= span.To);
        if (isPossible && pinned.EarliestMin <= pinned.LatestMin)
            return pinned;
        obstacles.Add(new ObstacleAt(ScheduleObstacle.PinnedOutsideHours, operationId, 0));
        return task;
    }

    private void AddLinks(Operation operation, CommissionInTime commission)
    {
        foreach (var before in operation.After.Where(tasksOf.ContainsKey))
            links.AddRange(Linked(commission.Graph.Find(before)!, tasksOf[before], operation, tasksOf[operation.Id]));
        // Whatever else takes from a pot comes after the first that did.
        foreach (var host in operation.After.Where(hostOf.ContainsKey).Select(before => hostOf[before]).Where(host => host != operation.Id).Distinct())
            links.AddRange(tasksOf[operation.Id].Select(then => new TaskLink(tasksOf[host][0].Id, then.Id, 0)));
        if (operation.Step is DryPieces)
            AddToRack(operation);
        foreach (var rest in operation.Rests.Where(rest => tasksOf.ContainsKey(rest.AfterId)))
            links.AddRange(tasksOf[rest.AfterId].SelectMany(first => tasksOf[operation.Id].Select(then => new TaskLink(first.Id, then.Id, (int)rest.LeastMinutes))));
    }

    /// <summary>What was shaped before holds its place from the beginning.</summary>
    private void AddToRack(Operation dry)
    {
        if (dryingPieces is not { } room)
            return;
        var shaped = dry.After.Select(before => tasksOf.GetValueOrDefault(before)).FirstOrDefault();
        var (own, pieces) = (tasksOf[dry.Id], dry.Lots.Sum(lot => lot.Count));
        foreach (var (i, task) in own.Index())
            uses.Add(new PlaceUse(Rack, shaped?[i].Id ?? task.Id, task.Id, Math.Min(room, pieces / own.Count + (i < pieces % own.Count ? 1 : 0))));
    }

    /// <summary>One end for all of it: what is late is late once, in however many parts it is done.</summary>
    private void AddEnd(CommissionInTime commission, IReadOnlyList<PlannedTask> last)
    {
        if (last.Count == 0)
            return;
        var end = new PlannedTask($"end:{commission.Id}", 0, NeedsHand: false);
        tasks.Add(end);
        links.AddRange(last.Select(task => new TaskLink(task.Id, end.Id, 0)));
        due.Add(new DueTime(end.Id, calendar.EndOf(commission.ReadyOn)));
        ends[commission.Id] = end.Id;
    }

    /// <summary>What is done by hand in as few like parts as none is too long; what only waits as one task for each part that it waits for.</summary>
    /// <param name="readyMinutes">For what is got ready in its first part.</param>
    private IEnumerable<PlannedTask> TasksOf(Operation operation, int readyMinutes, CommissionInTime commission)
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

    private static double WaitOf(CommissionInTime commission, string id) => commission.Graph.Find(id)?.WaitMinutes ?? 0;

    /// <summary>None longer than anybody does one thing, and no more pieces in one than can dry at once.</summary>
    private int PartsOf(Operation operation)
    {
        var byTime = (int)Math.Ceiling((operation.SetUpMinutes + operation.HandMinutes) / WorkInTime.LongestMin);
        var byRoom = operation.Step is ShapePieces { Body.Kind: not BodyKind.Bought } && dryingPieces is { } room ? (operation.Lots.Sum(lot => lot.Count) + room - 1) / room : 1;
        return Math.Max(1, Math.Max(byTime, byRoom));
    }

    /// <summary>Each part that dries follows the part that was shaped; all else waits for all of what it follows.</summary>
    private static IEnumerable<TaskLink> Linked(Operation before, IReadOnlyList<PlannedTask> first, Operation operation, IReadOnlyList<PlannedTask> then)
    {
        // What only waits takes its own time; after the work of a hand the wait comes on top.
        var least = first[0].NeedsHand ? (int)Math.Ceiling(before.WaitMinutes) : 0;
        var window = operation.Windows.FirstOrDefault(one => one.AfterId == before.Id) is { } closes ? (int)(closes.MostMinutes - before.WaitMinutes) : (int?)null;
        if (!then[0].NeedsHand && first.Count == then.Count)
            return first.Zip(then, (one, other) => new TaskLink(one.Id, other.Id, least));
        // Of what bends for a while, the part that dries last is what the window is for.
        return first.SelectMany((one, i) => then.Select(other => new TaskLink(one.Id, other.Id, least, i == first.Count - 1 && window is { } most ? least + Math.Max(WorkInTime.StepMin, most) : null)));
    }

    private static TaskLink Tightest(IGrouping<(string, string), TaskLink> links) =>
        links.First() with { LeastMin = links.Max(link => link.LeastMin), MostMin = links.Min(link => link.MostMin) };

    /// <summary>Steam takes the whole room; spirit and glaze a share, so that several may go on side by side.</summary>
    private int AirOf(Operation operation) => hands.Count < 2 ? 0 : operation switch
    {
        { Coat: ResolvedSteam } => hands.Count,
        { Coat: ResolvedGlaze or ResolvedWash } => 1,
        _ => 0,
    };
}
