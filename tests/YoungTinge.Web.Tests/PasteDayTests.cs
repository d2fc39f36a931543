using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc.Testing;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>Runs of shades, marbles and the sheet of the day as a client sees them.</summary>
public sealed class PasteDayTests(DemoDatabase demo) : IClassFixture<DemoDatabase>, IAsyncLifetime
{
    private WebApplicationFactory<Program> factory = null!;
    private HttpClient http = null!;

    public async Task InitializeAsync()
    {
        await demo.ResetAsync();
        factory = new WebApplicationFactory<Program>().WithWebHostBuilder(host => host.UseSetting("ConnectionStrings:Studio", demo.ConnectionString));
        http = factory.CreateClient();
    }

    public async Task DisposeAsync() => await factory.DisposeAsync();

    private async Task<JsonNode> GetAsync(string path) => (await http.GetFromJsonAsync<JsonNode>(path))!;

    private async Task<string> FlowerAsync(string name) => (await GetAsync("/api/commissions"))["commissions"]!.AsArray()
        .SelectMany(commission => commission!["flowers"]!.AsArray()).First(flower => (string)flower!["name"]! == name)!["id"]!.ToString();

    private async Task<JsonNode> PostAsync(string path, JsonNode body)
    {
        var response = await http.PostAsJsonAsync(path, body);
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        return (await response.Content.ReadFromJsonAsync<JsonNode>())!;
    }

    private static async Task<List<string>> ProblemsOf(HttpResponseMessage response)
    {
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        return [.. (await response.Content.ReadFromJsonAsync<JsonNode>())!["problems"]!.AsArray().Select(problem => $"{problem!["path"]} {problem["code"]}")];
    }

    /// <summary>What the demo's ranunculus is there to show.</summary>
    [Fact]
    public async Task The_ranunculus_runs_evenly_in_five_shades_by_all_three_schools()
    {
        var id = await FlowerAsync("Ranunculus");
        var plan = (await GetAsync($"/api/flowers/{id}/ombre"))["plan"]!;
        Assert.Equal(5, plan["uses"]!.AsArray().Count);
        var look = await PostAsync($"/api/flowers/{id}/ombre/look", plan);
        Assert.InRange((double)look["unevenness"]!, 1, 1.15);
        Assert.Equal(["cutBack", "splitStock", "doseEach"], look["ways"]!.AsArray().Select(way => (string)way!["school"]!));
        Assert.All(look["ways"]!.AsArray(), way => Assert.InRange((double)way!["unevenness"]!, 1, 1.4));
        var dusted = await PostAsync($"/api/flowers/{id}/ombre/dusted", plan);
        Assert.Equal(5, dusted.AsArray().Count);
    }

    [Theory]
    [InlineData("Ranunculus", "ombre")]
    [InlineData("Clematis, moonlit", "marble")]
    public async Task A_paste_plan_is_kept_over_the_version_it_was_made_from(string flower, string kind)
    {
        var path = $"/api/flowers/{await FlowerAsync(flower)}/{kind}";
        var kept = await GetAsync(path);
        Assert.Equal(1, (int)kept["version"]!);
        var plan = kept["plan"]!;
        if (kind == "ombre")
            plan["school"] = "cutBack";
        else
            plan["folds"] = 6;
        JsonObject Save(int version) => new() { ["plan"] = plan.DeepClone(), ["version"] = version };
        Assert.Equal(2, (int)(await (await http.PutAsJsonAsync(path, Save(1))).Content.ReadFromJsonAsync<JsonNode>())!["version"]!);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await http.PutAsJsonAsync(path, Save(1))).StatusCode);
        Assert.Equal(plan.ToJsonString(), (await GetAsync(path))["plan"]!.ToJsonString());

        // Taken away, a beginning is offered again, and can be kept as the first.
        Assert.Equal(HttpStatusCode.NoContent, (await http.DeleteAsync(path)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await http.DeleteAsync(path)).StatusCode);
        Assert.Equal(0, (int)(await GetAsync(path))["version"]!);
        Assert.Equal(1, (int)(await (await http.PutAsJsonAsync(path, Save(0))).Content.ReadFromJsonAsync<JsonNode>())!["version"]!);
    }

    [Fact]
    public async Task What_cannot_be_is_said_at_its_field()
    {
        var id = await FlowerAsync("Ranunculus");
        var ombre = (await GetAsync($"/api/flowers/{id}/ombre"))["plan"]!;
        ombre["uses"]!.AsArray().Clear();
        Assert.Contains("uses tooFewShades", await ProblemsOf(await http.PostAsJsonAsync($"/api/flowers/{id}/ombre/look", ombre)));
        ombre["first"]!["doses"]![0]!["colourantId"] = "nothing";
        Assert.Contains("plan.first.doses[0].colourantId unknownMaterial", await ProblemsOf(await http.PutAsJsonAsync(
            $"/api/flowers/{id}/ombre", new JsonObject { ["plan"] = ombre.DeepClone(), ["version"] = 1 })));

        var marble = (await GetAsync($"/api/flowers/{id}/marble"))["plan"]!;
        foreach (var stripe in marble["stripes"]!.AsArray())
            stripe!["parts"] = 0;
        Assert.Contains("stripes nothingInIt", await ProblemsOf(await http.PostAsJsonAsync($"/api/flowers/{id}/marble/look", marble)));
        marble["folds"] = 400;
        Assert.Contains("folds tooManyFolds", await ProblemsOf(await http.PostAsJsonAsync($"/api/flowers/{id}/marble/folds", marble)));
        Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync($"/api/flowers/{Guid.NewGuid()}/ombre")).StatusCode);
    }

    [Fact]
    public async Task The_moonlit_clematis_goes_flat_where_the_mark_says()
    {
        var id = await FlowerAsync("Clematis, moonlit");
        var plan = (await GetAsync($"/api/flowers/{id}/marble"))["plan"]!;
        var folds = await PostAsync($"/api/flowers/{id}/marble/folds", plan);
        var flatAt = (int)folds["flatAt"]!;
        Assert.InRange(flatAt, 7, 12);
        Assert.All(folds["folds"]!.AsArray(), fold => Assert.Equal((int)fold!["seen"]!["folds"]! == flatAt, (double)fold["seen"]!["contrast"]! < 1));
        var look = await PostAsync($"/api/flowers/{id}/marble/look", plan);
        Assert.Equal(6, look["cuts"]!.AsArray().Count);
        Assert.Equal(72, look["stripes"]!.AsArray().Sum(stripe => (double)stripe!["grams"]!), 0.001);
    }

    [Fact]
    public async Task A_tick_stays_until_its_paste_changes_and_more_flowers_change_it()
    {
        JsonNode Block(JsonNode day) => day["blocks"]!.AsArray().First(block => ((string)block!["key"]!).StartsWith("ombre:", StringComparison.Ordinal))!;
        var before = Block(await GetAsync("/api/paste-day"));
        var key = Uri.EscapeDataString((string)before["key"]!);
        Assert.Equal(HttpStatusCode.NoContent, (await http.PutAsJsonAsync($"/api/paste-day/{key}/tick", new { fingerprint = (string)before["fingerprint"]! })).StatusCode);
        var ticked = Block(await GetAsync("/api/paste-day"));
        Assert.NotNull(ticked["tickedAt"]);
        Assert.False((bool)ticked["changedSince"]!);

        var path = $"/api/flowers/{await FlowerAsync("Ranunculus")}/counts";
        Assert.Equal(HttpStatusCode.NoContent, (await http.PutAsJsonAsync(path, new { flowers = 9, buds = 0, wasFlowers = 5, wasBuds = 0 })).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await http.PutAsJsonAsync(path, new { flowers = 8, buds = 0, wasFlowers = 5, wasBuds = 0 })).StatusCode);
        Assert.Equal(["flowers noFlowers"], await ProblemsOf(await http.PutAsJsonAsync(path, new { flowers = 0, buds = 0, wasFlowers = 9, wasBuds = 0 })));
        var changed = Block(await GetAsync("/api/paste-day"));
        Assert.True((bool)changed["changedSince"]!);
        Assert.True((double)changed["totalG"]! > 1.7 * (double)before["totalG"]!);
        Assert.Equal(HttpStatusCode.NoContent, (await http.DeleteAsync($"/api/paste-day/{key}/tick")).StatusCode);
        Assert.Null(Block(await GetAsync("/api/paste-day"))["tickedAt"]);
    }

    [Fact]
    public async Task Only_the_commissions_that_were_asked_for_are_planned()
    {
        var all = await GetAsync("/api/paste-day");
        var second = all["commissions"]![1]!["commission"]!["id"]!.ToString();
        var some = await GetAsync($"/api/paste-day?commissionId={second}");
        Assert.Equal(3, some["commissions"]!.AsArray().Count);
        Assert.NotEmpty(some["blocks"]!.AsArray());
        Assert.All(some["blocks"]!.AsArray(), block => Assert.Equal(second, block!["commissionId"]!.ToString()));
        Assert.True(all["blocks"]!.AsArray().Count > some["blocks"]!.AsArray().Count);
    }

    [Fact]
    public async Task A_run_may_serve_its_whole_commission_and_nothing_beyond()
    {
        var ombre = await GetAsync($"/api/flowers/{await FlowerAsync("Ranunculus")}/ombre");
        Assert.Equal(["Hellebore", "Ivy", "Ranunculus"], ombre["uses"]!.AsArray().Select(use => (string)use!["flowerName"]!).Distinct().Order());
        var path = $"/api/flowers/{await FlowerAsync("Ranunculus")}/ombre/look";
        var plan = ombre["plan"]!;
        var before = (double)(await PostAsync(path, plan))["shades"]![0]!["grams"]!;
        var sepals = ombre["uses"]!.AsArray().First(use => (string)use!["piece"]!["name"]! == "Sepals")!["piece"]!;
        plan["uses"]![0]!["pieceIds"]!.AsArray().Add((string)sepals["id"]!);
        Assert.Equal(before + (double)sepals["batchG"]!, (double)(await PostAsync(path, plan))["shades"]![0]!["grams"]!, 1e-9);
        var petals = (await GetAsync($"/api/flowers/{await FlowerAsync("Clematis, moonlit")}"))["pieces"]![1]!["id"]!;
        plan["uses"]![1]!["pieceIds"]!.AsArray().Add((string)petals!);
        Assert.Contains("uses[1].pieceIds unknownPiece", await ProblemsOf(await http.PostAsJsonAsync(path, plan)));
    }

    [Fact]
    public async Task A_piece_gets_its_paste_in_one_way_only()
    {
        var id = await FlowerAsync("Ranunculus");
        var ombre = (await GetAsync($"/api/flowers/{id}/ombre"))["plan"]!;
        var taken = ombre["uses"]![1]!["pieceIds"]![0]!.ToString();
        var marble = (await GetAsync($"/api/flowers/{id}/marble"))["plan"]!;
        marble["pieceIds"] = new JsonArray(taken);
        async Task<HttpResponseMessage> SaveAsync() => await http.PutAsJsonAsync($"/api/flowers/{id}/marble", new JsonObject { ["plan"] = marble.DeepClone(), ["version"] = 0 });
        Assert.Equal(["plan.pieceIds pieceTaken"], await ProblemsOf(await SaveAsync()));
        // Its own run may be kept again, and once the run lets go of it the marble may have it.
        var ombrePath = $"/api/flowers/{id}/ombre";
        Assert.Equal(HttpStatusCode.OK, (await http.PutAsJsonAsync(ombrePath, new JsonObject { ["plan"] = ombre.DeepClone(), ["version"] = 1 })).StatusCode);
        ombre["uses"]![1] = new JsonObject { ["pieceIds"] = new JsonArray(), ["otherG"] = 30 };
        Assert.Equal(HttpStatusCode.OK, (await http.PutAsJsonAsync(ombrePath, new JsonObject { ["plan"] = ombre.DeepClone(), ["version"] = 2 })).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await SaveAsync()).StatusCode);
        var uses = (await GetAsync("/api/paste-day"))["blocks"]!.AsArray().SelectMany(block => block!["uses"]!.AsArray()).Select(use => use!["pieceId"]!.ToString()).ToList();
        Assert.Equal(uses.Distinct(), uses);
    }

    [Fact]
    public async Task A_run_that_can_no_longer_be_made_is_named_and_its_pieces_are_still_mixed()
    {
        Assert.Empty((await GetAsync("/api/paste-day"))["notMade"]!.AsArray());
        var id = await FlowerAsync("Ranunculus");
        var path = $"/api/flowers/{id}/ombre";
        var ombre = (await GetAsync(path))["plan"]!;
        // Only just enough for the scale; with one flower less it is too little.
        ombre["scaleG"] = 0.5;
        Assert.Equal(HttpStatusCode.OK, (await http.PutAsJsonAsync(path, new JsonObject { ["plan"] = ombre.DeepClone(), ["version"] = 1 })).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await http.PutAsJsonAsync($"/api/flowers/{id}/counts", new { flowers = 1, buds = 0, wasFlowers = 5, wasBuds = 0 })).StatusCode);
        var day = await GetAsync("/api/paste-day");
        var notMade = Assert.Single(day["notMade"]!.AsArray())!;
        Assert.Equal(("Ranunculus", "ombre"), ((string)notMade["flowerName"]!, (string)notMade["kind"]!));
        var mixed = day["blocks"]!.AsArray().SelectMany(block => block!["uses"]!.AsArray()).Select(use => use!["pieceId"]!.ToString()).ToHashSet();
        Assert.All(ombre["uses"]!.AsArray(), use => Assert.Contains(use!["pieceIds"]![0]!.ToString(), mixed));
    }

    [Fact]
    public async Task Quantities_tell_the_wire_and_how_far_it_shows()
    {
        var pieces = (await GetAsync("/api/paste-day"))["commissions"]!.AsArray().SelectMany(one => one!["flowers"]!.AsArray())
            .SelectMany(flower => flower!["pieces"]!.AsArray()).ToList();
        Assert.Equal(19, pieces.Count);
        Assert.All(pieces, piece =>
        {
            var wire = piece!["wire"]!;
            Assert.InRange((int)wire["gauge"]!, 14, 36);
            var shown = wire["choices"]!.AsArray().Select(choice => (double)choice!["showsDeltaE"]!).ToList();
            Assert.Equal(shown.Order(), shown);
            Assert.All(wire["choices"]!.AsArray(), choice => Assert.Equal((double)choice!["showsDeltaE"]! < 1, (string)choice["word"]! == "hidden"));
        });
    }

    [Fact]
    public async Task The_shopping_list_is_told_and_saved_alike()
    {
        var lines = (await GetAsync("/api/paste-day"))["shopping"]!.AsArray();
        var shortOnes = lines.Where(line => line!["shortG"] is { } missing && (double)missing > 0).ToList();
        Assert.Contains(shortOnes, line => (string)line!["materialId"]! == "harts-tongue");
        var csv = await http.GetAsync("/api/paste-day/shopping.csv");
        Assert.Equal("text/csv", csv.Content.Headers.ContentType!.MediaType);
        Assert.Equal(lines.Count + 1, (await csv.Content.ReadAsStringAsync()).Split('\n', StringSplitOptions.RemoveEmptyEntries).Length);
    }

    [Fact]
    public async Task A_colour_that_a_run_uses_is_not_removed()
    {
        // Lantern is in the last paste of the run; nothing says so but the run if the pieces' own plans change.
        var response = await http.DeleteAsync("/api/materials/lantern");
        Assert.Equal(HttpStatusCode.Conflict, response.StatusCode);
    }
}
