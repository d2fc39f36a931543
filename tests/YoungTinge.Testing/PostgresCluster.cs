using Npgsql;

namespace YoungTinge.Testing;

/// <summary>A throw-away PostgreSQL on loopback that tests may stop and start.</summary>
public sealed class PostgresCluster : IAsyncDisposable
{
    private readonly string folder = Path.Combine(Path.GetTempPath(), $"young-tinge-test-{Guid.NewGuid():N}");
    private int databases;

    /// <summary>Of the cluster itself; changes when it is started again.</summary>
    public string ConnectionString { get; private set; } = "";

    public async Task StartAsync() => ConnectionString = await Repository.RunAsync("scripts/postgres", "start", folder);

    /// <summary>Starts again on the port it had, as a database that comes back does.</summary>
    public Task RestartAsync()
    {
        var port = new NpgsqlConnectionStringBuilder(ConnectionString).Port;
        return Repository.RunAsync("scripts/postgres", "start", folder, $"{port}");
    }

    public Task StopAsync() => Repository.RunAsync("scripts/postgres", "stop", folder);

    /// <summary>Makes an empty database.</summary>
    /// <returns>Its connection string.</returns>
    public async Task<string> CreateDatabaseAsync()
    {
        var name = $"studio_{Interlocked.Increment(ref databases)}";
        await using var connection = new NpgsqlConnection(ConnectionString);
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand($"create database {name}", connection);
        await command.ExecuteNonQueryAsync();
        return new NpgsqlConnectionStringBuilder(ConnectionString) { Database = name }.ConnectionString;
    }

    public async ValueTask DisposeAsync()
    {
        NpgsqlConnection.ClearAllPools();
        await StopAsync();
        Directory.Delete(folder, recursive: true);
    }
}
