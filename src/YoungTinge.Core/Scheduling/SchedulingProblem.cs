namespace YoungTinge.Core.Scheduling;

/// <summary>A stretch of time, in minutes from the first moment of the plan; empty if it does not end after it begins.</summary>
public readonly record struct TimeSpanMin(int From, int To)
{
    public int Minutes => To - From;
}

/// <summary>A maker who does one thing at a time.</summary>
/// <param name="Free">When she may work, in order and apart from each other.</param>
public sealed record Hand(string Id, IReadOnlyList<TimeSpanMin> Free);

/// <summary>Something that takes a while, without a break: work of one hand, or drying by itself.</summary>
/// <param name="Minutes">0 or more.</param>
/// <param name="NeedsHand">Done by one of the hands, inside one of her free stretches.</param>
/// <param name="EarliestMin">It begins no sooner.</param>
/// <param name="LatestMin">It begins no later; null for whenever.</param>
public sealed record PlannedTask(string Id, int Minutes, bool NeedsHand, int EarliestMin = 0, int? LatestMin = null)
{
    /// <summary>It begins then and at no other time.</summary>
    public int? PinnedMin => LatestMin == EarliestMin ? LatestMin : null;
}

/// <summary>One task after another. Waits go on through nights.</summary>
/// <param name="LeastMin">From the end of the first to the beginning of the other, 0 or more.</param>
/// <param name="MostMin">At most; null for however long.</param>
public sealed record TaskLink(string First, string Then, int LeastMin, int? MostMin = null);

/// <summary>A task that is wanted by a time: what it ends after it is late.</summary>
public sealed record DueTime(string TaskId, int ByMin);

/// <summary>What there is only so much of: formers, room on the rack, one steamer, air that is either for spirit or for a flame.</summary>
public sealed record WorkPlace(string Id, int Room);

/// <summary>A task, or a stretch from the beginning of one to the end of another, takes up part of a place.</summary>
/// <param name="UntilTaskId">The task that it is free again after.</param>
public sealed record PlaceUse(string PlaceId, string FromTaskId, string UntilTaskId, int Amount);

/// <summary>All that is to be put into time.</summary>
/// <param name="StepMin">Tasks begin on multiples of it.</param>
/// <param name="HorizonMin">Everything ends by then.</param>
public sealed record SchedulingProblem(
    int StepMin, int HorizonMin, IReadOnlyList<Hand> Hands, IReadOnlyList<PlannedTask> Tasks, IReadOnlyList<TaskLink> After, IReadOnlyList<DueTime> Due)
{
    public IReadOnlyList<WorkPlace> Places { get; init; } = [];

    public IReadOnlyList<PlaceUse> Uses { get; init; } = [];

    /// <summary>Whether something has to be begun before too long.</summary>
    public bool HasWindows => After.Any(link => link.MostMin is not null);

    /// <summary>As if nothing had to be begun before too long.</summary>
    public SchedulingProblem WithoutWindows() => this with { After = [.. After.Select(link => link with { MostMin = null })] };

    /// <summary>Whether something comes after itself.</summary>
    public bool HasCircle()
    {
        var waitsFor = Tasks.ToDictionary(task => task.Id, _ => 0);
        foreach (var link in After)
            waitsFor[link.Then]++;
        var following = After.ToLookup(link => link.First, link => link.Then);
        var ready = new Queue<string>(waitsFor.Where(task => task.Value == 0).Select(task => task.Key));
        var placed = 0;
        for (; ready.TryDequeue(out var id); placed++)
        {
            foreach (var then in following[id])
            {
                if (--waitsFor[then] == 0)
                    ready.Enqueue(then);
            }
        }

        return placed < Tasks.Count;
    }

    /// <summary>Whether there is a time for a task, were it the only one.</summary>
    public bool CanPlace(PlannedTask task)
    {
        bool Fits(TimeSpanMin span) => UpToStep(Math.Max(span.From, task.EarliestMin)) is var from && from + task.Minutes <= Math.Min(span.To, HorizonMin) && from <= (task.LatestMin ?? from);
        return task.NeedsHand ? Hands.SelectMany(hand => hand.Free).Any(Fits) : Fits(new TimeSpanMin(0, HorizonMin));
    }

    /// <summary>The first step that is not before some minute.</summary>
    internal int UpToStep(int minutes) => (minutes + StepMin - 1) / StepMin * StepMin;
}

/// <summary>When a task is done, and by whom.</summary>
/// <param name="HandId">Null for what needs none.</param>
public sealed record TimedTask(string TaskId, int StartMin, int EndMin, string? HandId);

/// <summary>How sure a schedule is the best.</summary>
public enum ScheduleStatus
{
    /// <summary>There is no better one.</summary>
    Best,

    /// <summary>It holds, and there may be a better one.</summary>
    Good,

    /// <summary>There is none at all.</summary>
    None,

    /// <summary>None was found in the time that there was.</summary>
    NotFound,
}

/// <summary>All tasks in time.</summary>
/// <param name="Tasks">In the order of the problem; empty if there is none.</param>
/// <param name="LateMin">Minutes that what is due ends after its time, summed.</param>
/// <param name="LateBoundMin">No schedule is less late.</param>
/// <param name="FinishMin">The end of all of it.</param>
/// <param name="FinishBoundMin">None that is as little late ends sooner.</param>
public sealed record Schedule(ScheduleStatus Status, IReadOnlyList<TimedTask> Tasks, int LateMin, int LateBoundMin, int FinishMin, int FinishBoundMin);
