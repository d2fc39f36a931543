using System.Threading.RateLimiting;

namespace YoungTinge.Web.Shared.Computing;

/// <summary>
/// All that is computed here, on as many threads as there are cores, twice: once for what is answered in a breath, once for searches
/// that last seconds. So an answer never stands in line behind a search, and a search takes what cores are left.
/// </summary>
public sealed class Workers : IDisposable
{
    /// <summary>Searches that may wait for their turn; the next is asked to come again.</summary>
    public const int MostWaiting = 48;

    private static readonly int Cores = Environment.ProcessorCount;

    private readonly WorkerThreads pictures = new("picture", 1);
    private readonly WorkerThreads searches = new("search", Cores, givesWay: true);
    private readonly ConcurrencyLimiter turns = new(new() { PermitLimit = Cores, QueueLimit = MostWaiting, QueueProcessingOrder = QueueProcessingOrder.OldestFirst });

    /// <summary>For what is answered in a breath.</summary>
    public WorkerThreads Answers { get; } = new("answer", Cores);

    /// <summary>Searches that run now.</summary>
    public long Running => Cores - turns.GetStatistics()!.CurrentAvailablePermits;

    /// <summary>Runs a search when its turn comes.</summary>
    /// <exception cref="BusyException">Too many wait already.</exception>
    /// <exception cref="OperationCanceledException">Given up, before it began or while it ran.</exception>
    public async Task<T> SearchAsync<T>(Func<T> work, CancellationToken cancel)
    {
        using var turn = await turns.AcquireAsync(1, cancel);
        if (!turn.IsAcquired)
            throw new BusyException();
        return await Task.Factory.StartNew(work, cancel, TaskCreationOptions.None, searches);
    }

    /// <summary>Pictures are unpacked one at a time: a large one takes a good part of the memory.</summary>
    public Task<T> UnpackAsync<T>(Func<T> unpack, CancellationToken cancel) => Task.Factory.StartNew(unpack, cancel, TaskCreationOptions.None, pictures);

    public void Dispose()
    {
        Answers.Dispose();
        pictures.Dispose();
        searches.Dispose();
        turns.Dispose();
    }
}

/// <summary>More is asked than can be computed; come again in a moment.</summary>
public sealed class BusyException() : Exception("Too many computations wait already.");
