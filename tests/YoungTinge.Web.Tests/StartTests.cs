using System.Collections.Concurrent;
using System.Diagnostics;
using Npgsql;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>The one command that a newcomer needs, as it starts, mends and ends.</summary>
public sealed class StartTests : IAsyncLifetime
{
    private readonly string home = Directory.CreateTempSubdirectory("young-tinge-home-").FullName;
    private readonly int port = AppServer.FreePort();
    private readonly List<Process> started = [];
    private readonly ConcurrentQueue<string> said = [];

    public Task InitializeAsync() => Task.CompletedTask;

    public async Task DisposeAsync()
    {
        foreach (var process in started.Where(process => !process.HasExited))
        {
            await Process.Start("kill", ["-TERM", $"{process.Id}"]).WaitForExitAsync();
            await process.WaitForExitAsync();
        }

        Directory.Delete(home, recursive: true);
    }

    [Fact]
    public async Task What_dies_is_started_again_and_nothing_outlives_a_killed_start()
    {
        // As the builds of this test run left them: only the release is served.
        if (Repository.Configuration != "Release")
            return;
        var start = Start();
        // It ends by itself when the server dies before it has got ready, as nothing would mend that: what it says is waited for.
        await UntilAsync("it serves", async () => said.Any(line => line.StartsWith("Young Tinge is ready", StringComparison.Ordinal)) && await IsReadyAsync());
        var server = ServerProcess();
        Kill(server);
        await UntilAsync("another server serves", async () => await IsReadyAsync() && ServerProcess() != server);
        var database = DatabaseProcess();
        Kill(database);
        await UntilAsync("another database serves", async () => DatabaseProcess() is var now && now != 0 && now != database && await IsReadyAsync());

        // A second one on the same data says so, and leaves the first and what it is served from alone.
        var served = new FileInfo(Path.Combine(home, "app", "YoungTinge.Web.dll"));
        var since = served.Exists ? served.LastWriteTimeUtc : default;
        var (code, words) = await RunAsync(["--port", $"{AppServer.FreePort()}"]);
        Assert.Equal((1, true), (code, words.Contains("already running with this data", StringComparison.Ordinal)));
        Assert.True(await IsReadyAsync());
        served.Refresh();
        Assert.Equal(since, served.Exists ? served.LastWriteTimeUtc : default);

        // Kept and put back while it serves.
        var file = Path.Combine(home, "kept.zip");
        Assert.Equal(0, (await RunAsync(["backup", file])).Code);
        Assert.Equal(0, (await RunAsync(["restore", file])).Code);
        Assert.Equal(1, (await RunAsync(["restore", Path.Combine(Repository.Folder, "README.md")])).Code);

        Kill(start.Id);
        await UntilAsync("all has ended", () => Task.FromResult(!IsAlive(ServerProcess()) && DatabaseProcess() == 0));
    }

    private async Task UntilAsync(string what, Func<Task<bool>> isSo)
    {
        try
        {
            await Patience.UntilAsync(what, isSo);
        }
        catch (TimeoutException late)
        {
            throw new TimeoutException($"{late.Message} It had said:\n{string.Join('\n', said)}", late);
        }
    }

    private Process Start()
    {
        var process = Process.Start(Info(["--port", $"{port}"]))!;
        started.Add(process);
        process.OutputDataReceived += (_, line) => said.Enqueue(line.Data ?? "");
        process.BeginOutputReadLine();
        process.ErrorDataReceived += (_, line) => said.Enqueue(line.Data ?? "");
        process.BeginErrorReadLine();
        return process;
    }

    private async Task<(int Code, string Words)> RunAsync(string[] options)
    {
        using var process = Process.Start(Info(options))!;
        var words = await Task.WhenAll(process.StandardOutput.ReadToEndAsync(), process.StandardError.ReadToEndAsync());
        await process.WaitForExitAsync();
        return (process.ExitCode, string.Concat(words));
    }

    private ProcessStartInfo Info(string[] options) => new(Path.Combine(Repository.Folder, "start"), options)
    {
        Environment = { ["YOUNG_TINGE_HOME"] = home, ["YOUNG_TINGE_BUILT"] = "yes", ["YOUNG_TINGE_POSTGRES_OPTIONS"] = "-c fsync=off" },
        RedirectStandardOutput = true,
        RedirectStandardError = true,
    };

    private async Task<bool> IsReadyAsync()
    {
        try
        {
            using var http = new HttpClient();
            return (await http.GetAsync(new Uri($"http://127.0.0.1:{port}/health/ready"))).IsSuccessStatusCode;
        }
        catch (HttpRequestException)
        {
            return false;
        }
    }

    private int ServerProcess() => NumberIn(Path.Combine(home, "server.pid"));

    private int DatabaseProcess() => NumberIn(Path.Combine(home, "postgres", "data", "postmaster.pid"));

    private static int NumberIn(string file) => File.Exists(file) && int.TryParse(File.ReadLines(file).FirstOrDefault(), out var number) ? number : 0;

    private static bool IsAlive(int pid) => File.Exists($"/proc/{pid}/cmdline") && File.ReadAllText($"/proc/{pid}/cmdline") != "";

    private static void Kill(int pid) => Process.GetProcessById(pid).Kill();
}

/// <summary>What the server may do in its database.</summary>
public sealed class ServerRoleTests(DemoDatabase demo) : IClassFixture<DemoDatabase>
{
    [Fact]
    public async Task The_server_owns_nothing_and_can_change_no_table()
    {
        await using var command = demo.DataSource.CreateCommand("""
            select (select not rolsuper and not rolcreatedb and not rolcreaterole and not rolbypassrls from pg_roles where rolname = current_user)
                and not exists (select from pg_class where relowner = (select oid from pg_roles where rolname = current_user))
            """);
        Assert.Equal(true, await command.ExecuteScalarAsync());
        foreach (var sql in new[] { "create table mine (id int)", "drop table piece", "alter table piece add column x int", "create role other", "truncate piece" })
        {
            await using var change = demo.DataSource.CreateCommand(sql);
            Assert.Equal(PostgresErrorCodes.InsufficientPrivilege, (await Assert.ThrowsAsync<PostgresException>(() => change.ExecuteNonQueryAsync())).SqlState);
        }
    }
}
