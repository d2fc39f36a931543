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

    /// <summary>It is pinned to a time at which nobody works, or that has passed.</summary>
    PinnedOutsideHours,
}

/// <param name="OperationId">Null where it is about all of it.</param>
/// <param name="Minutes">That it takes in one go; 0 where it is no matter of that.</param>
public sealed record ObstacleAt(ScheduleObstacle Obstacle, string? OperationId, int Minutes);

/// <summary>The work of some commissions as tasks: each operation in parts that a hand does in one go, each wait as time that passes.</summary>
/// <param name="Parts">What each task is, by its id; the ends are no work.</param>
/// <param name="Ends">A task without length that comes after all else of a commission; one that is done has none.</param>
public sealed record WorkInTime(SchedulingProblem Problem, IReadOnlyDictionary<string, PartOfWork> Parts, IReadOnlyDictionary<Guid, string> Ends, IReadOnlyList<ObstacleAt> Obstacles)
{
    public const int StepMin = 1;

    /// <summary>Longer nobody does one thing. House figure.</summary>
    public const int LongestMin = 90;

    /// <summary>Something leaves no plan at all.</summary>
    public bool IsHopeless => Obstacles.Any(one => one.Obstacle is ScheduleObstacle.NoHours or ScheduleObstacle.LongerThanAnyHours or ScheduleObstacle.PinnedOutsideHours);

    public static WorkInTime Of(IReadOnlyList<CommissionInTime> commissions, Workshop workshop, WorkCalendar calendar, IReadOnlyList<Pin>? pins = null) =>
        new TaskBuilder(commissions, workshop, calendar, pins ?? []).Build();
}
