using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>Two servers over one database, as behind one address: each knows what was done at the other.</summary>
public sealed class TwoServersTests(DemoDatabase demo) : IClassFixture<DemoDatabase>
{
    [Fact]
    public async Task What_is_done_at_one_is_known_at_the_other()
    {
        await demo.ResetAsync();
        var folder = Directory.CreateTempSubdirectory("young-tinge-backups-");
        var settings = new Dictionary<string, string> { ["Backups__Folder"] = folder.FullName };
        await using var one = new AppServer(demo.ConnectionString, settings);
        await using var other = new AppServer(demo.ConnectionString, settings);
        await Task.WhenAll(one.StartAsync(), other.StartAsync());
        var (here, visitor) = Visitor.Of(one.Address);
        var (there, second) = Visitor.Of(other.Address);
        await demo.SignInAsync(here);
        // The same browser, sent to the other one.
        second.Take(visitor.Cookies);
        Assert.Equal(HttpStatusCode.OK, (await there.GetAsync("/api/me")).StatusCode);

        // A tick here is heard there.
        using var events = await there.GetAsync("/api/bench/events", HttpCompletionOption.ResponseHeadersRead);
        using var told = new StreamReader(await events.Content.ReadAsStreamAsync());
        Assert.Contains("changed", await told.ReadLineAsync() ?? "");
        var task = (await here.GetFromJsonAsync<JsonNode>("/api/bench"))!["tasks"]![0]!["operation"]!;
        var done = new { operations = new[] { new { id = (string)task["id"]!, fingerprint = (string)task["fingerprint"]! } }, isDone = true };
        (await here.PutAsJsonAsync("/api/ticks", done)).EnsureSuccessStatusCode();
        string? line;
        do
            line = await told.ReadLineAsync();
        while (line is not null && !line.Contains("event: changed", StringComparison.Ordinal));
        Assert.NotNull(line);
        Assert.DoesNotContain((await there.GetFromJsonAsync<JsonNode>("/api/bench"))!["tasks"]!.AsArray(), one => (string)one!["operation"]!["id"]! == done.operations[0].id && one["isDone"]?.GetValue<bool>() == false);

        // A change sent there with the word that was given here.
        Assert.Equal(HttpStatusCode.OK, (await there.PostAsJsonAsync("/api/people/invitations", new { role = "maker" })).StatusCode);

        // A copy that is due is made by one of them.
        (await here.PutOverAsync("/api/backups/schedule", new { every = "day", keep = 3 }, 0)).EnsureSuccessStatusCode();
        await Patience.UntilAsync("a copy is made", async () => (await there.GetFromJsonAsync<JsonNode>("/api/backups"))!["made"]!.AsArray().Count > 0);
        await Task.Delay(TimeSpan.FromSeconds(1));
        var made = (await there.GetFromJsonAsync<JsonNode>("/api/backups"))!["made"]!.AsArray();
        Assert.Single(made);
        // It is a file like any archive; half of it, or another byte in it, is none any more.
        var file = Directory.GetFiles(folder.FullName, "*.zip", SearchOption.AllDirectories).Single();
        Assert.Equal(await File.ReadAllBytesAsync(file), await there.GetByteArrayAsync($"/api/backups/{made[0]!["id"]}/studio.zip"));
        var bytes = await File.ReadAllBytesAsync(file);
        bytes[bytes.Length / 2] ^= 1;
        await File.WriteAllBytesAsync(file, bytes);
        Assert.Contains("backupDamaged", await (await there.PostAsync($"/api/backups/{made[0]!["id"]}/restore", null)).Content.ReadAsStringAsync()!);

        // Signed out there, gone here.
        (await there.PostAsJsonAsync("/api/door/sign-out", new { everywhere = false })).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Unauthorized, (await here.GetAsync("/api/me")).StatusCode);
        folder.Delete(recursive: true);
    }

    [Theory]
    [InlineData("emptyCabinet", 0, false)]
    [InlineData("starterCabinet", 1, false)]
    [InlineData("demo", 0, true)]
    public async Task The_first_who_comes_begins_a_studio_with_what_she_chooses(string with, int atLeast, bool hasDemo)
    {
        await demo.ResetAsync();
        await demo.EmptyAsync();
        await using var server = new AppServer(demo.ConnectionString, new Dictionary<string, string> { ["Demo__Password"] = "open to whoever comes" });
        await server.StartAsync();
        var (http, _) = Visitor.Of(server.Address);
        var studio = new { name = "Quay Room", maker = "Ida Marsh", measures = "metric", scaleG = 0.1, currency = "NOK", language = "de", timeZone = "Europe/Oslo", signInName = "ida", password = "paper boats at noon", with };
        // Two who begin the first at the same moment: one of them does.
        var (second, _) = Visitor.Of(server.Address);
        var both = await Task.WhenAll(http.PostAsJsonAsync("/api/door/studios", studio), second.PostAsJsonAsync("/api/door/studios", studio with { signInName = "bo" }));
        Assert.Single(both, answer => answer.StatusCode == HttpStatusCode.NoContent);
        var owner = both[0].StatusCode == HttpStatusCode.NoContent ? http : second;
        Assert.True((await owner.GetFromJsonAsync<JsonNode>("/api/materials"))!.AsArray().Count >= atLeast);
        Assert.Equal("de", (string)(await owner.GetFromJsonAsync<JsonNode>("/api/studio"))!["language"]!);
        var door = (await http.GetFromJsonAsync<JsonNode>("/api/door"))!;
        Assert.Equal(hasDemo, door["demo"] is not null);
        if (!hasDemo)
            return;
        var (visitor, _) = Visitor.Of(server.Address);
        (await visitor.PostAsJsonAsync("/api/door/sign-in", door["demo"])).EnsureSuccessStatusCode();
        Assert.Equal(3, (await visitor.GetFromJsonAsync<JsonNode>("/api/commissions"))!["commissions"]!.AsArray().Count);
        // Only the demo is ever begun anew.
        Assert.Equal(HttpStatusCode.NoContent, (await visitor.PostAsync("/api/studio/demo/begin-anew", null)).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, (await owner.PostAsync("/api/studio/demo/begin-anew", null)).StatusCode);
    }
}
