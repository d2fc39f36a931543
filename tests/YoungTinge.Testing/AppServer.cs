using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace YoungTinge.Testing;

/// <summary>The real server, as a process of its own, that tests may stop and start.</summary>
/// <param name="settings">Of its keeper, by the names of the environment.</param>
public sealed class AppServer(string connectionString, IReadOnlyDictionary<string, string>? settings = null) : IAsyncDisposable
{
    private static readonly TimeSpan LongestStart = TimeSpan.FromSeconds(60);

    private readonly int port = FreePort();
    private readonly List<string> errors = [];
    private Process? process;

    public Uri Address => new($"http://127.0.0.1:{port}");

    public async Task StartAsync()
    {
        var web = Path.Combine(Repository.Folder, "src", "YoungTinge.Web");
        var dll = Path.Combine(web, "bin", Repository.Configuration, "net10.0", "YoungTinge.Web.dll");
        var start = new ProcessStartInfo("dotnet", [dll, "--contentRoot", web, "--urls", Address.ToString()])
        {
            Environment = { ["ConnectionStrings__Studio"] = connectionString },
            RedirectStandardOutput = true,
        };
        foreach (var (name, value) in settings ?? new Dictionary<string, string>())
            start.Environment[name] = value;
        process = Process.Start(start);
        process!.OutputDataReceived += (_, line) => Keep(line.Data);
        process.BeginOutputReadLine();

        await UntilReadyAsync();
    }

    /// <summary>Waits until it says that it is ready.</summary>
    public async Task UntilReadyAsync()
    {
        using var http = new HttpClient();
        var waited = Stopwatch.StartNew();
        while (true)
        {
            try
            {
                if ((await http.GetAsync(new Uri(Address, "/health/ready"))).IsSuccessStatusCode)
                    return;
            }
            catch (HttpRequestException)
            {
                // Not listening yet.
            }

            if (process!.HasExited || waited.Elapsed > LongestStart)
                throw new InvalidOperationException("The server did not start.");
            await Task.Delay(50);
        }
    }

    /// <summary>What it logged as its own failures, newest last, with where they came from.</summary>
    public IReadOnlyList<string> Errors
    {
        get
        {
            lock (errors)
                return [.. errors];
        }
    }

    public int ProcessId => process?.Id ?? 0;

    private void Keep(string? line)
    {
        if (line is null)
            return;
        lock (errors)
        {
            if (line.Contains(" ERR]", StringComparison.Ordinal))
                errors.Add(line);
            else if (errors.Count is > 0 and < 500 && !line.StartsWith('['))
                errors[^1] += "\n" + line;
        }
    }

    public async Task StopAsync()
    {
        if (process is null)
            return;
        process.Kill(entireProcessTree: true);
        await process.WaitForExitAsync();
        process.Dispose();
        process = null;
    }

    public async ValueTask DisposeAsync() => await StopAsync();

    /// <summary>A port that nobody listens on.</summary>
    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
