using YoungTinge.Store.People;
using YoungTinge.Testing;

namespace YoungTinge.Force;

/// <summary>The real server over a demo of its own.</summary>
public sealed class DemoServer : IAsyncDisposable
{
    private DemoServer(DemoDatabaseAlone demo, AppServer server)
    {
        (Demo, Server) = (demo, server);
        (Http, _) = Visitor.Of(server.Address, TimeSpan.FromSeconds(120));
    }

    public DemoDatabaseAlone Demo { get; }

    public AppServer Server { get; }

    /// <summary>The demo's owner has signed in with it.</summary>
    public HttpClient Http { get; }

    public static async Task<DemoServer> StartAsync()
    {
        var demo = new DemoDatabaseAlone();
        await demo.InitializeAsync();
        var server = new AppServer(demo.ConnectionString);
        await server.StartAsync();
        var visited = new DemoServer(demo, server);
        await demo.SignInAsync(visited.Http);
        return visited;
    }

    /// <summary>Clients of a helper, of a maker, of the owner, and of nobody who has signed in; each with a way to sign in again.</summary>
    public async Task<IReadOnlyList<(HttpClient Http, Func<Task> SignIn)>> EverybodyAsync()
    {
        List<(HttpClient, Func<Task>)> all = [(Http, () => Demo.SignInAsync(Http)), (Visitor.Of(Server.Address, TimeSpan.FromSeconds(120)).Http, () => Task.CompletedTask)];
        foreach (var role in new[] { Role.Helper, Role.Maker })
        {
            var (http, _) = Visitor.Of(Server.Address, TimeSpan.FromSeconds(120));
            await Demo.SignInAsync(http, role);
            all.Add((http, () => Demo.SignInAsync(http, role)));
        }

        return all;
    }

    public async ValueTask DisposeAsync()
    {
        Http.Dispose();
        await Server.DisposeAsync();
        await Demo.DisposeAsync();
    }
}
