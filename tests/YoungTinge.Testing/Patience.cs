using System.Diagnostics;

namespace YoungTinge.Testing;

/// <summary>Waits for what must come, however busy the machine is.</summary>
public static class Patience
{
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(2);

    /// <exception cref="TimeoutException">It did not come.</exception>
    public static async Task UntilAsync(string what, Func<Task<bool>> isSo)
    {
        var waited = Stopwatch.StartNew();
        while (!await isSo())
        {
            if (waited.Elapsed > Longest)
                throw new TimeoutException($"Waited until {what}.");
            await Task.Delay(20);
        }
    }

    public static Task UntilAsync(string what, Func<bool> isSo) => UntilAsync(what, () => Task.FromResult(isSo()));
}
