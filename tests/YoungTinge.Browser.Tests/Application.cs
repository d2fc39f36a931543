using OpenQA.Selenium.Chrome;
using YoungTinge.Testing;

namespace YoungTinge.Browser.Tests;

/// <summary>The running application with its own database and a Chromium, shared by the browser tests of one collection, which run one after another.</summary>
public sealed class Application : IAsyncLifetime
{
    private readonly DirectoryInfo backups = Directory.CreateTempSubdirectory("young-tinge-backups-");
    private ChromeDriver? chromium;

    public DemoDatabaseAlone Demo { get; } = new();

    public AppServer Server { get; private set; } = null!;

    /// <summary>Signed in as the browser is: the demo's owner.</summary>
    public HttpClient Http { get; private set; } = null!;

    public async Task InitializeAsync()
    {
        await Demo.InitializeAsync();
        Server = new AppServer(Demo.ConnectionString, new Dictionary<string, string> { ["Backups__Folder"] = backups.FullName });
        await Server.StartAsync();
    }

    public async Task DisposeAsync()
    {
        chromium?.Dispose();
        await Server.DisposeAsync();
        await Demo.DisposeAsync();
        backups.Delete(recursive: true);
    }

    /// <summary>Runs a test in a new browser on the fresh demo; leaves a picture if it fails.</summary>
    public async Task InBrowserAsync(string test, Func<Browser, Task> steps, int width = 1280, int height = 800)
    {
        // The page of the test before asks no more.
        if (chromium is not null)
            Browser.Leave(chromium);
        await Demo.ResetAsync();
        (Http, var owner) = Visitor.Of(Server.Address);
        await Demo.SignInAsync(Http);
        var browser = new Browser(chromium ??= Browser.StartChromium(), Server.Address, width, height);
        browser.SignIn(owner.Cookies);
        try
        {
            await steps(browser);
        }
        catch
        {
            browser.Screenshot(Path.Combine(Repository.Folder, "TestResults", "browser", $"{test}.png"));
            // Whatever state it is in, the next test has nothing to do with it.
            chromium.Dispose();
            chromium = null;
            throw;
        }
    }
}

/// <summary>One half of the browser tests. Both run side by side, each with an application of its own.</summary>
[CollectionDefinition(Name)]
public sealed class OneApplication : ICollectionFixture<Application>
{
    public const string Name = "one application";
}

/// <summary>The other half.</summary>
[CollectionDefinition(Name)]
public sealed class OtherApplication : ICollectionFixture<Application>
{
    public const string Name = "other application";
}
