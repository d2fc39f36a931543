using YoungTinge.Core.Work;

namespace YoungTinge.Core.Scheduling;

/// <summary>When something is planned for, or was done, and until when it dries or rests after that.</summary>
/// <param name="From">Planned; null once it is done.</param>
/// <param name="To">Its planned end, or when it was done.</param>
/// <param name="RestsUntil">Null where nothing waits for it.</param>
public sealed record OperationTime(DateTimeOffset? From, DateTimeOffset To, DateTimeOffset? RestsUntil)
{
    /// <summary>By the plan in force and by what has been done.</summary>
    /// <param name="plan">Null if none is in force.</param>
    /// <param name="doneAt">By operation.</param>
    /// <returns>By operation; what stands in no plan and is not done has none.</returns>
    public static IReadOnlyDictionary<string, OperationTime> Of(IReadOnlyList<Operation> operations, WorkPlan? plan, IReadOnlyDictionary<string, DateTimeOffset> doneAt)
    {
        var planned = (plan?.Parts ?? []).ToLookup(part => part.OperationId);
        return operations.Where(one => doneAt.ContainsKey(one.Id) || planned.Contains(one.Id)).ToDictionary(one => one.Id, one =>
        {
            var isDone = doneAt.TryGetValue(one.Id, out var done);
            var to = isDone ? done : planned[one.Id].Max(part => part.To);
            // What only dries takes its own time: it is dry when it ends.
            return new OperationTime(isDone ? null : planned[one.Id].Min(part => part.From), to, one is { IsByHand: true, WaitMinutes: > 0 } ? to.AddMinutes(one.WaitMinutes) : null);
        });
    }

    /// <summary>Of several that are done in one go: from the first that is still planned to the end of the last. Null for none.</summary>
    public static OperationTime? Together(IReadOnlyCollection<OperationTime> times) =>
        times.Count == 0 ? null : new OperationTime(times.Min(time => time.From), times.Max(time => time.To), times.Max(time => time.RestsUntil));
}
