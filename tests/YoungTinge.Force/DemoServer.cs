using YoungTinge.Testing;

namespace YoungTinge.Force;

/// <summary>The real server over a demo of its own.</summary>
public sealed class DemoServer : IAsyncDisposable
{
    private DemoServer(DemoDatabaseAlone demo, AppServer server)
    {
        (Demo, Server) = (demo, server);
        Http = new HttpClient { BaseAddress = server.Address, Timeout = TimeSpan.FromSeconds(120) };
    }

    public DemoDatabaseAlone Demo { get; }

    public AppServer Server { get; }

    public HttpClient Http { get; }

    public static async Task<DemoServer> StartAsync()
    {
        var demo = new DemoDatabaseAlone();
        await demo.InitializeAsync();
        var server = new AppServer(demo.ConnectionString);
        await server.StartAsync();
        return new DemoServer(demo, server);
    }

    public async ValueTask DisposeAsync()
    {
        Http.Dispose();
        await Server.DisposeAsync();
        await Demo.DisposeAsync();
    }
}
