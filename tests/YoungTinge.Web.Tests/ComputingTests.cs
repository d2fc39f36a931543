using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyInjection;
using YoungTinge.Core.Numerics;
using YoungTinge.Testing;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Tests;

/// <summary>Computing on threads of its own, in turns, once for all who ask.</summary>
public sealed class ComputingTests(DemoApplication application) : ApiTest(application)
{
    private static readonly JsonObject Search = new() { ["baseIds"] = new JsonArray("bright-white-paste"), ["target"] = Lab(62, 30, 20), ["pasteG"] = 50, ["mostColourants"] = 3 };

    private Workers Workers => Services.GetRequiredService<Workers>();

    private static JsonObject Lab(double l, double a, double b) => new() { ["l"] = l, ["a"] = a, ["b"] = b };

    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    public async Task Parts_of_a_computation_stay_on_its_workers_and_one_worker_is_enough(int count)
    {
        using var threads = new WorkerThreads("test", count);
        var (results, names) = await Task.Factory.StartNew(
            () =>
            {
                var names = new System.Collections.Concurrent.ConcurrentBag<string?>();
                // Parts within parts, as a picture within a flower.
                var results = SideBySide.Select([.. Enumerable.Range(0, 40)], (part, _) =>
                {
                    names.Add(Thread.CurrentThread.Name);
                    return SideBySide.Select([1, 2, 3], (inner, _) => part * inner).Sum();
                });
                return (results, names);
            },
            CancellationToken.None, TaskCreationOptions.None, threads);
        Assert.Equal(Enumerable.Range(0, 40).Select(part => 6 * part), results);
        Assert.All(names, name => Assert.StartsWith("test ", name, StringComparison.Ordinal));
    }

    [Fact]
    public async Task Past_its_limit_the_next_search_is_asked_to_come_again()
    {
        using var stop = new CancellationTokenSource();
        var waiting = Enumerable.Range(0, Environment.ProcessorCount + Workers.MostWaiting).Select(_ => Workers.SearchAsync(() => stop.Token.WaitHandle.WaitOne(), stop.Token)).ToList();
        using (var refused = await Http.PostAsJsonAsync("/api/recipes/find", Search))
        {
            Assert.Equal(HttpStatusCode.ServiceUnavailable, refused.StatusCode);
            Assert.Equal("busy", (string)(await refused.Content.ReadFromJsonAsync<JsonNode>())!["code"]!);
            Assert.NotNull(refused.Headers.RetryAfter);
        }

        // What is answered in a breath does not stand in that line.
        await GetAsync("/api/commissions");
        await stop.CancelAsync();
        foreach (var one in waiting)
            await Assert.ThrowsAnyAsync<OperationCanceledException>(async () => Assert.True(await one ? throw new OperationCanceledException() : false));
        using var found = await Http.PostAsJsonAsync("/api/recipes/find", Search);
        Assert.Equal(HttpStatusCode.OK, found.StatusCode);
    }

    [Fact]
    public async Task Searches_whose_clients_are_gone_stop()
    {
        var piece = (await FlowerAsync("Hellebore"))["pieces"]![0]!["id"]!;
        var plan = (await GetAsync($"/api/pieces/{piece}"))["plan"]!;
        using var gone = new CancellationTokenSource();
        var asked = Enumerable.Range(0, 8).Select(_ => Http.PostAsJsonAsync($"/api/pieces/{piece}/proposals", new JsonObject { ["plan"] = plan.DeepClone(), ["keepPaste"] = false }, gone.Token)).ToList();
        await Patience.UntilAsync("searches run", () => Workers.Running > 0);
        await gone.CancelAsync();
        foreach (var one in asked)
            await Assert.ThrowsAnyAsync<OperationCanceledException>(() => one);
        await Patience.UntilAsync("no search runs", () => Workers.Running == 0);
    }

    [Fact]
    public async Task A_view_is_computed_once_for_all_who_ask_and_anew_after_any_change()
    {
        var answers = Services.GetRequiredService<KeptAnswers>();
        var (computed, hold) = (0, new TaskCompletionSource());
        var context = new Microsoft.AspNetCore.Http.DefaultHttpContext { Request = { Path = "/api/view" } };
        ValueTask<object?> AskAsync(bool fails = false) => answers.AnswerAsync(context, InDemo(), new FollowsFrom([]), async () =>
        {
            Interlocked.Increment(ref computed);
            await hold.Task;
            return fails ? throw new InvalidOperationException() : Microsoft.AspNetCore.Http.TypedResults.Ok(new { a = 1 });
        });

        CurrentStudio InDemo()
        {
            var current = new CurrentStudio();
            current.Enter(Demo.Databases.Of(Demo.StudioId));
            return current;
        }

        // The first fails: the others find out for themselves, and nothing wrong is kept.
        var failing = AskAsync(fails: true).AsTask();
        await Patience.UntilAsync("one computes", () => Volatile.Read(ref computed) == 1);
        var others = Enumerable.Range(0, 3).Select(_ => AskAsync().AsTask()).ToList();
        await Task.Delay(50);
        Assert.Equal(1, Volatile.Read(ref computed));
        hold.SetResult();
        await Assert.ThrowsAsync<InvalidOperationException>(() => failing);
        await Task.WhenAll(others);
        Assert.InRange(Volatile.Read(ref computed), 2, 4);

        var before = Volatile.Read(ref computed);
        await AskAsync();
        var once = Volatile.Read(ref computed);
        Assert.InRange(once - before, 0, 1);
        await Task.WhenAll(Enumerable.Range(0, 5).Select(_ => AskAsync().AsTask()));
        Assert.Equal(once, Volatile.Read(ref computed));

        var flower = await FlowerAsync("Hellebore");
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/flowers/{flower["id"]}/counts", new { flowers = 31, buds = 0 }, 1)).StatusCode);
        await AskAsync();
        Assert.Equal(once + 1, Volatile.Read(ref computed));
    }

    [Fact]
    public async Task Every_change_of_a_studio_is_seen_in_its_views_at_once()
    {
        var flower = (string)(await FlowerAsync("Hellebore"))["id"]!;
        for (var wanted = 11; wanted < 19; wanted++)
        {
            var was = await GetAsync($"/api/flowers/{flower}");
            await Http.PutOverAsync($"/api/flowers/{flower}/counts", new { flowers = wanted, buds = (int)was["buds"]! }, (int)was["version"]!);
            Assert.Equal(wanted, (int)(await GetAsync($"/api/flowers/{flower}"))["flowers"]!);
            Assert.Equal(wanted, (int)(await FlowerAsync("Hellebore"))["flowers"]!);
        }
    }

    [Fact]
    public async Task Every_picture_that_was_taken_in_is_there_when_asked_for()
    {
        var shot = Convert.FromBase64String((string)(await PostAsync("/api/bench/light-box/flowers", new JsonObject { ["startingPointId"] = "crocus-petal-gold", ["seed"] = 3 }))["jpeg"]!);
        var ids = Enumerable.Range(0, 40).Select(_ => Guid.NewGuid()).ToList();
        foreach (var id in ids)
            Assert.Equal(HttpStatusCode.OK, (await Http.PostAsync($"/api/dab-pictures/{id}", new ByteArrayContent(shot))).StatusCode);
        var read = new JsonObject { ["light"] = new JsonObject { ["mark"] = null, ["kind"] = "whiteCard", ["asIs"] = true }, ["boxes"] = new JsonArray(new JsonObject { ["left"] = 0.4, ["top"] = 0.4, ["width"] = 0.1, ["height"] = 0.1 }) };
        var answers = new HashSet<string>();
        foreach (var id in ids)
        {
            answers.Add((await PostAsync($"/api/dab-pictures/{id}/read", read.DeepClone())).ToJsonString());
            Assert.Equal(HttpStatusCode.OK, (await Http.GetAsync($"/api/dab-pictures/{id}/image")).StatusCode);
        }

        // The same picture, read the same each time.
        Assert.Single(answers);
    }
}

/// <summary>Health, told at once whatever the database does.</summary>
public sealed class HealthTests
{
    [Fact]
    public async Task A_frozen_database_is_told_and_so_is_its_coming_back()
    {
        await using var demo = new DatabaseOfItsOwn();
        await demo.StartAsync();
        await using var server = new AppServer(demo.Database.ConnectionString);
        await server.StartAsync();
        var (http, _) = Visitor.Of(server.Address);
        await demo.Database.SignInAsync(http);
        await demo.Database.Cluster.FreezeAsync(true);
        await UntilAsync(http, HttpStatusCode.ServiceUnavailable);
        Assert.Equal(HttpStatusCode.OK, (await http.GetAsync("/health/live")).StatusCode);
        await demo.Database.Cluster.FreezeAsync(false);
        await UntilAsync(http, HttpStatusCode.OK);
        Assert.True((await http.GetAsync("/api/commissions")).IsSuccessStatusCode, string.Join('\n', server.Errors));
    }

    private static Task UntilAsync(HttpClient http, HttpStatusCode wanted) =>
        Patience.UntilAsync($"ready is {wanted}", async () => (await http.GetAsync("/health/ready")).StatusCode == wanted);

    private sealed class DatabaseOfItsOwn : IAsyncDisposable
    {
        public DemoDatabaseAlone Database { get; } = new();

        public Task StartAsync() => Database.InitializeAsync();

        public async ValueTask DisposeAsync()
        {
            await Database.Cluster.FreezeAsync(false);
            await Database.DisposeAsync();
        }
    }
}
