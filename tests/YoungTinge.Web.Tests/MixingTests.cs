using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>The mixing table as a client sees it.</summary>
public sealed class MixingTests(DemoApplication application) : ApiTest(application)
{
    private const string Find = "/api/recipes/find";
    private const string Look = "/api/recipes/look";
    private const string Rescue = "/api/recipes/rescue";

    private static JsonObject DustyWine => new()
    {
        ["baseIds"] = new JsonArray("bright-white-paste"),
        ["target"] = Lab(44, 25, 5),
        ["pasteG"] = 180,
        ["mostColourants"] = 3,
    };

    private static JsonObject Lab(double l, double a, double b) => new() { ["l"] = l, ["a"] = a, ["b"] = b };

    private static JsonObject Recipe(params (string Id, double GPer100g)[] doses) => new()
    {
        ["baseId"] = "bright-white-paste",
        ["doses"] = new JsonArray([.. doses.Select(dose => new JsonObject { ["colourantId"] = dose.Id, ["gPer100g"] = dose.GPer100g })]),
    };

    private async Task<List<string>> ProblemsAsync(string path, string body)
    {
        var response = await Http.PostAsync(path, new StringContent(body, Encoding.UTF8, "application/json"));
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
        Assert.InRange((int)response.StatusCode, 400, 499);
        var trouble = (await response.Content.ReadFromJsonAsync<JsonNode>())!;
        return [(string)trouble["code"]!, .. trouble["problems"]!.AsArray().Select(problem => $"{problem!["path"]} {problem["code"]}")];
    }

    [Fact]
    public async Task A_colour_becomes_three_recipes_in_the_makers_units()
    {
        var answer = await PostAsync(Find, DustyWine);
        var recipes = answer["recipes"]!.AsArray();
        Assert.Equal(3, recipes.Count);
        Assert.All(recipes, recipe =>
        {
            Assert.InRange((double)recipe!["difference"]!["deltaE"]!, 0, 1);
            Assert.Equal(180, (double)recipe["batch"]!["pasteG"]!);
            Assert.All(recipe["batch"]!["colours"]!.AsArray(), colour => Assert.True((int)colour!["units"]!["whole"]! >= 1));
            Assert.InRange((double)recipe["cost"]!, 2, 20);
        });
        Assert.Null(answer["beyond"]);
    }

    [Fact]
    public async Task Out_of_reach_says_what_dust_can()
    {
        var search = DustyWine;
        search["target"] = Lab(42, 58, -15);
        var beyond = (await PostAsync(Find, search))["beyond"]!;
        Assert.NotEmpty(beyond["passes"]!.AsArray());
        Assert.InRange((double)beyond["difference"]!["deltaE"]!, 0, 3);
    }

    [Fact]
    public async Task A_search_can_tell_how_far_it_is()
    {
        var request = new HttpRequestMessage(HttpMethod.Post, Find) { Content = JsonContent.Create(DustyWine) };
        request.Headers.Accept.ParseAdd("application/x-ndjson");
        var response = await Http.SendAsync(request);
        var lines = (await response.Content.ReadAsStringAsync()).Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(line => JsonNode.Parse(line)!).ToList();
        var shares = lines.SkipLast(1).Select(line => (double)line["progress"]!).ToList();
        Assert.True(shares.Count > 1);
        Assert.Equal(shares.Order(), shares);
        Assert.Equal(3, lines[^1]["answer"]!["recipes"]!.AsArray().Count);
    }

    [Theory]
    [InlineData(Find, """{"baseIds":["bright-white-paste"],"target":{"l":88,"a":0,"b":0},"pasteG":0,"mostColourants":3}""", "pasteG massOutOfRange")]
    [InlineData(Find, """{"baseIds":["bright-white-paste"],"target":{"l":880,"a":0,"b":0},"pasteG":10,"mostColourants":3}""", "target noSurfaceIsThis")]
    [InlineData(Find, """{"baseIds":["bright-white-paste"],"target":{"l":40,"a":140,"b":0},"pasteG":10,"mostColourants":3}""", "target noSurfaceIsThis")]
    [InlineData(Find, """{"baseIds":["bright-white-paste"],"target":{"l":1e999,"a":0,"b":0},"pasteG":10,"mostColourants":3}""", "target notAColour")]
    [InlineData(Find, """{"baseIds":["bright-white-paste"],"target":{"l":"NaN","a":0,"b":0},"pasteG":10,"mostColourants":3}""", "unreadable")]
    [InlineData(Find, """{"baseIds":["bright-white-paste"],"target":{"l":88,"a":0,"b":0},"pasteG":10,"mostColourants":9}""", "mostColourants countOutOfRange")]
    [InlineData(Find, """{"baseIds":["bricks"],"target":{"l":88,"a":0,"b":0},"pasteG":10,"mostColourants":3}""", "baseIds[0] unknownMaterial")]
    [InlineData(Find, """{"baseIds":[],"target":{"l":88,"a":0,"b":0},"pasteG":10,"mostColourants":3}""", "baseIds noBase")]
    [InlineData(Find, """{"baseIds":["soft-cream-paste"],"target":{"l":88,"a":0,"b":0},"pasteG":10,"mostColourants":3,"filters":{"mustUse":[],"leaveOut":[],"edibleOnly":true,"diets":["vegan"],"withinStock":true}}""", "baseIds[0] baseNotAllowed")]
    [InlineData(Find, """{"baseIds":["bright-white-paste"],"target":{"l":88,"a":0,"b":0},"pasteG":10,"mostColourants":3,"filters":{"mustUse":["rowan"],"leaveOut":["rowan"],"edibleOnly":false,"diets":[],"withinStock":true}}""", "mustUse[0] mustUseAndLeftOut")]
    [InlineData(Look, """{"recipe":{"baseId":"bright-white-paste","doses":[{"colourantId":"rowan","gPer100g":5000}]},"target":{"l":88,"a":0,"b":0},"pasteG":10,"light":"daylight"}""", "recipe.doses[0].gPer100g doseEnormous")]
    [InlineData(Look, """{"recipe":{"baseId":"bright-white-paste","doses":[{"colourantId":"rowan","gPer100g":-1}]},"target":{"l":88,"a":0,"b":0},"pasteG":10,"light":"daylight"}""", "recipe.doses[0].gPer100g doseEnormous")]
    [InlineData(Look, """{"recipe":{"baseId":"bright-white-paste","doses":[]},"target":{"l":88,"a":0,"b":0},"pasteG":10,"light":"torch"}""", "unreadable")]
    [InlineData(Rescue, """{"recipe":{"baseId":"bright-white-paste","doses":[]},"haveG":0,"measured":null,"target":{"l":88,"a":0,"b":0},"needG":10}""", "haveG massOutOfRange")]
    [InlineData(Rescue, """{"recipe":{"baseId":"bright-white-paste","doses":[]},"haveG":10,"measured":{"l":120,"a":0,"b":0},"target":{"l":88,"a":0,"b":0},"needG":10}""", "measured noSurfaceIsThis")]
    [InlineData("/api/let-downs", """{"colourantId":"rowan","unit":"touch","unitsWanted":0,"pasteG":180,"scaleG":0.1}""", "unitsWanted unitsOutOfRange")]
    [InlineData("/api/let-downs", """{"colourantId":"rowan","unit":"touch","unitsWanted":0.5,"pasteG":180,"scaleG":0}""", "scaleG scaleOutOfRange")]
    [InlineData("/api/let-downs", """{"colourantId":"rowan","unit":"knifeTip","unitsWanted":0.5,"pasteG":180,"scaleG":0.1}""", "colourantId unknownMaterial")]
    public async Task What_cannot_be_is_said_at_its_field(string path, string body, string problem) =>
        Assert.Contains(problem, await ProblemsAsync(path, body));

    [Fact]
    public async Task An_empty_cabinet_says_so()
    {
        await using (var command = Demo.DataSource.CreateCommand("delete from material where kind = 'colourant'"))
            await command.ExecuteNonQueryAsync();
        Assert.Contains("target noColours", await ProblemsAsync(Find, DustyWine.ToJsonString()));
        // Batches from before are still on the shelf.
        Assert.Contains((await GetTableAsync())["batches"]!.AsArray(), batch => batch!["colour"] is null);
        // What is measured by hand can still be looked at.
        var look = await PostAsync(Look, new JsonObject { ["recipe"] = Recipe(), ["target"] = Lab(90, 0, 5), ["pasteG"] = 100, ["light"] = "candle" });
        Assert.Empty(look["effects"]!.AsArray());

        await using (var command = Demo.DataSource.CreateCommand("delete from material where kind = 'paste'"))
            await command.ExecuteNonQueryAsync();
        Assert.Contains("baseIds[0] unknownMaterial", await ProblemsAsync(Find, DustyWine.ToJsonString()));
        Assert.NotEmpty((await GetTableAsync())["batches"]!.AsArray());
        Assert.NotEmpty((await Http.GetFromJsonAsync<JsonNode>("/api/materials"))!.AsArray());
    }

    [Fact]
    public async Task A_recipe_on_the_table_tells_everything_about_itself()
    {
        var body = new JsonObject { ["recipe"] = Recipe(("foxberry", 3.6), ("umber-pod", 0.004)), ["target"] = Lab(44, 25, 5), ["pasteG"] = 180, ["light"] = "lamp" };
        var look = await PostAsync(Look, body);
        Assert.Equal(["kneaded", "rested", "dried"], look["ages"]!.AsArray().Select(age => (string)age!["age"]!));
        Assert.Equal(6, look["lights"]!.AsArray().Count);
        Assert.Equal(2, look["effects"]!.AsArray().Count);
        Assert.Equal(36, look["reflectance"]!.AsArray().Count);
        Assert.True((double)look["loads"]![0]!["share"]! > 1);
        Assert.Contains(look["alternatives"]!.AsArray(), way => (string)way!["way"]! == "madeIntoPaste");
        Assert.NotNull(look["batch"]!["colours"]![1]!["letDown"]);
    }

    [Fact]
    public async Task A_spoilt_batch_is_rescued_or_given_up()
    {
        var rescue = await PostAsync(Rescue, new JsonObject
        {
            ["recipe"] = Recipe(("foxberry", 0.3), ("umber-pod", 0.1), ("inkcap", 0.02)),
            ["haveG"] = 180,
            ["measured"] = null,
            ["target"] = Lab(70, 22, 12),
            ["needG"] = 180,
        });
        Assert.False((bool)rescue["isThere"]!);
        Assert.Equal(180, (double)rescue["leastMass"]!["totalG"]!, 1e-6);
        Assert.InRange((double)rescue["leastMass"]!["difference"]!["deltaE"]!, 0, 2);

        var lost = await PostAsync(Rescue, new JsonObject
        {
            ["recipe"] = Recipe(("inkcap", 2)),
            ["haveG"] = 180,
            ["measured"] = null,
            ["target"] = Lab(90, 0, 10),
            ["needG"] = 180,
        });
        Assert.True((bool)lost["startAgain"]!);
    }

    [Fact]
    public async Task What_also_went_in_is_counted_as_the_maker_counts()
    {
        JsonObject Batch(JsonArray? alsoIn, params (string Id, double GPer100g)[] doses) => new()
        {
            ["recipe"] = Recipe(doses),
            ["haveG"] = 150,
            ["measured"] = null,
            ["target"] = Lab(70, 22, 12),
            ["needG"] = 150,
            ["alsoIn"] = alsoIn,
        };

        JsonObject Slip(string id, string unit, double count) => new() { ["colourantId"] = id, ["unit"] = unit, ["count"] = count };

        // A touch of woad is 0.015 g: ten of them in 150 g are 0.1 g in 100 g.
        var counted = await PostAsync(Rescue, Batch([Slip("woad", "touch", 10)], ("foxberry", 0.3)));
        var weighed = await PostAsync(Rescue, Batch(null, ("foxberry", 0.3), ("woad", 0.1)));
        Assert.Equal((double)weighed["now"]!["lab"]!["l"]!, (double)counted["now"]!["lab"]!["l"]!, 1e-9);
        Assert.Contains("alsoIn[0].colourantId unknownMaterial", await ProblemsAsync(Rescue, Batch([Slip("woad", "knifeTip", 1)]).ToJsonString()));
        Assert.Contains("alsoIn[0].count doseEnormous", await ProblemsAsync(Rescue, Batch([Slip("woad", "touch", -3)]).ToJsonString()));
        Assert.Contains("alsoIn[0].count doseEnormous", await ProblemsAsync(Rescue, Batch([Slip("woad", "touch", 1e7)]).ToJsonString()));
    }

    [Fact]
    public async Task A_batch_is_kept_changed_and_taken_off_the_shelf()
    {
        var table = await GetTableAsync();
        var id = Guid.NewGuid();
        var batch = new JsonObject
        {
            ["commissionId"] = (string)table["commissions"]![0]!["id"]!,
            ["name"] = "Dusty wine",
            ["recipe"] = Recipe(("foxberry", 0.5)),
            ["pasteG"] = 180,
            ["target"] = Lab(44, 25, 5),
            ["measured"] = null,
            ["note"] = "",
        };
        Task<HttpResponseMessage> KeepAsync(int version) => Http.PutOverAsync($"/api/batches/{id}", batch, version);
        Assert.Equal(HttpStatusCode.PreconditionRequired, (await Http.PutAsJsonAsync($"/api/batches/{id}", batch)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await KeepAsync(0)).StatusCode);
        batch["measured"] = Lab(45, 24, 5);
        Assert.Equal(HttpStatusCode.OK, (await KeepAsync(1)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await KeepAsync(1)).StatusCode);
        var kept = (await GetTableAsync())["batches"]!.AsArray().Single(other => (string)other!["id"]! == id.ToString());
        Assert.Equal(45, (double)kept!["measured"]!["lab"]!["l"]!);

        batch["name"] = "  ";
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await KeepAsync(2)).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync($"/api/batches/{id}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.DeleteAsync($"/api/batches/{id}")).StatusCode);
    }

    [Fact]
    public async Task A_ladder_has_eight_rungs_and_only_colours_have_one()
    {
        var ladder = (await Http.GetFromJsonAsync<JsonNode>("/api/materials/rowan/dose-ladder?baseId=bright-white-paste"))!;
        Assert.Equal(8, ladder["rungs"]!.AsArray().Count);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync("/api/materials/nettle/dose-ladder?baseId=bright-white-paste")).StatusCode);
    }

    private Task<JsonNode> GetTableAsync() => GetAsync("/api/mixing-table");
}
