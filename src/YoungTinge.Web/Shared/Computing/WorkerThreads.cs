using System.Collections.Concurrent;

namespace YoungTinge.Web.Shared.Computing;

/// <summary>
/// A few threads that only compute. What waits for the database, a file or a client does not hold one; so the threads that serve
/// connections are never used up by optics, and health is told however much there is to compute.
/// </summary>
/// <param name="count">Of the threads, at least 1.</param>
/// <param name="givesWay">To all ordinary threads: it computes with what they leave.</param>
public sealed class WorkerThreads(string name, int count, bool givesWay = false) : TaskScheduler, IDisposable
{
    private readonly BlockingCollection<Task> waiting = [];
    private readonly ThreadLocal<bool> isOurs = new();
    private Thread[]? threads;

    public override int MaximumConcurrencyLevel => count;

    protected override void QueueTask(Task task)
    {
        LazyInitializer.EnsureInitialized(ref threads, Begin);
        waiting.Add(task);
    }

    // A part of a computation whose own thread has got to it before any other: done at once.
    protected override bool TryExecuteTaskInline(Task task, bool taskWasPreviouslyQueued) => isOurs.Value && TryExecuteTask(task);

    protected override IEnumerable<Task> GetScheduledTasks() => waiting;

    public void Dispose() => waiting.CompleteAdding();

    private Thread[] Begin()
    {
        var begun = Enumerable.Range(1, count).Select(number => new Thread(Work) { IsBackground = true, Name = $"{name} {number}" }).ToArray();
        foreach (var thread in begun)
            thread.Start();
        return begun;
    }

    private void Work()
    {
        isOurs.Value = true;
        if (givesWay)
            Niceness.GiveWay();
        foreach (var task in waiting.GetConsumingEnumerable())
            TryExecuteTask(task);
    }
}
