using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>The studio that a request works in, and the state that it was in when that was first asked. There is one; with sign-in it will be the maker's own.</summary>
public sealed class CurrentStudio(StateStore states)
{
    private (Studio Studio, IReadOnlyDictionary<string, string> State)? found;

    /// <exception cref="NoStudioException">The database has not been set up.</exception>
    public async Task<Studio> GetAsync(CancellationToken cancel) => (await FindAsync(cancel)).Studio;

    public async Task<Guid> IdAsync(CancellationToken cancel) => (await GetAsync(cancel)).Id;

    /// <summary>A word for each table: whether anything in it has changed.</summary>
    public async Task<IReadOnlyDictionary<string, string>> StateAsync(CancellationToken cancel) => (await FindAsync(cancel)).State;

    private async Task<(Studio Studio, IReadOnlyDictionary<string, string> State)> FindAsync(CancellationToken cancel) =>
        found ??= await states.FindFirstAsync(cancel) ?? throw new NoStudioException();
}

public sealed class NoStudioException() : Exception("The database has no studio yet.");
