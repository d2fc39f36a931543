namespace YoungTinge.Store.Tests;

/// <summary>Many who ask at once share a reading, and nobody gets one that was begun before she asked.</summary>
public class SharedReadingTests
{
    // Another one every time: it is looked at from here while one is begun elsewhere.
    private volatile IReadOnlyList<TaskCompletionSource<int>> begun = [];
    private readonly SharedReading<int> reading;

    public SharedReadingTests() => reading = new(() =>
    {
        var one = new TaskCompletionSource<int>(TaskCreationOptions.RunContinuationsAsynchronously);
        begun = [.. begun, one];
        return one.Task;
    });

    private Task<int> Ask() => reading.ReadAsync(CancellationToken.None);

    [Fact]
    public async Task Who_asks_meanwhile_shares_the_next()
    {
        var first = Ask();
        Task<int>[] meanwhile = [Ask(), Ask(), Ask()];
        Assert.Single(begun);
        begun[0].SetResult(1);
        Assert.Equal(1, await first);
        Assert.All(meanwhile, asked => Assert.False(asked.IsCompleted));
        while (begun.Count < 2)
            await Task.Yield();
        begun[1].SetResult(2);
        Assert.All(await Task.WhenAll(meanwhile), read => Assert.Equal(2, read));
        _ = Ask();
        Assert.Equal(3, begun.Count);
    }

    [Fact]
    public async Task A_reading_that_fails_is_told_to_those_who_asked_for_it_alone()
    {
        var (first, second) = (Ask(), Ask());
        begun[0].SetException(new InvalidOperationException());
        await Assert.ThrowsAsync<InvalidOperationException>(() => first);
        while (begun.Count < 2)
            await Task.Yield();
        begun[1].SetResult(2);
        Assert.Equal(2, await second);
    }

    [Fact]
    public async Task Who_hangs_up_leaves_the_others_waiting()
    {
        using var hangingUp = new CancellationTokenSource();
        var (gone, stays) = (reading.ReadAsync(hangingUp.Token), Ask());
        await hangingUp.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => gone);
        begun[0].SetResult(1);
        while (begun.Count < 2)
            await Task.Yield();
        begun[1].SetResult(2);
        Assert.Equal(2, await stays);
    }
}
