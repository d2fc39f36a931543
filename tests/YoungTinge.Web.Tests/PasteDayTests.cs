using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>Runs of shades, marbles and the sheet of the day as a client sees them.</summary>
public sealed class PasteDayTests(DemoApplication application) : ApiTest(application)
{
    private async Task<string> FlowerIdAsync(string name) => (string)(await FlowerAsync(name))["id"]!;

    /// <summary>What the demo's ranunculus is there to show.</summary>
    [Fact]
    public async Task The_ranunculus_runs_evenly_in_five_shades_by_all_three_schools()
    {
        var id = await FlowerIdAsync("Ranunculus");
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
        var path = $"/api/flowers/{await FlowerIdAsync(flower)}/{kind}";
        var kept = await GetAsync(path);
        Assert.Equal(1, (int)kept["version"]!);
        var plan = kept["plan"]!;
        if (kind == "ombre")
            plan["school"] = "cutBack";
        else
            plan["folds"] = 6;
        Task<HttpResponseMessage> SaveAsync(int version) => Http.PutOverAsync(path, new { plan }, version);
        Assert.Equal(2, (int)(await (await SaveAsync(1)).Content.ReadFromJsonAsync<JsonNode>())!["version"]!);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await SaveAsync(1)).StatusCode);
        Assert.Equal(plan.ToJsonString(), (await GetAsync(path))["plan"]!.ToJsonString());

        // Taken away, a beginning is offered again, and can be kept as the first.
        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync(path)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.DeleteAsync(path)).StatusCode);
        Assert.Equal(0, (int)(await GetAsync(path))["version"]!);
        Assert.Equal(1, (int)(await (await SaveAsync(0)).Content.ReadFromJsonAsync<JsonNode>())!["version"]!);
    }

    [Fact]
    public async Task What_cannot_be_is_said_at_its_field()
    {
        var id = await FlowerIdAsync("Ranunculus");
        var ombre = (await GetAsync($"/api/flowers/{id}/ombre"))["plan"]!;
        ombre["uses"]!.AsArray().Clear();
        Assert.Contains("uses tooFewShades", await ProblemsOf(await Http.PostAsJsonAsync($"/api/flowers/{id}/ombre/look", ombre)));
        ombre["first"]!["doses"]![0]!["colourantId"] = "nothing";
        Assert.Contains("plan.first.doses[0].colourantId unknownMaterial", await ProblemsOf(await Http.PutOverAsync($"/api/flowers/{id}/ombre", new { plan = ombre }, 1)));

        var marble = (await GetAsync($"/api/flowers/{id}/marble"))["plan"]!;
        foreach (var stripe in marble["stripes"]!.AsArray())
            stripe!["parts"] = 0;
        Assert.Contains("stripes nothingInIt", await ProblemsOf(await Http.PostAsJsonAsync($"/api/flowers/{id}/marble/look", marble)));
        marble["folds"] = 400;
        Assert.Contains("folds tooManyFolds", await ProblemsOf(await Http.PostAsJsonAsync($"/api/flowers/{id}/marble/folds", marble)));
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync($"/api/flowers/{Guid.NewGuid()}/ombre")).StatusCode);
    }

    [Fact]
    public async Task The_moonlit_clematis_goes_flat_where_the_mark_says()
    {
        var id = await FlowerIdAsync("Clematis, moonlit");
        var plan = (await GetAsync($"/api/flowers/{id}/marble"))["plan"]!;
        var folds = await PostAsync($"/api/flowers/{id}/marble/folds", plan);
        var flatAt = (int)folds["flatAt"]!;
        Assert.InRange(flatAt, 7, 12);
        Assert.All(folds["folds"]!.AsArray(), fold => Assert.Equal((int)fold!["seen"]!["folds"]! == flatAt, (double)fold["seen"]!["contrast"]! < 1));
        var look = await PostAsync($"/api/flowers/{id}/marble/look", plan);
        Assert.Equal(6, look["cuts"]!.AsArray().Count);
        var needed = (await FlowerAsync("Clematis, moonlit"))["pieces"]!.AsArray().Where(piece => plan["pieceIds"]!.AsArray().Any(one => (string)one! == (string)piece!["id"]!)).Sum(piece => (double)piece!["batchG"]!);
        Assert.Equal(needed + (double)plan["otherG"]!, look["stripes"]!.AsArray().Sum(stripe => (double)stripe!["grams"]!), 0.001);
    }

    [Fact]
    public async Task A_tick_stays_until_its_paste_changes_and_more_flowers_change_it()
    {
        JsonNode Block(JsonNode day) => day["blocks"]!.AsArray().First(block => ((string)block!["key"]!).StartsWith("ombre:", StringComparison.Ordinal))!;
        var before = Block(await GetAsync("/api/paste-day"));
        Assert.Equal(HttpStatusCode.NoContent, (await TickAsync(true, ToTick(before))).StatusCode);
        var ticked = Block(await GetAsync("/api/paste-day"));
        Assert.NotNull(ticked["tickedAt"]);
        Assert.False((bool)ticked["changedSince"]!);

        var path = $"/api/flowers/{await FlowerIdAsync("Ranunculus")}/counts";
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync(path, new { flowers = 9, buds = 0 }, 1)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync(path, new { flowers = 8, buds = 0 }, 1)).StatusCode);
        Assert.Equal(["flowers noFlowers"], await ProblemsOf(await Http.PutOverAsync(path, new { flowers = 0, buds = 0 }, 2)));
        var changed = Block(await GetAsync("/api/paste-day"));
        Assert.True((bool)changed["changedSince"]!);
        Assert.True((double)changed["totalG"]! > 1.7 * (double)before["totalG"]!);
        Assert.Equal(HttpStatusCode.NoContent, (await TickAsync(false, ToTick(before))).StatusCode);
        Assert.Null(Block(await GetAsync("/api/paste-day"))["tickedAt"]);
    }

    private static JsonNode BlockOf(JsonNode day, string key) => day["blocks"]!.AsArray().Single(block => (string)block!["key"]! == key)!;

    private static JsonObject Change(JsonNode batch, JsonNode made) => new()
    {
        ["commissionId"] = (string)batch["commissionId"]!,
        ["name"] = (string)batch["name"]!,
        ["recipe"] = batch["recipe"]!.DeepClone(),
        ["pasteG"] = (double)batch["pasteG"]!,
        ["target"] = batch["target"]!["lab"]!.DeepClone(),
        ["measured"] = null,
        ["note"] = "",
        ["made"] = made,
    };

    private async Task<JsonArray> BatchesAsync() => (await GetAsync("/api/batches")).AsArray();

    [Fact]
    public async Task A_run_that_was_made_is_a_batch_for_every_shade()
    {
        var block = (await GetAsync("/api/paste-day"))["blocks"]!.AsArray().First(block => (string)block!["kind"]! == "ombre")!;
        // Ticked from a sheet that has changed since: it is done, but what it was is not known here.
        await TickAsync(true, ((string)block["key"]!, "f00"));
        Assert.DoesNotContain(await BatchesAsync(), batch => ((string)batch!["name"]!).StartsWith("Ranunculus 1/5", StringComparison.Ordinal));
        await TickAsync(false, ToTick(block));
        await TickAsync(true, ToTick(block));
        var shades = (await BatchesAsync()).Where(batch => ((string)batch!["name"]!).StartsWith("Ranunculus ", StringComparison.Ordinal)).OrderBy(batch => (string)batch!["name"]!).ToList();
        Assert.Equal(["Ranunculus 1/5", "Ranunculus 2/5", "Ranunculus 3/5", "Ranunculus 4/5", "Ranunculus 5/5"], shades.Select(batch => (string)batch!["name"]!));
        Assert.All(shades, batch =>
        {
            Assert.Equal("resting", (string)batch!["state"]!);
            Assert.InRange((double)batch["difference"]!["deltaE"]!, 0, 0.01);
        });
        Assert.Equal((double)block["totalG"]! - (double)block["remainsG"]!, shades.Sum(batch => (double)batch!["made"]!["leftG"]!), 0.01);
        await TickAsync(false, ToTick(block));
        Assert.DoesNotContain(await BatchesAsync(), batch => ((string)batch!["name"]!).StartsWith("Ranunculus 1/5", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_leftover_is_offered_used_and_gone()
    {
        var before = await GetAsync("/api/paste-day");
        var block = before["blocks"]!.AsArray().First(block => block!["offers"]!.AsArray().Count > 0)!;
        var key = (string)block["key"]!;
        var offer = block["offers"]![0]!;
        Assert.InRange((double)offer["difference"]!["deltaE"]!, 0, 2);
        var path = $"/api/paste-day/{Uri.EscapeDataString(key)}/leftover";
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PutAsJsonAsync(path, new { batchId = Guid.NewGuid() })).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await Http.PutAsJsonAsync(path, new { batchId = (string)offer["batchId"]! })).StatusCode);
        var used = await GetAsync("/api/paste-day");
        Assert.Equal(offer.ToJsonString(), BlockOf(used, key)["leftover"]!.ToJsonString());
        // It is spoken for: nobody else is offered it.
        Assert.DoesNotContain(used["blocks"]!.AsArray().SelectMany(one => one!["offers"]!.AsArray()), one => (string)one!["batchId"]! == (string)offer["batchId"]!);

        double Left(JsonArray batches) => (double)batches.Single(batch => (string)batch!["id"]! == (string)offer["batchId"]!)!["made"]!["leftG"]!;
        var leftBefore = Left(await BatchesAsync());
        await TickAsync(true, ToTick(BlockOf(used, key)));
        Assert.Equal(leftBefore - (double)offer["keepG"]!, Left(await BatchesAsync()), 1e-9);
        // What was ticked has not changed by being done.
        var done = BlockOf(await GetAsync("/api/paste-day"), key);
        Assert.False((bool)done["changedSince"]!);
        Assert.Equal((double)offer["keepG"]!, (double)done["leftover"]!["keepG"]!);
        var left = (await BatchesAsync()).Single(batch => (string)batch!["id"]! == (string)offer["batchId"]!)!;
        var moved = left["made"]!.DeepClone();
        moved["keptIn"] = "On the other shelf";
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/batches/{left["id"]}", Change(left, moved), (int)left["version"]!)).StatusCode);
        Assert.False((bool)BlockOf(await GetAsync("/api/paste-day"), key)["changedSince"]!);
    }

    [Fact]
    public async Task A_leftover_that_fits_no_more_is_said_so()
    {
        var block = (await GetAsync("/api/paste-day"))["blocks"]!.AsArray().First(block => block!["offers"]!.AsArray().Count > 0)!;
        var key = (string)block["key"]!;
        var batch = (await BatchesAsync()).Single(one => (string)one!["id"]! == (string)block["offers"]![0]!["batchId"]!)!;
        await Http.PutAsJsonAsync($"/api/paste-day/{Uri.EscapeDataString(key)}/leftover", new { batchId = (string)batch["id"]! });
        var made = batch["made"]!.DeepClone();
        made["leftG"] = 0;
        var change = Change(batch, made);
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/batches/{batch["id"]}", change, (int)batch["version"]!)).StatusCode);
        Assert.Equal("usedUp", (string)(await BatchesAsync()).Single(one => (string)one!["id"]! == (string)batch["id"]!)!["state"]!);
        var now = BlockOf(await GetAsync("/api/paste-day"), key);
        Assert.True((bool)now["leftoverGone"]!);
        Assert.Null(now["leftover"]);

        Task<HttpResponseMessage> AgainAsync() => Http.PutOverAsync($"/api/batches/{batch["id"]}", change, (int)batch["version"]! + 1);
        made["leftG"] = 500;
        Assert.Equal(["made.leftG leftOutOfRange"], await ProblemsOf(await AgainAsync()));
        made["grams"] = 0;
        made["leftG"] = 0;
        made["recipe"]!["doses"]![0]!["colourantId"] = "no-such-colour";
        Assert.Equal(["made.grams massOutOfRange", "made.recipe.doses[0].colourantId unknownMaterial"], await ProblemsOf(await AgainAsync()));
    }

    [Fact]
    public async Task How_the_studio_measures_reaches_every_plan()
    {
        var measuring = await GetAsync("/api/studio");
        measuring["scaleG"] = 0.01;
        measuring["measures"] = "imperial";
        measuring["name"] = "  Marsh Room ";
        measuring["currency"] = "DKK";
        var version = (int)measuring["version"]!;
        Assert.Equal(HttpStatusCode.PreconditionRequired, (await Http.PutAsJsonAsync("/api/studio", measuring)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync("/api/studio", measuring, version)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync("/api/studio", measuring, version)).StatusCode);
        Assert.Equal(0.01, (double)(await GetAsync($"/api/flowers/{await FlowerIdAsync("Ivy")}/ombre"))["plan"]!["scaleG"]!);
        measuring = await GetAsync("/api/studio");
        Assert.Equal(("Marsh Room", "DKK", 2), ((string)measuring["name"]!, (string)measuring["currency"]!, (int)measuring["scaleDecimals"]!));
        measuring["scaleG"] = 0;
        measuring["leftoverDeltaE"] = 99;
        measuring["timeZone"] = "Narnia/Lamp_Post";
        measuring["currency"] = "gold";
        Assert.Equal(
            ["timeZone unknownTimeZone", "currency unknownCurrency", "scaleG scaleOutOfRange", "leftoverDeltaE leftoverDeltaEOutOfRange"],
            await ProblemsOf(await Http.PutOverAsync("/api/studio", measuring, 2)));
    }

    [Fact]
    public async Task A_paste_that_holds_more_colour_than_it_takes_now_is_said_so()
    {
        // The jar in the cabinet turns out to take less than was thought when the leaves were planned.
        var jar = await GetAsync("/api/materials/quince");
        var sheet = jar["sheet"]!.DeepClone();
        sheet["loadLimit"] = 1;
        var saved = await Http.PostOverAsync("/api/materials", new { sheet }, (int)jar["version"]!);
        Assert.True(saved.IsSuccessStatusCode, await saved.Content.ReadAsStringAsync());
        var deep = (await GetAsync("/api/paste-day"))["blocks"]!.AsArray().Where(block => block!["tooDeep"]!.AsArray().Count > 0).ToList();
        Assert.NotEmpty(deep);
        Assert.All(deep, block => Assert.Contains(block!["tooDeep"]![0]!["recipe"]!["doses"]!.AsArray(), dose => (string)dose!["colourantId"]! == "quince" && (double)dose["gPer100g"]! > 1));
        var part = deep[0]!["tooDeep"]![0]!;
        var look = await PostAsync("/api/recipes/look", new JsonObject
        {
            ["recipe"] = part["recipe"]!.DeepClone(),
            ["target"] = part["colour"]!["lab"]!.DeepClone(),
            ["pasteG"] = (double)part["batch"]!["pasteG"]!,
            ["light"] = "daylight",
        });
        Assert.NotEmpty(look["alternatives"]!.AsArray());
    }

    [Fact]
    public async Task More_spares_take_more_paste()
    {
        JsonNode Petals(JsonNode day) => day["commissions"]![0]!["flowers"]![1]!["pieces"]![0]!;
        var before = Petals(await GetAsync("/api/paste-day"));
        var path = $"/api/pieces/{before["id"]}/spares";
        var version = (int)before["version"]!;
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync(path, new { spareShare = 1 }, version)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync(path, new { spareShare = 0.5 }, version)).StatusCode);
        Assert.Equal(["spareShare sparesOutOfRange"], await ProblemsOf(await Http.PutOverAsync(path, new { spareShare = 3 }, version + 1)));
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PutOverAsync($"/api/pieces/{Guid.NewGuid()}/spares", new { spareShare = 1 }, 1)).StatusCode);
        var after = Petals(await GetAsync("/api/paste-day"));
        Assert.Equal(2 * (int)before["needed"]!, (int)after["pieces"]!);
        Assert.True((double)after["grams"]! > 1.6 * (double)before["grams"]!);
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
    public async Task Each_school_tells_of_every_shade_and_of_pastes_that_can_be_measured()
    {
        var id = await FlowerIdAsync("Ranunculus");
        var plan = (await GetAsync($"/api/flowers/{id}/ombre"))["plan"]!;
        plan["middle"] = new JsonObject
        {
            ["recipe"] = new JsonObject { ["baseId"] = "bright-white-paste", ["doses"] = new JsonArray(new JsonObject { ["colourantId"] = "ragged-robin", ["gPer100g"] = 0.2 }) },
            ["at"] = 2,
        };
        var look = await PostAsync($"/api/flowers/{id}/ombre/look", plan);
        foreach (var way in look["ways"]!.AsArray())
        {
            var steps = way!["steps"]!.AsArray();
            Assert.Equal(Enumerable.Range(0, 5), steps.Select(step => (int?)step!["shade"]).OfType<int>().Distinct().Order());
            Assert.All(steps.Where(step => (string)step!["act"]! == "makePaste"), step =>
            {
                Assert.Equal((double)step!["grams"]!, (double)step["batch"]!["pasteG"]!, 1e-9);
                Assert.Equal(step["recipe"]!["doses"]!.AsArray().Count, step["batch"]!["colours"]!.AsArray().Count);
            });
            Assert.Equal((double)way["totalG"]!, (double)way["leftOverG"]! + look["shades"]!.AsArray().Sum(shade => (double)shade!["grams"]!), 1e-6);
        }
    }

    [Fact]
    public async Task A_run_may_serve_its_whole_commission_and_nothing_beyond()
    {
        var ombre = await GetAsync($"/api/flowers/{await FlowerIdAsync("Ranunculus")}/ombre");
        Assert.Equal(["Hellebore", "Ivy", "Ranunculus"], ombre["uses"]!.AsArray().Select(use => (string)use!["flowerName"]!).Distinct().Order());
        var path = $"/api/flowers/{await FlowerIdAsync("Ranunculus")}/ombre/look";
        var plan = ombre["plan"]!;
        var before = (double)(await PostAsync(path, plan))["shades"]![0]!["grams"]!;
        var sepals = ombre["uses"]!.AsArray().First(use => (string)use!["piece"]!["name"]! == "Sepals")!["piece"]!;
        plan["uses"]![0]!["pieceIds"]!.AsArray().Add((string)sepals["id"]!);
        Assert.Equal(before + (double)sepals["batchG"]!, (double)(await PostAsync(path, plan))["shades"]![0]!["grams"]!, 1e-9);
        var petals = (await GetAsync($"/api/flowers/{await FlowerIdAsync("Clematis, moonlit")}"))["pieces"]![1]!["id"]!;
        plan["uses"]![1]!["pieceIds"]!.AsArray().Add((string)petals!);
        Assert.Contains("uses[1].pieceIds unknownPiece", await ProblemsOf(await Http.PostAsJsonAsync(path, plan)));
    }

    [Fact]
    public async Task A_piece_gets_its_paste_in_one_way_only()
    {
        var id = await FlowerIdAsync("Ranunculus");
        var ombre = (await GetAsync($"/api/flowers/{id}/ombre"))["plan"]!;
        var taken = ombre["uses"]![1]!["pieceIds"]![0]!.ToString();
        var marble = (await GetAsync($"/api/flowers/{id}/marble"))["plan"]!;
        marble["pieceIds"] = new JsonArray(taken);
        Task<HttpResponseMessage> SaveAsync() => Http.PutOverAsync($"/api/flowers/{id}/marble", new { plan = marble }, 0);
        Assert.Equal(["plan.pieceIds pieceTaken"], await ProblemsOf(await SaveAsync()));
        // Its own run may be kept again, and once the run lets go of it the marble may have it.
        var ombrePath = $"/api/flowers/{id}/ombre";
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync(ombrePath, new { plan = ombre }, 1)).StatusCode);
        ombre["uses"]![1] = new JsonObject { ["pieceIds"] = new JsonArray(), ["otherG"] = 30 };
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync(ombrePath, new { plan = ombre }, 2)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await SaveAsync()).StatusCode);
        var uses = (await GetAsync("/api/paste-day"))["blocks"]!.AsArray().SelectMany(block => block!["uses"]!.AsArray()).Select(use => use!["pieceId"]!.ToString()).ToList();
        Assert.Equal(uses.Distinct(), uses);
    }

    [Fact]
    public async Task A_run_that_can_no_longer_be_made_is_named_and_its_pieces_are_still_mixed()
    {
        Assert.Empty((await GetAsync("/api/paste-day"))["notMade"]!.AsArray());
        var id = await FlowerIdAsync("Ranunculus");
        var path = $"/api/flowers/{id}/ombre";
        var ombre = (await GetAsync(path))["plan"]!;
        // Only just enough for the scale; with one flower less it is too little.
        ombre["scaleG"] = 0.5;
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync(path, new { plan = ombre }, 1)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/flowers/{id}/counts", new { flowers = 1, buds = 0 }, 1)).StatusCode);
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
            var shown = wire["choices"]!.AsArray().Select(choice => Array.IndexOf(["hidden", "hardly", "shows"], (string)choice!["word"]!)).ToList();
            Assert.Equal(shown.Order(), shown);
            Assert.All(wire["choices"]!.AsArray(), choice => Assert.Equal((double)choice!["showsDeltaE"]! < 1, (string)choice["word"]! == "hidden"));
        });
    }

    [Fact]
    public async Task The_shopping_list_is_told_and_saved_alike()
    {
        var lines = (await GetAsync("/api/paste-day"))["shopping"]!.AsArray();
        var shortOnes = lines.Where(line => line!["short"] is { } missing && (double)missing > 0 && line["gauge"] is null).ToDictionary(line => (string)line!["materialId"]!, line => line!);
        // By the pot of 7 g, and by the bottle of 60 ml.
        Assert.Equal((1, 7 * 0.75), ((int)shortOnes["harts-tongue"]["packs"]!, (double)shortOnes["harts-tongue"]["cost"]!));
        Assert.Equal(("millilitres", 60 * 0.12), ((string)shortOnes["satin-veil"]["measure"]!, (double)shortOnes["satin-veil"]["cost"]!));
        var csv = await Http.GetAsync("/api/paste-day/shopping.csv");
        Assert.Equal("text/csv", csv.Content.Headers.ContentType!.MediaType);
        Assert.Equal(lines.Count + 1, (await csv.Content.ReadAsStringAsync()).Split('\n', StringSplitOptions.RemoveEmptyEntries).Length);
    }

    [Fact]
    public async Task A_colour_that_a_run_uses_is_not_removed()
    {
        // Lantern is in the last paste of the run; nothing says so but the run if the pieces' own plans change.
        var response = await Http.DeleteAsync("/api/materials/lantern");
        Assert.Equal(HttpStatusCode.Conflict, response.StatusCode);
    }

    [Theory]
    [InlineData("Ranunculus", "ombre", "Middle petals", "shade")]
    [InlineData("Clematis, moonlit", "marble", "Petals", "marble")]
    public async Task A_piece_follows_what_is_kept_for_it_and_its_own_paste_waits(string flowerName, string kind, string pieceName, string source)
    {
        var flower = await FlowerAsync(flowerName);
        var id = (string)flower["pieces"]!.AsArray().First(piece => (string)piece!["name"]! == pieceName)!["id"]!;
        var kept = (await GetAsync($"/api/pieces/{id}"))!;
        var preview = await PostAsync($"/api/pieces/{id}/preview", kept["plan"]!);
        Assert.Equal(source, (string)preview["source"]!["kind"]!);
        Assert.Equal(source == "marble", preview["zones"]![0]!["streaksDeltaE"] is not null);

        // Whoever sends another paste along with a changed coat changes the coat alone.
        var other = kept["plan"]!.DeepClone();
        other["paste"] = new JsonObject { ["baseId"] = "bright-white-paste", ["doses"] = new JsonArray() };
        other["coats"]!.AsArray().RemoveAt(0);
        Assert.Equal(preview["paste"]!.ToJsonString(), (await PostAsync($"/api/pieces/{id}/preview", other))["paste"]!.ToJsonString());
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/pieces/{id}/plan", other, (int)kept["version"]!)).StatusCode);
        var saved = await GetAsync($"/api/pieces/{id}");
        Assert.Equal(kept["plan"]!["paste"]!.ToJsonString(), saved["plan"]!["paste"]!.ToJsonString());
        Assert.Equal(other["coats"]!.ToJsonString(), saved["plan"]!["coats"]!.ToJsonString());

        // Without the run it has its own paste again, as it was before.
        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync($"/api/flowers/{flower["id"]}/{kind}")).StatusCode);
        var own = (await GetAsync($"/api/pieces/{id}"))["plan"]!;
        Assert.NotEmpty(own["paste"]!["doses"]!.AsArray());
        Assert.NotEqual(kept["plan"]!["paste"]!.ToJsonString(), own["paste"]!.ToJsonString());
        Assert.Equal("own", (string)(await PostAsync($"/api/pieces/{id}/preview", own))["source"]!["kind"]!);
    }

    [Fact]
    public async Task A_piece_is_shaped_from_a_batch_that_is_there_but_from_nothing_else_then()
    {
        var id = (string)(await FlowerAsync("Hellebore"))["pieces"]!.AsArray().First(piece => (string)piece!["name"]! == "Bracts")!["id"]!;
        var kept = await GetAsync($"/api/pieces/{id}");
        var ready = (await GetAsync($"/api/pieces/{id}/ready-batches")).AsArray();
        Assert.NotEmpty(ready);
        Assert.Equal(ready.Select(batch => (double)batch!["difference"]!["deltaE"]!).Order(), ready.Select(batch => (double)batch!["difference"]!["deltaE"]!));
        var plan = kept["plan"]!.DeepClone();
        plan["batchId"] = ready[0]!["id"]!.DeepClone();
        var preview = await PostAsync($"/api/pieces/{id}/preview", plan);
        Assert.Equal("batch", (string)preview["source"]!["kind"]!);
        Assert.Equal(ready[0]!["colour"]!.ToJsonString(), preview["paste"]!.ToJsonString());
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/pieces/{id}/plan", plan, (int)kept["version"]!)).StatusCode);
        Assert.DoesNotContain((await GetAsync("/api/paste-day"))["blocks"]!.AsArray(), block => (string)block!["kind"]! == "paste"
            && block["uses"]!.AsArray().Any(use => (string)use!["pieceId"]! == id));

        plan["batchId"] = Guid.NewGuid().ToString();
        Assert.Equal(["batchId unknownBatch"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/pieces/{id}/preview", plan)));
        var petals = (string)(await FlowerAsync("Ranunculus"))["pieces"]![0]!["id"]!;
        var taken = (await GetAsync($"/api/pieces/{petals}"))["plan"]!;
        taken["batchId"] = ready[0]!["id"]!.DeepClone();
        Assert.Equal(["batchId pieceTaken"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/pieces/{petals}/preview", taken)));
    }
}
