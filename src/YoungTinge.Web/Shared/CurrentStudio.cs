using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>The studio that a request works in, that of whoever has signed in, and the state that it was in when that was first asked.</summary>
public sealed class CurrentStudio
{
    private StudioDatabase? entered;
    private (Studio Studio, IReadOnlyDictionary<string, string> State)? found;

    /// <summary>As this studio sees it.</summary>
    /// <exception cref="NoStudioException">Nobody has come in.</exception>
    public StudioDatabase Database => entered ?? throw new NoStudioException();

    public Guid Id => Database.StudioId;

    /// <summary>Goes into a studio: by a session, or by an address that leads there.</summary>
    public void Enter(StudioDatabase studio) => entered = studio;

    /// <exception cref="NoStudioException">Nobody has come in, or the studio is gone.</exception>
    public async Task<Studio> GetAsync(CancellationToken cancel) => (await FindAsync(cancel)).Studio;

    /// <summary>A word for each table: whether anything in it has changed.</summary>
    public async Task<IReadOnlyDictionary<string, string>> StateAsync(CancellationToken cancel) => (await FindAsync(cancel)).State;

    private async Task<(Studio Studio, IReadOnlyDictionary<string, string> State)> FindAsync(CancellationToken cancel) =>
        found ??= await Database.States.FindAsync(cancel) ?? throw new NoStudioException();
}

public sealed class NoStudioException() : Exception("Nobody has come into a studio.");
