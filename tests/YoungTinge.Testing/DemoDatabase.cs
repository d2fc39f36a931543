using Npgsql;
using Xunit;
using YoungTinge.Store;
using YoungTinge.Store.Demo;

namespace YoungTinge.Testing;

/// <summary>A database with the demo studio in a cluster of its own, for a class of tests.</summary>
public sealed class DemoDatabase : IAsyncLifetime
{
    public PostgresCluster Cluster { get; } = new();

    public string ConnectionString { get; private set; } = "";

    public NpgsqlDataSource DataSource { get; private set; } = null!;

    public async Task InitializeAsync()
    {
        await Cluster.StartAsync();
        ConnectionString = await Cluster.CreateDatabaseAsync();
        DataSource = NpgsqlDataSource.Create(ConnectionString);
        await FillAsync();
    }

    /// <summary>Puts everything back to the demo as it is when new.</summary>
    public async Task ResetAsync()
    {
        // Connections from before a restart of the cluster are dead, and those from before a drop know old types.
        DataSource.Clear();
        await Schema.DropAsync(DataSource, CancellationToken.None);
        DataSource.Clear();
        await FillAsync();
    }

    /// <summary>Leaves the tables without a studio, as on a new machine.</summary>
    public async Task EmptyAsync()
    {
        await Schema.DropAsync(DataSource, CancellationToken.None);
        DataSource.Clear();
        Schema.Migrate(ConnectionString);
    }

    /// <summary>Begins a studio of one's own, with nothing in it.</summary>
    public async Task BeginAsync()
    {
        await EmptyAsync();
        await new StudioStore(DataSource).AddAsync(Studio.Empty(Guid.CreateVersion7(), "UTC"), CancellationToken.None);
    }

    private async Task FillAsync()
    {
        Schema.Migrate(ConnectionString);
        await DemoStudio.SeedAsync(DataSource, TimeProvider.System.GetUtcNow(), CancellationToken.None);
    }

    public async Task DisposeAsync()
    {
        await DataSource.DisposeAsync();
        await Cluster.DisposeAsync();
    }
}
