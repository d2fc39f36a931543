using YoungTinge.Core.Work;

namespace YoungTinge.Core.Scheduling;

/// <summary>Something that is waited for.</summary>
/// <param name="Minutes">After it is done.</param>
public sealed record BenchWait(string OperationId, double Minutes);

/// <summary>One thing to do at the bench, in its place in the day.</summary>
/// <param name="From">In the plan in force; null if it stands in none.</param>
/// <param name="MakerId">Whom it is planned for; null for anybody.</param>
/// <param name="Parts">Goings that it is planned in, from 1.</param>
/// <param name="Waits">All of it before it can be begun.</param>
/// <param name="DriesMinutes">What only dries: so long after all that it waits for; 0 for the work of a hand.</param>
/// <param name="Window">It has to be begun so long after that; null where there is time.</param>
public sealed record BenchTask(Operation Operation, DateTimeOffset? From, Guid? MakerId, int Parts, IReadOnlyList<BenchWait> Waits, double DriesMinutes, BenchWait? Window);

/// <summary>
/// What is to do at the bench, in the order of the plan in force, what stands in no plan behind it. What can be begun now follows from what is done and
/// from the clock alone, so that a device without a connection can go on by itself.
/// </summary>
public static class BenchDay
{
    /// <param name="commissions">Open, the most pressing first.</param>
    public static IReadOnlyList<BenchTask> Of(IReadOnlyList<(WorkGraph Graph, IReadOnlySet<string> Done)> commissions, WorkPlan? plan)
    {
        var planned = plan?.Parts.GroupBy(part => part.OperationId).ToDictionary(parts => parts.Key, parts => parts.ToList()) ?? [];
        var tasks = commissions.SelectMany(commission => TasksOf(commission.Graph, commission.Done, planned)).ToList();
        return [.. tasks.Where(task => task.From is not null).OrderBy(task => task.From), .. tasks.Where(task => task.From is null)];
    }

    private static IEnumerable<BenchTask> TasksOf(WorkGraph graph, IReadOnlySet<string> done, Dictionary<string, List<PlannedPart>> planned)
    {
        var byId = graph.Operations.ToDictionary(operation => operation.Id);
        return graph.Operations.Where(operation => !done.Contains(operation.Id)).Select(operation =>
        {
            var parts = planned.GetValueOrDefault(operation.Id) ?? [];
            return new BenchTask(
                operation, parts.Count > 0 ? parts.Min(part => part.From) : null, parts.FirstOrDefault()?.MakerId, Math.Max(1, parts.Count), WaitsOf(operation, graph, byId),
                operation.IsByHand ? 0 : operation.WaitMinutes, WindowOf(operation, byId));
        });
    }

    private static IReadOnlyList<BenchWait> WaitsOf(Operation operation, WorkGraph graph, Dictionary<string, Operation> byId)
    {
        // A pot is mixed when the first coat from it can be laid, not days before.
        if (operation.Step is MixPot or MakeLetDown && graph.Operations.FirstOrDefault(other => other.After.Contains(operation.Id)) is { } host)
            return [.. WaitsOf(host, graph, byId).Where(wait => wait.OperationId != operation.Id && byId[wait.OperationId].Step is not (MixPot or MakeLetDown))];
        // That something is dry was felt before it is ticked.
        return [.. operation.After.Select(id => new BenchWait(id, byId[id].IsByHand ? byId[id].WaitMinutes : 0))
            .Concat(operation.Rests.Select(rest => new BenchWait(rest.AfterId, rest.LeastMinutes)))
            .GroupBy(wait => wait.OperationId).Select(same => same.MaxBy(wait => wait.Minutes)!)];
    }

    /// <summary>Of what dries by itself, counted from when it was laid out.</summary>
    private static BenchWait? WindowOf(Operation operation, Dictionary<string, Operation> byId) => operation.Windows
        .Select(window => byId[window.AfterId] is var opened && !opened.IsByHand && opened.After is [var laidOut, ..] ? new BenchWait(laidOut, window.MostMinutes) : new BenchWait(window.AfterId, window.MostMinutes))
        .MinBy(window => window.Minutes);
}
