using System.Diagnostics;
using Npgsql;

namespace YoungTinge.Testing;

/// <summary>A throw-away PostgreSQL on loopback that tests may stop and start.</summary>
public sealed class PostgresCluster : IAsyncDisposable
{
    private static readonly SemaphoreSlim Sharing = new(1);
    private static PostgresCluster? shared;
    private static int sharers;

    private readonly string folder = Path.Combine(Path.GetTempPath(), $"young-tinge-test-{Guid.NewGuid():N}");
    private int databases;

    /// <summary>Of the cluster itself; changes when it is started again.</summary>
    public string ConnectionString { get; private set; } = "";

    /// <summary>One that others use as well, each in a database of their own: making one takes longer than many a test.</summary>
    public static async Task<PostgresCluster> ShareAsync()
    {
        await Sharing.WaitAsync();
        try
        {
            if (shared is null)
            {
                var begun = new PostgresCluster();
                await begun.StartAsync();
                shared = begun;
            }

            sharers++;
            return shared;
        }
        finally
        {
            Sharing.Release();
        }
    }

    /// <summary>Says that a shared one is not needed any more; the last to say so stops it.</summary>
    public static async Task LeaveAsync()
    {
        await Sharing.WaitAsync();
        try
        {
            if (--sharers > 0)
                return;
            await shared!.DisposeAsync();
            shared = null;
        }
        finally
        {
            Sharing.Release();
        }
    }

    public async Task StartAsync() => ConnectionString = await Repository.RunAsync("scripts/postgres", "start", folder);

    /// <summary>Starts again on the port it had, as a database that comes back does.</summary>
    public Task RestartAsync()
    {
        var port = new NpgsqlConnectionStringBuilder(ConnectionString).Port;
        return Repository.RunAsync("scripts/postgres", "start", folder, $"{port}");
    }

    /// <summary>Kills the database as a power cut would, and waits until all of it is gone.</summary>
    public async Task KillAsync()
    {
        // The first of them first: it would otherwise bring the others back.
        foreach (var process in await ProcessesAsync())
        {
            process.Kill();
            await process.WaitForExitAsync();
        }
    }

    /// <summary>Holds the whole database still, as a disk that does not answer does; false lets it go on.</summary>
    public async Task FreezeAsync(bool frozen)
    {
        foreach (var process in await ProcessesAsync())
            await Process.Start("kill", [frozen ? "-STOP" : "-CONT", $"{process.Id}"]).WaitForExitAsync();
    }

    /// <summary>The server, and then those that it has started.</summary>
    private async Task<IReadOnlyList<Process>> ProcessesAsync()
    {
        var pid = int.Parse((await File.ReadAllLinesAsync(Path.Combine(folder, "data", "postmaster.pid")))[0]);
        return [Process.GetProcessById(pid), .. Process.GetProcesses().Where(process => ParentOf(process.Id) == pid)];
    }

    /// <summary>Puts the file that says which process the database is where a sudden end leaves it.</summary>
    public Task LeaveBehindAsync(int pid) => File.WriteAllTextAsync(Path.Combine(folder, "data", "postmaster.pid"), $"{pid}\n{folder}/data\n1\n20000\n\n127.0.0.1\n");

    private static int? ParentOf(int pid)
    {
        try
        {
            return int.Parse(File.ReadAllText($"/proc/{pid}/stat").Split(") ")[^1].Split(' ')[1]);
        }
        catch (IOException)
        {
            return null;
        }
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
