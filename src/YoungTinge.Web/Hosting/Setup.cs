using Npgsql;
using YoungTinge.Store;
using YoungTinge.Store.Demo;

namespace YoungTinge.Web.Hosting;

/// <summary>Brings the database up to this build: <c>setup [--fresh] [--empty]</c>. Run before the server, so that starting a server changes no schema.</summary>
public static class Setup
{
    public static async Task<int> RunAsync(string[] options)
    {
        if (Connection() is not { } used)
            return 2;
        // The owner makes and changes the tables; the server only reads and writes what is in them.
        var connection = Environment.GetEnvironmentVariable("ConnectionStrings__Owner") is { Length: > 0 } owner ? owner : used;

        await using var dataSource = NpgsqlDataSource.Create(connection);
        if (options.Contains("--fresh"))
            await Schema.DropAsync(dataSource, CancellationToken.None);
        Schema.Migrate(connection);
        if (connection != used)
            await Schema.AllowAsync(dataSource, new NpgsqlConnectionStringBuilder(used), CancellationToken.None);
        if (options.Contains("--empty"))
        {
            if (await new StudioStore(dataSource).FindFirstAsync(CancellationToken.None) is { } there)
                Console.WriteLine($"There is a studio already: {there.Name}. To throw it away and begin an empty one: ./start --fresh --empty");
            else
                await new StudioStore(dataSource).AddAsync(Studio.Empty(Guid.CreateVersion7(), TimeZoneInfo.Local.Id), CancellationToken.None);
        }
        else if (await DemoStudio.SeedAsync(dataSource, TimeProvider.System.GetUtcNow(), CancellationToken.None))
            Console.WriteLine("The demo studio is ready.");
        return 0;
    }

    /// <summary>The database that a command is to work on; null, and said, if it was not told.</summary>
    internal static string? Connection()
    {
        if (new ConfigurationBuilder().AddEnvironmentVariables().Build().GetConnectionString(Server.ConnectionName) is { Length: > 0 } connection)
            return connection;
        Console.Error.WriteLine($"Set ConnectionStrings__{Server.ConnectionName} to the database.");
        return null;
    }
}
