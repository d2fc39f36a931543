using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>The studio that a request works in. There is one; with sign-in it will be the maker's own.</summary>
public sealed class CurrentStudio(StudioStore studios)
{
    private Studio? found;

    /// <exception cref="NoStudioException">The database has not been set up.</exception>
    public async Task<Studio> GetAsync(CancellationToken cancel) =>
        found ??= await studios.FindFirstAsync(cancel) ?? throw new NoStudioException();

    public async Task<Guid> IdAsync(CancellationToken cancel) => (await GetAsync(cancel)).Id;
}

public sealed class NoStudioException() : Exception("The database has no studio yet.");
