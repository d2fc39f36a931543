using System.Collections.Concurrent;
using Npgsql;
using YoungTinge.Store.People;

namespace YoungTinge.Store;

/// <summary>
/// The database as one studio sees it. Its connections are opened for that studio, and the database shows them nothing else (row level
/// security), whatever a query asks for.
/// </summary>
public sealed class StudioDatabase
{
    internal StudioDatabase(Guid studioId, NpgsqlDataSource dataSource)
    {
        StudioId = studioId;
        DataSource = dataSource;
        States = new StateStore(dataSource, studioId);
        Cabinet = new CabinetStore(dataSource);
    }

    public Guid StudioId { get; }

    public NpgsqlDataSource DataSource { get; }

    /// <summary>One for all who ask, so that they ask together.</summary>
    public StateStore States { get; }

    /// <summary>One for all who ask: it keeps what was learned of the jars.</summary>
    public CabinetStore Cabinet { get; }
}

/// <summary>The database behind its door, and as each studio sees it. Every studio has connections of its own, which go when nobody uses them.</summary>
public sealed class StudioDatabases(string connectionString) : IAsyncDisposable
{
    private const int MostConnections = 16;

    private readonly ConcurrentDictionary<Guid, StudioDatabase> studios = new();
    private readonly Lazy<NpgsqlDataSource> door = new(() => Open(connectionString, null));

    /// <summary>Where nobody has come in yet: shows which studios and people there are, and nothing that is in a studio.</summary>
    public NpgsqlDataSource Door => door.Value;

    /// <summary>As a studio sees it that is known to be there, or is about to be made.</summary>
    public StudioDatabase Of(Guid studioId) => studios.GetOrAdd(studioId, id => new StudioDatabase(id, Open(connectionString, id)));

    /// <summary>Null if there is no such studio: a number that somebody made up opens no connections.</summary>
    public async Task<StudioDatabase?> FindAsync(Guid studioId, CancellationToken cancel)
    {
        if (studios.TryGetValue(studioId, out var known))
            return known;
        await using var command = Door.CreateCommand("select exists (select from studio where id = $1)");
        command.Parameters.Add(Sql.Of(studioId));
        return (bool)(await command.ExecuteScalarAsync(cancel))! ? Of(studioId) : null;
    }

    /// <summary>The studio that a secret leads to (<see cref="Secret"/>); null if it leads nowhere.</summary>
    public async Task<StudioDatabase?> FindAsync(string secret, CancellationToken cancel) => Secret.StudioOf(secret) is { } id ? await FindAsync(id, cancel) : null;

    public async ValueTask DisposeAsync()
    {
        foreach (var studio in studios.Values)
            await studio.DataSource.DisposeAsync();
        if (door.IsValueCreated)
            await Door.DisposeAsync();
    }

    /// <summary>A connection says with its first word whose it is; that cannot be forgotten when it is used again.</summary>
    private static NpgsqlDataSource Open(string connectionString, Guid? studioId)
    {
        var builder = new NpgsqlDataSourceBuilder(connectionString);
        var settings = builder.ConnectionStringBuilder;
        // The same few statements are asked all day: the database plans each of them once for a connection.
        settings.MaxAutoPrepare = 50;
        // To open one more takes longer than to wait for one that answers in a millisecond.
        settings.MaxPoolSize = Math.Min(settings.MaxPoolSize, MostConnections);
        settings.ConnectionIdleLifetime = 120;
        if (studioId is { } id)
            settings.Options = $"-c app.studio={id}";
        return builder.Build();
    }
}
