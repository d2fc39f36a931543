namespace YoungTinge.Testing;

/// <summary>The demo with the real server over it, which goes on running from test to test: each puts the demo back first.</summary>
public sealed class RunningDemo : DemoDatabase
{
    public AppServer Server { get; private set; } = null!;

    public override async Task InitializeAsync()
    {
        await base.InitializeAsync();
        Server = new AppServer(ConnectionString);
        await Server.StartAsync();
    }

    public override async Task DisposeAsync()
    {
        await Server.DisposeAsync();
        await base.DisposeAsync();
    }
}
