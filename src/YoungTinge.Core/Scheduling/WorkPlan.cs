namespace YoungTinge.Core.Scheduling;

/// <summary>A part of an operation with its time.</summary>
/// <param name="Part">From 1.</param>
/// <param name="MakerId">Null for what only waits.</param>
public sealed record PlannedPart(string OperationId, int Part, int Of, DateTimeOffset From, DateTimeOffset To, Guid? MakerId);

/// <summary>An operation that is to be begun at a time, or on a day.</summary>
/// <param name="At">Null for any time of the day.</param>
/// <param name="Day">By the clock of the studio; null where the time is said.</param>
public sealed record Pin(string OperationId, DateTimeOffset? At, DateOnly? Day);

/// <summary>A plan of the work as it is in force.</summary>
/// <param name="Parts">In order of time.</param>
public sealed record WorkPlan(IReadOnlyList<PlannedPart> Parts)
{
    /// <summary>What the maker has set; all else was planned round it.</summary>
    public IReadOnlyList<Pin> Pins { get; init; } = [];

    public const int MaxPins = 200;

    /// <summary>More is not one plan.</summary>
    public const int MaxParts = 20_000;

    public static WorkPlan Of(WorkInTime work, Schedule schedule, WorkCalendar calendar) => new(
        [.. schedule.Tasks.Where(task => work.Parts.ContainsKey(task.TaskId)).OrderBy(task => task.StartMin).ThenBy(task => task.EndMin).SelectMany(task => PartsOf(task, work.Parts[task.TaskId], calendar))]);

    /// <summary>What is got ready first, then the part itself.</summary>
    private static IEnumerable<PlannedPart> PartsOf(TimedTask task, PartOfWork part, WorkCalendar calendar)
    {
        Guid? maker = task.HandId is { } hand ? Guid.Parse(hand) : null;
        var from = task.StartMin;
        foreach (var ready in part.Ready)
        {
            yield return new PlannedPart(ready.OperationId, 1, 1, calendar.At(from), calendar.At(from + ready.Minutes), maker);
            from += ready.Minutes;
        }

        yield return new PlannedPart(part.OperationId, part.Part, part.Of, calendar.At(from), calendar.At(task.EndMin), maker);
    }
}
