namespace YoungTinge.Core.Numerics;

/// <summary>
/// Parts of one computation that do not need each other, done at the same time where a worker is free. Who computes on workers of its
/// own (a task scheduler) stays on them: nothing here takes threads from anyone else, and with no worker free it is a plain loop.
/// </summary>
public static class SideBySide
{
    /// <param name="part">Gets the number of the part, from 0.</param>
    public static void Do(int parts, Action<int> part, CancellationToken cancel = default) =>
        Parallel.For(0, parts, new ParallelOptions { TaskScheduler = TaskScheduler.Current, CancellationToken = cancel }, part);

    /// <returns>In the order of the parts.</returns>
    public static TResult[] Select<TPart, TResult>(IReadOnlyList<TPart> parts, Func<TPart, int, TResult> of, CancellationToken cancel = default)
    {
        var results = new TResult[parts.Count];
        Do(parts.Count, i => results[i] = of(parts[i], i), cancel);
        return results;
    }
}
