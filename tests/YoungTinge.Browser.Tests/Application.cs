using YoungTinge.Testing;

namespace YoungTinge.Browser.Tests;

/// <summary>The running application with its own database, shared by all browser tests, which run one after another.</summary>
public sealed class Application : IAsyncLifetime
{
    public DemoDatabase Demo { get; } = new();

    public AppServer Server { get; private set; } = null!;

    public async Task InitializeAsync()
    {
        await Demo.InitializeAsync();
        Server = new AppServer(Demo.ConnectionString);
        await Server.StartAsync();
    }

    public async Task DisposeAsync()
    {
        await Server.DisposeAsync();
        await Demo.DisposeAsync();
    }

    /// <summary>Runs a test in a new browser on the fresh demo; leaves a picture if it fails.</summary>
    public async Task InBrowserAsync(string test, Func<Browser, Task> steps, int width = 1280, int height = 800)
    {
        await Demo.RefillAsync();
        using var browser = new Browser(Server.Address, width, height);
        try
        {
            await steps(browser);
        }
        catch
        {
            browser.Screenshot(Path.Combine(Repository.Folder, "TestResults", "browser", $"{test}.png"));
            throw;
        }
    }
}

[CollectionDefinition(Name, DisableParallelization = true)]
public sealed class ApplicationCollection : ICollectionFixture<Application>
{
    public const string Name = "application";
}
