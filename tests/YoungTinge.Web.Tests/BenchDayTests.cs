using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace YoungTinge.Web.Tests;

/// <summary>The bench as devices use it: notes that count once, others who come between, and hearing of what they do.</summary>
public sealed class BenchDayTests(DemoApplication application) : ApiTest(application)
{
    private static readonly DateTimeOffset Now = DateTimeOffset.UtcNow;

    private Task<JsonNode> BenchAsync() => GetAsync("/api/bench");

    private async Task<JsonNode?> TellAsync(Guid id, JsonObject note, string by = "Ann", DateTimeOffset? at = null)
    {
        note["by"] = by;
        note["at"] = (at ?? Now).ToString("O");
        var answer = await Http.PutAsJsonAsync($"/api/bench/notes/{id}", note);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return (await answer.Content.ReadFromJsonAsync<JsonNode>())!["clash"];
    }

    private static JsonObject Tick(JsonNode operation) => new() { ["kind"] = "tick", ["operationId"] = operation["id"]!.DeepClone(), ["fingerprint"] = operation["fingerprint"]!.DeepClone() };

    private static JsonObject TakeBack(JsonNode operation) => new() { ["kind"] = "takeBack", ["operationId"] = operation["id"]!.DeepClone() };

    private async Task<JsonNode> FreshAsync(string kind) =>
        (await BenchAsync())["tasks"]!.AsArray().First(task => (string)task!["operation"]!["step"]!["kind"]! == kind)!["operation"]!;

    private async Task<JsonNode?> RecentAsync(JsonNode operation) =>
        (await BenchAsync())["recent"]!.AsArray().FirstOrDefault(one => (string)one!["id"]! == (string)operation["id"]!);

    [Fact]
    public async Task A_note_counts_once_however_often_it_comes_and_keeps_its_own_time()
    {
        var operation = await FreshAsync("shapePieces");
        var (id, at) = (Guid.NewGuid(), Now.AddHours(-3));
        Assert.Null(await TellAsync(id, Tick(operation), at: at));
        Assert.Equal(at, DateTimeOffset.Parse((string)(await RecentAsync(operation))!["tickedAt"]!), TimeSpan.FromMilliseconds(1));
        // Taken back by another: the first note comes late a second time, and does not bring the tick back.
        Assert.Null(await TellAsync(Guid.NewGuid(), TakeBack(operation), "Bo"));
        Assert.Null(await TellAsync(id, Tick(operation), at: at));
        Assert.Null(await RecentAsync(operation));
    }

    [Fact]
    public async Task Who_comes_second_is_told_and_nothing_is_taken_twice()
    {
        var operation = await FreshAsync("mixPot");
        var jar = (string)operation["takes"]![0]!["materialId"]!;
        async Task<double> LeftAsync() => (double)(await GetAsync($"/api/materials/{jar}"))["sheet"]!["stockG"]!;
        var before = await LeftAsync();
        Assert.Null(await TellAsync(Guid.NewGuid(), Tick(operation), "Bo", Now.AddMinutes(-20)));
        var after = await LeftAsync();
        var clash = await TellAsync(Guid.NewGuid(), Tick(operation), "Ann");
        Assert.Equal(("doneAlready", "Bo"), ((string)clash!["kind"]!, (string)clash["by"]!));
        Assert.Equal(after, await LeftAsync());
        await TellAsync(Guid.NewGuid(), TakeBack(operation));
        Assert.Equal(before, await LeftAsync());

        var changed = Tick(operation);
        changed["fingerprint"] = "as it was";
        Assert.Equal("changed", (string)(await TellAsync(Guid.NewGuid(), changed))!["kind"]!);
        await TellAsync(Guid.NewGuid(), TakeBack(operation));
        var gone = Tick(operation);
        gone["operationId"] = $"piece:{Guid.NewGuid()}:shape";
        Assert.Equal("gone", (string)(await TellAsync(Guid.NewGuid(), gone))!["kind"]!);
    }

    [Fact]
    public async Task Timers_are_kept_as_start_and_length_until_they_are_stopped()
    {
        var (timer, note) = (Guid.NewGuid(), Guid.NewGuid());
        JsonObject Start() => new() { ["kind"] = "startTimer", ["timerId"] = timer, ["operationId"] = null, ["name"] = "Steam", ["seconds"] = 90 };
        var at = Now.AddSeconds(-30);
        await TellAsync(note, Start(), at: at);
        await TellAsync(note, Start(), at: at);
        var kept = Assert.Single((await BenchAsync())["timers"]!.AsArray())!;
        Assert.Equal(90, (int)kept["seconds"]!);
        Assert.Equal(at, DateTimeOffset.Parse((string)kept["startedAt"]!), TimeSpan.FromMilliseconds(1));
        await TellAsync(Guid.NewGuid(), new JsonObject { ["kind"] = "stopTimer", ["timerId"] = timer });
        await TellAsync(note, Start(), at: at);
        Assert.Empty((await BenchAsync())["timers"]!.AsArray());
        var bad = Start();
        (bad["seconds"], bad["by"], bad["at"]) = (0, "Ann", Now.ToString("O"));
        Assert.Equal(["seconds secondsOutOfRange"], await ProblemsOf(await Http.PutAsJsonAsync($"/api/bench/notes/{Guid.NewGuid()}", bad)));
    }

    [Fact]
    public async Task Hands_that_take_twice_as_long_are_planned_with_until_their_ticks_are_taken_back()
    {
        Task<JsonNode> PlanAsync() => GetAsync("/api/plan");
        var commission = (string)(await GetAsync("/api/commissions"))["commissions"]![0]!["commission"]!["id"]!;
        async Task<IReadOnlyDictionary<string, JsonNode>> SheetAsync() =>
            (await GetAsync($"/api/commissions/{commission}/run-sheet"))["operations"]!.AsArray().ToDictionary(one => (string)one!["id"]!, one => one!);
        var before = await SheetAsync();
        Assert.Equal(0, (int)(await PlanAsync())["pace"]!["count"]!);
        var jobs = before.Values.Where(one => one["tickedAt"] is null && (double)one["minutes"]! > 3).Take(24).ToList();
        var at = Now.AddDays(-3);
        foreach (var job in jobs)
            await TellAsync(Guid.NewGuid(), Tick(job), at: at = at.AddMinutes(2 * (double)job["minutes"]!));

        var pace = (await PlanAsync())["pace"]!;
        var factor = (double)pace["factor"]!;
        Assert.Equal(jobs.Count - 1, (int)pace["count"]!);
        Assert.InRange(factor, 1.7, 2);
        // Whatever is to be done by hand is counted so, on each sheet; what was ticked has not changed by it.
        var after = await SheetAsync();
        Assert.All(before, one => Assert.Equal(factor * (double)one.Value["minutes"]!, (double)after[one.Key]["minutes"]!, 1e-9));
        Assert.All(jobs, job => Assert.False((bool)after[(string)job["id"]!]["changedSince"]!));
        // Ticked again by what they are planned with now, they teach what they taught before.
        await TellAsync(Guid.NewGuid(), Tick(jobs[^1]), at: at);
        Assert.Equal(pace.ToJsonString(), (await PlanAsync())["pace"]!.ToJsonString());

        foreach (var job in jobs)
            await TellAsync(Guid.NewGuid(), TakeBack(job));
        Assert.Equal(1, (double)(await PlanAsync())["pace"]!["factor"]!);
    }

    [Fact]
    public async Task What_was_felt_is_kept_and_what_is_dry_is_ticked()
    {
        var operation = await FreshAsync("dryPieces");
        JsonObject Touched(bool isDry, double minutes) => new()
        {
            ["kind"] = "touched",
            ["operationId"] = operation["id"]!.DeepClone(),
            ["fingerprint"] = operation["fingerprint"]!.DeepClone(),
            ["isDry"] = isDry,
            ["minutes"] = minutes,
        };
        async Task<int> TouchesAsync() => (int)(await BenchAsync())["learned"]!["count"]!;
        var before = await TouchesAsync();
        await TellAsync(Guid.NewGuid(), Touched(false, 100));
        var readings = (await BenchAsync())["readings"]!.AsArray().Where(reading => (string)reading!["operationId"]! == (string)operation["id"]!).ToList();
        Assert.Equal((false, 100.0), ((bool)readings.Single()!["isDry"]!, (double)readings.Single()!["minutes"]!));
        Assert.Equal((double)operation["waitMinutes"]!, (double)readings.Single()!["plannedMinutes"]!);
        await TellAsync(Guid.NewGuid(), Touched(true, 140));
        Assert.NotNull(await RecentAsync(operation));
        Assert.Equal(before + 2, await TouchesAsync());
        var dryTimes = await GetAsync("/api/dry-times");
        var newest = dryTimes["touches"]![0]!;
        Assert.Equal((true, 140.0, (double)operation["waitMinutes"]!), ((bool)newest["isDry"]!, (double)newest["minutes"]!, (double)newest["plannedMinutes"]!));
        Assert.Equal(operation["lots"]!.ToJsonString(), newest["lots"]!.ToJsonString());
        Assert.Equal((await BenchAsync())["learned"]!.ToJsonString(), dryTimes["learned"]!.ToJsonString());
        // It was not dry after all.
        await TellAsync(Guid.NewGuid(), TakeBack(operation));
        Assert.Equal(before + 1, await TouchesAsync());
    }

    [Fact]
    public async Task What_takes_longer_here_is_planned_longer_and_what_was_done_stays_done()
    {
        var (dried, next) = (await FreshAsync("dryPieces"), (await BenchAsync())["tasks"]!.AsArray().Where(task => (string)task!["operation"]!["step"]!["kind"]! == "dryPieces").ElementAt(1)!["operation"]!);
        JsonObject Touched(JsonNode operation, bool isDry, double times)
        {
            var note = Tick(operation);
            (note["kind"], note["isDry"], note["minutes"]) = ("touched", isDry, times * (double)operation["waitMinutes"]!);
            return note;
        }

        foreach (var times in new[] { 1.1, 1.2, 1.3, 1.5, 1.6 })
            await TellAsync(Guid.NewGuid(), Touched(dried, false, times));
        await TellAsync(Guid.NewGuid(), Touched(dried, true, 2.2));
        var bench = await BenchAsync();
        Assert.True((double)bench["learned"]!["factor"]! > 1.3);
        Assert.True((double)bench["tasks"]!.AsArray().Single(task => (string)task!["operation"]!["id"]! == (string)next["id"]!)!["operation"]!["waitMinutes"]! > 1.2 * (double)next["waitMinutes"]!);
        // That it will take longer from now on is no change of what was done.
        Assert.False((bool)(await RecentAsync(dried))!["changedSince"]!);
    }

    [Fact]
    public async Task Another_device_hears_of_a_tick_within_two_seconds()
    {
        using var events = await Http.GetAsync("/api/bench/events", HttpCompletionOption.ResponseHeadersRead);
        Assert.Equal("text/event-stream", events.Content.Headers.ContentType!.MediaType);
        using var lines = new StreamReader(await events.Content.ReadAsStreamAsync());
        async Task HeardAsync()
        {
            using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(10));
            while (await lines.ReadLineAsync(patience.Token) is { } line)
            {
                if (line == "event: changed")
                    return;
            }

            Assert.Fail("The stream ended.");
        }

        await HeardAsync();
        var operation = await FreshAsync("comparePieces");
        var began = System.Diagnostics.Stopwatch.StartNew();
        await TellAsync(Guid.NewGuid(), Tick(operation));
        await HeardAsync();
        Assert.True(began.Elapsed < TimeSpan.FromSeconds(5), began.Elapsed.ToString());
        await TellAsync(Guid.NewGuid(), TakeBack(operation));
    }
}
