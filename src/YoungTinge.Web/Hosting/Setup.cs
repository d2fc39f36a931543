using Npgsql;
using YoungTinge.Store;
using YoungTinge.Store.Demo;

namespace YoungTinge.Web.Hosting;

/// <summary>Brings the database up to this build: <c>setup [--fresh] [--empty]</c>. Run before the server, so that starting a server changes no schema.</summary>
public static class Setup
{
    public static async Task<int> RunAsync(string[] options)
    {
        var configuration = new ConfigurationBuilder().AddEnvironmentVariables().Build();
        if (configuration.GetConnectionString(Server.ConnectionName) is not { Length: > 0 } connection)
        {
            await Console.Error.WriteLineAsync($"Set ConnectionStrings__{Server.ConnectionName} to the database.");
            return 2;
        }

        await using var dataSource = NpgsqlDataSource.Create(connection);
        if (options.Contains("--fresh"))
            await Schema.DropAsync(dataSource, CancellationToken.None);
        Schema.Migrate(connection);
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
}
