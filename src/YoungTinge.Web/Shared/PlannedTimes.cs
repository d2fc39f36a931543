using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Work;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>When operations are planned for or were done, the same on every sheet.</summary>
internal static class PlannedTimes
{
    /// <returns>By operation; what stands in no plan and is not done has none.</returns>
    public static async Task<IReadOnlyDictionary<string, OperationTime>> OfAsync(IReadOnlyList<Operation> operations, StudioWork work, WorkPlanStore plans, CancellationToken cancel)
    {
        var plan = (await plans.FindAsync(work.Studio.Id, cancel))?.Plan;
        var doneAt = operations.Where(one => work.Ticks.ContainsKey(one.Id)).ToDictionary(one => one.Id, one => work.Ticks[one.Id].At);
        return OperationTime.Of(operations, plan, doneAt);
    }
}
