using Npgsql;
using Xunit;
using YoungTinge.Store;
using YoungTinge.Store.Demo;

namespace YoungTinge.Testing;

/// <summary>A database with the demo studio in a cluster of its own, for a class of tests.</summary>
public sealed class DemoDatabase : IAsyncLifetime
{
    /// <summary>A database as it is when new, to be copied: that takes a tenth of filling one.</summary>
    private const string AsNew = "as_new";

    /// <summary>As migrations reach it.</summary>
    public string OwnerConnection { get; private set; } = "";

    /// <summary>As migrations reach it.</summary>
    public NpgsqlDataSource Owner { get; private set; } = null!;

    public PostgresCluster Cluster { get; } = new();

    /// <summary>As the server reaches it: under a role that owns nothing.</summary>
    public string ConnectionString { get; private set; } = "";

    /// <summary>As the server reaches it.</summary>
    public NpgsqlDataSource DataSource { get; private set; } = null!;

    public async Task InitializeAsync()
    {
        await Cluster.StartAsync();
        OwnerConnection = await Cluster.CreateDatabaseAsync();
        ConnectionString = new NpgsqlConnectionStringBuilder(OwnerConnection) { Username = "studio_app", Password = "not-the-owner" }.ConnectionString;
        DataSource = NpgsqlDataSource.Create(ConnectionString);
        Owner = NpgsqlDataSource.Create(OwnerConnection);
        await FillAsync();
        await CopyAsync(Name, AsNew);
    }

    private string Name => new NpgsqlConnectionStringBuilder(OwnerConnection).Database!;

    /// <summary>Puts everything back to the demo as it is when new. Who is connected is thrown out.</summary>
    public Task ResetAsync() => CopyAsync(AsNew, Name);

    private async Task CopyAsync(string from, string to)
    {
        DataSource.Clear();
        Owner.Clear();
        await using var admin = NpgsqlDataSource.Create(Cluster.ConnectionString);
        foreach (var sql in new[] { $"drop database if exists {to} with (force)", $"create database {to} template {from}" })
        {
            await using var command = admin.CreateCommand(sql);
            await command.ExecuteNonQueryAsync();
        }
    }

    /// <summary>The same under a server that goes on running, and keeps its connections.</summary>
    public async Task RefillAsync()
    {
        // Connections from before a restart of the cluster are dead, and those from before a drop know old types.
        DataSource.Clear();
        Owner.Clear();
        await Schema.DropAsync(Owner, CancellationToken.None);
        Owner.Clear();
        await FillAsync();
    }

    /// <summary>Leaves the tables without a studio, as on a new machine.</summary>
    public async Task EmptyAsync()
    {
        await Schema.DropAsync(Owner, CancellationToken.None);
        DataSource.Clear();
        await MigrateAsync();
    }

    private async Task MigrateAsync()
    {
        Schema.Migrate(OwnerConnection);
        await Schema.AllowAsync(Owner, new NpgsqlConnectionStringBuilder(ConnectionString), CancellationToken.None);
    }

    /// <summary>Begins a studio of one's own, with nothing in it.</summary>
    public async Task BeginAsync()
    {
        await EmptyAsync();
        await new StudioStore(DataSource).AddAsync(Studio.Empty(Guid.CreateVersion7(), "UTC"), CancellationToken.None);
    }

    private async Task FillAsync()
    {
        await MigrateAsync();
        await DemoStudio.SeedAsync(DataSource, TimeProvider.System.GetUtcNow(), CancellationToken.None);
    }

    public async Task DisposeAsync()
    {
        await DataSource.DisposeAsync();
        await Owner.DisposeAsync();
        await Cluster.DisposeAsync();
    }
}
