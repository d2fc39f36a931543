using System.Diagnostics;

namespace YoungTinge.Testing;

/// <summary>Where this checkout lies, and its scripts.</summary>
public static class Repository
{
    public static string Folder { get; } = Find(AppContext.BaseDirectory);

    /// <summary>Debug or Release, as the tests themselves were built.</summary>
    public static string Configuration { get; } =
        AppContext.BaseDirectory.Split(Path.DirectorySeparatorChar).SkipWhile(part => part != "bin").ElementAt(1);

    /// <summary>Runs a script of the repository.</summary>
    /// <returns>The last line it printed.</returns>
    /// <exception cref="InvalidOperationException">It failed.</exception>
    public static async Task<string> RunAsync(string script, params string[] arguments)
    {
        // Its error output goes to ours: a server that it starts would keep a pipe open for ever.
        using var process = Process.Start(new ProcessStartInfo(Path.Combine(Folder, script), arguments)
        {
            RedirectStandardOutput = true,
            // What is written outlives a killed process; only a machine that loses its power would need the disk to be waited for.
            Environment = { ["YOUNG_TINGE_POSTGRES_OPTIONS"] = "-c fsync=off" },
        })!;
        var output = "";
        while (await process.StandardOutput.ReadLineAsync() is { } line)
            output = line;
        await process.WaitForExitAsync();
        return process.ExitCode == 0 ? output : throw new InvalidOperationException($"{script} {string.Join(' ', arguments)} failed.");
    }

    private static string Find(string folder) =>
        File.Exists(Path.Combine(folder, "YoungTinge.slnx"))
            ? folder
            : Find(Path.GetDirectoryName(folder) ?? throw new DirectoryNotFoundException("The tests are not inside the repository."));
}
