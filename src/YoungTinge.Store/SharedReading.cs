namespace YoungTinge.Store;

/// <summary>
/// A reading that many ask for at once. Whoever asks while one is under way shares the next with all who asked meanwhile: what she gets
/// was read after she asked, and however many ask, the database is asked by one at a time.
/// </summary>
/// <param name="read">Begins a reading; nobody can call it off.</param>
public sealed class SharedReading<T>(Func<Task<T>> read)
{
    private readonly Lock gate = new();
    private Task<T>? underWay;
    private Task<T>? next;

    public Task<T> ReadAsync(CancellationToken cancel)
    {
        lock (gate)
        {
            var mine = underWay is null or { IsCompleted: true } ? underWay = read() : next ??= AfterAsync(underWay);
            return mine.WaitAsync(cancel);
        }
    }

    private async Task<T> AfterAsync(Task<T> before)
    {
        // Whatever became of it: who asked for it is told.
        await before.ContinueWith(_ => { }, TaskScheduler.Default);
        Task<T> mine;
        lock (gate)
            (mine, next) = (underWay = read(), null);
        return await mine;
    }
}
