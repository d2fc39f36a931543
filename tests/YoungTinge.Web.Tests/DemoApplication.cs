using Microsoft.AspNetCore.Mvc.Testing;
using YoungTinge.Store.People;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>The application over a demo of its own, for a class of tests: it runs on while the demo is put back, as a server does.</summary>
public sealed class DemoApplication : IAsyncLifetime
{
    private WebApplicationFactory<Program> factory = null!;

    public DemoDatabase Demo { get; } = new();

    public IServiceProvider Services => factory.Services;

    public async Task InitializeAsync()
    {
        await Demo.InitializeAsync();
        factory = Over(Demo.ConnectionString);
    }

    /// <summary>The application over any database, also one that is not there.</summary>
    public static WebApplicationFactory<Program> Over(string connection) =>
        new WebApplicationFactory<Program>().WithWebHostBuilder(host => host.UseSetting("ConnectionStrings:Studio", connection));

    /// <summary>Nobody has signed in with it.</summary>
    public HttpClient CreateClient() => CreateClient(new Visitor());

    /// <param name="visitor">Whose cookies it sends.</param>
    public HttpClient CreateClient(Visitor visitor) => factory.CreateDefaultClient(visitor);

    /// <param name="role">Of whoever has signed in with it.</param>
    public async Task<HttpClient> CreateClientAsync(Role role = Role.Owner)
    {
        var http = CreateClient();
        await Demo.SignInAsync(http, role);
        return http;
    }


    public async Task DisposeAsync()
    {
        await factory.DisposeAsync();
        await Demo.DisposeAsync();
    }
}
