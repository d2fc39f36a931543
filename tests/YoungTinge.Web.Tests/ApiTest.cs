using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Store.People;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>Tests that ask the application as a client does; each begins with the demo as it was seeded.</summary>
public abstract class ApiTest(DemoApplication application) : IClassFixture<DemoApplication>, IAsyncLifetime
{
    protected HttpClient Http { get; private set; } = null!;

    protected DemoDatabase Demo => application.Demo;

    /// <summary>A client that somebody else has signed in with.</summary>
    protected Task<HttpClient> ClientAsync(Role role) => application.CreateClientAsync(role);

    /// <summary>A client that nobody has signed in with.</summary>
    protected HttpClient Stranger() => application.CreateClient();

    /// <summary>Of the application that is asked.</summary>
    protected IServiceProvider Services => application.Services;

    public virtual async Task InitializeAsync()
    {
        await Demo.ResetAsync();
        Http = await application.CreateClientAsync();
    }

    public Task DisposeAsync()
    {
        Http.Dispose();
        return Task.CompletedTask;
    }

    protected async Task<JsonNode> GetAsync(string path) => (await Http.GetFromJsonAsync<JsonNode>(path))!;

    protected async Task<JsonNode> PostAsync(string path, JsonNode body)
    {
        var response = await Http.PostAsJsonAsync(path, body);
        Assert.True(response.StatusCode == HttpStatusCode.OK, await response.Content.ReadAsStringAsync());
        return (await response.Content.ReadFromJsonAsync<JsonNode>())!;
    }

    /// <summary>Ticks operations, or takes the ticks back.</summary>
    protected Task<HttpResponseMessage> TickAsync(bool isDone, params (string Id, string Fingerprint)[] operations) => Http.PutAsJsonAsync(
        "/api/ticks", new { operations = operations.Select(one => new { id = one.Id, fingerprint = one.Fingerprint }), isDone });

    /// <summary>Something to tick, as a sheet shows it.</summary>
    protected static (string Id, string Fingerprint) ToTick(JsonNode shown) => ((string)(shown["id"] ?? shown["key"])!, (string)shown["fingerprint"]!);

    /// <summary>A commission of the demo by its name.</summary>
    protected async Task<JsonNode> CommissionAsync(string name) => (await GetAsync("/api/commissions"))["commissions"]!.AsArray()
        .Select(entry => entry!["commission"]!).First(commission => (string)commission["name"]! == name);

    /// <summary>Fields of a request that cannot be, each with what is wrong with it.</summary>
    protected static async Task<List<string>> ProblemsOf(HttpResponseMessage response)
    {
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        return [.. (await response.Content.ReadFromJsonAsync<JsonNode>())!["problems"]!.AsArray().Select(problem => $"{problem!["path"]} {problem["code"]}")];
    }

    /// <summary>A flower of the demo by its name, with its pieces.</summary>
    protected async Task<JsonNode> FlowerAsync(string name) => (await GetAsync("/api/commissions"))["commissions"]!.AsArray()
        .SelectMany(entry => entry!["flowers"]!.AsArray()).First(flower => (string)flower!["name"]! == name)!;
}
