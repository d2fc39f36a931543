using Npgsql;
using YoungTinge.Store;
using YoungTinge.Store.Demo;
using YoungTinge.Store.People;
using YoungTinge.Web.People;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// Brings the database up to this build: <c>setup [--fresh] [--empty] [--address URL]</c>. Run before the server, so that starting a server changes no schema.
/// Tells the addresses by which an owner comes in who has no password yet.
/// </summary>
public static class Setup
{
    private static readonly CancellationToken None = CancellationToken.None;

    public static async Task<int> RunAsync(string[] options)
    {
        if (Connection() is not { } used)
            return 2;
        // The owner makes and changes the tables; the server only reads and writes what is in them.
        var connection = Environment.GetEnvironmentVariable("ConnectionStrings__Owner") is { Length: > 0 } owner ? owner : used;
        var now = TimeProvider.System.GetUtcNow();

        await using var dataSource = NpgsqlDataSource.Create(connection);
        if (options.Contains("--fresh"))
            await Schema.DropAsync(dataSource, None);
        Schema.Migrate(connection);
        if (connection != used)
            await Schema.AllowAsync(dataSource, new NpgsqlConnectionStringBuilder(used), None);
        var studios = new StudioStore(dataSource);
        if (!options.Contains("--empty") && (await studios.ListAsync(None)).Count == 0)
        {
            await DemoStudio.SeedAsync(dataSource, Guid.CreateVersion7(now), null, now, None);
            Console.WriteLine("The demo studio is ready.");
        }

        var address = options.SkipWhile(option => option != "--address").Skip(1).FirstOrDefault() ?? "";
        var demoPassword = DoorSettings.From(new ConfigurationBuilder().AddEnvironmentVariables().Build()).DemoPassword;
        foreach (var studio in await studios.ListAsync(None))
            await LetInAsync(dataSource, studio, demoPassword, address, now);
        return 0;
    }

    /// <summary>The demo's owner gets the password that this server shows, and an address that signs her in; a studio without an owner who can sign in gets an address for one.</summary>
    private static async Task LetInAsync(NpgsqlDataSource dataSource, Studio studio, string? demoPassword, string address, DateTimeOffset now)
    {
        var people = new PersonStore(dataSource);
        var codes = new OneTimeCodeStore(dataSource);
        var owners = (await people.ListAsync(studio.Id, None)).Where(person => person.Role == Role.Owner).ToList();
        if (studio.IsDemo && demoPassword is not null)
        {
            if (owners.Count == 0)
                owners.Add(await AddDemoOwnerAsync(dataSource, studio, now));
            await people.SetPasswordAsync(studio.Id, owners[0].Id, new Passwords().Hash(demoPassword), None);
            Console.WriteLine($"Look at the demo (once): {address}/in/{await codes.MakeAsync(studio.Id, CodeKind.Enter, owners[0].Id, now, None)}");
        }
        else if (!owners.Any(person => person.HasPassword))
        {
            Console.WriteLine($"{studio.Name} has no owner who can sign in. Become it (once): {address}/in/{await codes.MakeAsync(studio.Id, Role.Owner, now, None)}");
        }
    }

    /// <summary>Of a demo from before there were people.</summary>
    private static async Task<Person> AddDemoOwnerAsync(NpgsqlDataSource dataSource, Studio studio, DateTimeOffset now)
    {
        var owner = new Person(Guid.CreateVersion7(now), studio.Maker, DemoStudio.SignInName, Role.Owner, 1);
        await using var connection = await dataSource.OpenConnectionAsync();
        await PersonStore.AddAsync(connection, studio.Id, owner, null, None);
        return owner;
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
