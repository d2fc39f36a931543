using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>What flowers are made of, coats on what stands, sprays, and what really went in.</summary>
public sealed class BuildTests(DemoApplication application) : ApiTest(application)
{
    private static JsonObject Middle(JsonObject? body = null, JsonObject? cut = null) => new()
    {
        ["name"] = "Middle",
        ["outlineId"] = "round",
        ["lengthMm"] = 24,
        ["widthMm"] = 24,
        ["thicknessMm"] = 24,
        ["solid"] = true,
        ["partOf"] = "flower",
        ["perPart"] = 1,
        ["spareShare"] = 0.2,
        ["form"] = new JsonObject { ["role"] = "centre", ["arrangement"] = "ring", ["openDegrees"] = 0, ["insetMm"] = 0, ["cup"] = 0, ["frill"] = 0, ["veins"] = null, ["body"] = body, ["cut"] = cut },
    };

    private static JsonObject Body(string kind, string? materialId, double coreMm = 0, double skinMm = 0) =>
        new() { ["kind"] = kind, ["coreMm"] = coreMm, ["skinMm"] = skinMm, ["materialId"] = materialId };

    private async Task<List<JsonNode>> OperationsAsync(JsonNode commission) =>
        [.. (await GetAsync($"/api/commissions/{commission["id"]}/run-sheet"))["operations"]!.AsArray().Select(one => one!)];

    [Fact]
    public async Task A_piece_is_sized_by_a_ball_its_weight_or_a_hole_and_what_cannot_be_is_told()
    {
        var studio = await GetAsync("/api/studio");
        studio["holesMm"] = new JsonArray(4, 9.5, 20);
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync("/api/studio", studio, (int)studio["version"]!)).StatusCode);
        var asItIs = await PostAsync("/api/piece-sizes", new JsonObject { ["piece"] = Middle() });
        Assert.Equal((24.0, null), ((double)asItIs["lengthMm"]!, asItIs["hole"]));
        var sized = await PostAsync("/api/piece-sizes", new JsonObject { ["piece"] = Middle(), ["ballMm"] = 9.5 });
        Assert.Equal((9.5, 9.5, 2), ((double)sized["lengthMm"]!, (double)sized["widthMm"]!, (int)sized["hole"]!));
        var weighed = await PostAsync("/api/piece-sizes", new JsonObject { ["piece"] = Middle(), ["grams"] = (double)sized["grams"]! });
        Assert.Equal((double)sized["lengthMm"]!, (double)weighed["lengthMm"]!);
        Assert.Equal(["grams noSuchSize"], await ProblemsOf(await Http.PostAsJsonAsync("/api/piece-sizes", new JsonObject { ["piece"] = Middle(), ["grams"] = -1 })));
        Assert.Equal(["form.cut.lobes lobesOfASolid"], await ProblemsOf(await Http.PostAsJsonAsync("/api/piece-sizes", new JsonObject { ["piece"] = Middle(cut: new JsonObject { ["lobes"] = 3 }) })));
        studio["holesMm"] = new JsonArray(4, 0);
        Assert.Equal(["holesMm holeOutOfRange"], await ProblemsOf(await Http.PutOverAsync("/api/studio", studio, (int)studio["version"]! + 1)));
        studio["holesMm"] = new JsonArray(6, 4);
        Assert.Equal(["holesMm holesNotInOrder"], await ProblemsOf(await Http.PutOverAsync("/api/studio", studio, (int)studio["version"]! + 1)));
    }

    [Fact]
    public async Task Bought_parts_and_cores_come_out_of_the_cabinet()
    {
        var commission = await CommissionAsync("Harbour school fete");
        var flower = await FlowerAsync("Astrantia");
        Task<HttpResponseMessage> Add(JsonObject body, string query = "") => Http.PostAsJsonAsync($"/api/flowers/{flower["id"]}/pieces{query}", new JsonObject { ["piece"] = Middle(body), ["colouring"] = null, ["planOf"] = null });
        Assert.Equal(["form.body.materialId notInCabinet"], await ProblemsOf(await Add(Body("bought", "light-ball-20-mm"))));
        Assert.Equal(["form.body.coreMm coreTooLarge"], await ProblemsOf(await Add(Body("coveredCore", null, 30, 2))));
        var core = (await GetAsync("/api/materials")).AsArray().Single(one => (string)one!["id"]! == "light-ball-20-mm")!;
        Assert.Equal(("core", 20.0), ((string)core["kind"]!, (double)core["diameterMm"]!));
        (await Add(Body("coveredCore", "light-ball-20-mm", 20, 2), "?sure=true")).EnsureSuccessStatusCode();
        var shape = (await OperationsAsync(commission)).Single(one => (string)one["step"]!["kind"]! == "shapePieces" && (string)one["step"]!["body"]!["kind"]! == "coveredCore");
        var takes = shape["takes"]!.AsArray().Single(take => (string)take!["materialId"]! == "light-ball-20-mm")!;
        Assert.Equal((int)shape["step"]!["pieces"]!, (double)takes["amount"]!);
        var stamens = await GetAsync("/api/materials/seed-head-stamens-wine");
        stamens["sheet"]!["stockPieces"] = 1;
        (await Http.PostOverAsync("/api/materials", new JsonObject { ["sheet"] = stamens["sheet"]!.DeepClone() }, (int)stamens["version"]!)).EnsureSuccessStatusCode();
        Assert.Equal(["form.body.materialId reallyMoreThanInStock"], await ProblemsOf(await Add(Body("bought", "seed-head-stamens-wine"))));
        (await Add(Body("bought", "seed-head-stamens-wine"), "?sure=true")).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task A_coat_after_a_stage_waits_for_it_and_is_drawn_where_a_brush_comes()
    {
        var flower = await FlowerAsync("Ranunculus");
        var id = (string)flower["pieces"]!.AsArray().Single(one => (string)one!["name"]! == "Inner petals")!["id"]!;
        var piece = await GetAsync($"/api/pieces/{id}");
        var stages = piece["stages"]!.AsArray();
        Assert.True(stages.Count > 1);
        var coat = new JsonObject
        {
            ["kind"] = "dust",
            ["id"] = Guid.NewGuid().ToString(),
            ["mix"] = new JsonArray(new JsonObject { ["materialId"] = "wine-lees", ["parts"] = 1 }),
            ["loadMgPerCm2"] = 0.3,
            ["place"] = new JsonObject { ["kind"] = "whole", ["start"] = 0, ["end"] = 1, ["feather"] = 0 },
            ["sides"] = "both",
            ["afterAssembly"] = true,
        };
        async Task<(JsonNode Lay, string Back)> With(JsonNode? stage)
        {
            var now = await GetAsync($"/api/pieces/{id}");
            coat["afterStageId"] = stage?.DeepClone();
            now["plan"]!["coats"]!.AsArray().RemoveAll(one => (string)one!["id"]! == (string)coat["id"]!);
            now["plan"]!["coats"]!.AsArray().Add(coat.DeepClone());
            (await Http.PutOverAsync($"/api/pieces/{id}/plan", now["plan"]!, (int)now["version"]!)).EnsureSuccessStatusCode();
            var sheet = (await GetAsync($"/api/flowers/{flower["id"]}/run-sheet"))["operations"]!.AsArray();
            return (sheet.Single(one => ((string?)one!["step"]!["coatId"]) == (string)coat["id"]!)!, (string)(await GetAsync($"/api/pieces/{id}"))["piece"]!["finished"]!["back"]!);
        }

        var (early, free) = await With(stages[0]!["id"]);
        var (late, hidden) = await With(null);
        Assert.True((bool)early["isOnStanding"]! && (bool)late["isOnStanding"]!);
        // Later whorls stand behind it: its back is as it was without the coat.
        Assert.Equal((string)piece["piece"]!["finished"]!["back"]!, hidden);
        Assert.NotEqual(hidden, free);
        var day = (await GetAsync($"/api/commissions/{(await CommissionAsync("Lantern Pier winter supper"))["id"]}/dust-day"))["passes"]!.AsArray();
        Assert.Contains(day, pass => (bool)pass!["isOnStanding"]! && pass["stages"]!.AsArray().Count > 0);
    }

    [Fact]
    public async Task Sprays_are_wired_as_the_house_would_or_as_their_maker_says()
    {
        var commission = await CommissionAsync("Lantern Pier winter supper");
        var path = $"/api/commissions/{commission["id"]}/spray-plan";
        var house = await GetAsync(path);
        Assert.False((bool)house["isOwn"]!);
        var plan = house["plan"]!.DeepClone();
        plan["items"]![1]!["distanceMm"] = 37;
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync(path, plan, (int)house["version"]! + 1)).StatusCode);
        (await Http.PutOverAsync(path, plan, (int)house["version"]!)).EnsureSuccessStatusCode();
        var spray = (await OperationsAsync(commission)).Single(one => (string)one["step"]!["kind"]! == "makeSpray")["step"]!;
        Assert.Equal(37, (double)spray["lines"]![1]!["distanceMm"]!);
        var own = await GetAsync(path);
        plan["sprays"] = 100;
        plan["items"]![0]!["count"] = 0;
        Assert.Contains("items[0].count countOutOfRange", await ProblemsOf(await Http.PutOverAsync(path, plan, (int)own["version"]!)));
        var reset = new HttpRequestMessage(HttpMethod.Post, $"{path}/as-the-house");
        reset.Headers.Add("If-Match", $"\"{own["version"]}\"");
        Assert.Equal(HttpStatusCode.OK, (await Http.SendAsync(reset)).StatusCode);
        Assert.Equal(house["plan"]!.ToJsonString(), (await GetAsync(path))["plan"]!.ToJsonString());
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync($"/api/commissions/{Guid.NewGuid()}/spray-plan")).StatusCode);
    }

    [Fact]
    public async Task What_really_went_in_is_what_the_cabinet_gives()
    {
        var commission = await CommissionAsync("Lantern Pier winter supper");
        async Task<double> StockOf(string id) => (double)((await GetAsync("/api/materials")).AsArray().Single(one => (string)one!["id"]! == id)!["supply"]!["stockG"])!;
        var pot = (await OperationsAsync(commission)).First(one => (string)one["step"]!["kind"]! == "mixPot" && one["step"]!["pot"]!["liquidId"] is null);
        var take = pot["takes"]![0]!;
        var (material, planned, before) = ((string)take["materialId"]!, (double)take["amount"]!, await StockOf((string)take["materialId"]!));
        Task<HttpResponseMessage> Tick(JsonNode? went) => Http.PutAsJsonAsync("/api/ticks", new JsonObject
        {
            ["isDone"] = true,
            ["operations"] = new JsonArray(new JsonObject { ["id"] = pot["id"]!.DeepClone(), ["fingerprint"] = pot["fingerprint"]!.DeepClone(), ["went"] = went }),
        });
        JsonArray Went(string id, double amount) => new(new JsonObject { ["materialId"] = id, ["amount"] = amount });
        (await Tick(null)).EnsureSuccessStatusCode();
        Assert.Equal(before - planned, await StockOf(material), 1e-9);
        (await Tick(Went(material, 2 * planned))).EnsureSuccessStatusCode();
        Assert.Equal(before - 2 * planned, await StockOf(material), 1e-9);
        var ticked = (await OperationsAsync(commission)).Single(one => (string)one["id"]! == (string)pot["id"]!);
        Assert.Equal(2 * planned, (double)ticked["went"]![0]!["amount"]!);
        Assert.Equal(["operations[0].went[0].amount wentOutOfRange"], await ProblemsOf(await Tick(Went(material, -1))));
        Assert.Equal(["operations[0].went[0].materialId unknownMaterial"], await ProblemsOf(await Tick(Went("bright-white-paste", 1))));
        Assert.Equal(HttpStatusCode.NoContent, (await TickAsync(false, ToTick(pot))).StatusCode);
        Assert.Equal(before, await StockOf(material), 1e-9);
    }

    /// <summary>What is done, and what is left in jars, moves no colour: pictures need not be sent again for it.</summary>
    [Fact]
    public async Task A_tick_leaves_what_is_seen_as_it_was()
    {
        var commission = await CommissionAsync("Lantern Pier winter supper");
        var flower = await FlowerAsync("Ranunculus");
        async Task<(HttpStatusCode Status, string Tag)> Ask(string path, string? known)
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, path);
            if (known is not null)
                request.Headers.TryAddWithoutValidation("If-None-Match", known);
            using var response = await Http.SendAsync(request);
            return (response.StatusCode, response.Headers.ETag!.ToString());
        }

        string[] looks = [$"/api/flowers/{flower["id"]}/bloom", $"/api/flowers/{flower["id"]}/ombre", $"/api/flowers/{flower["id"]}/cohesion"];
        var sheet = $"/api/commissions/{commission["id"]}/run-sheet";
        var tags = new Dictionary<string, string>();
        foreach (var path in looks.Append(sheet))
            tags[path] = (await Ask(path, null)).Tag;
        var pot = (await OperationsAsync(commission)).First(one => (string)one["step"]!["kind"]! == "mixPot");
        (await TickAsync(true, ToTick(pot))).EnsureSuccessStatusCode();
        foreach (var path in looks)
            Assert.Equal(HttpStatusCode.NotModified, (await Ask(path, tags[path])).Status);
        Assert.Equal(HttpStatusCode.OK, (await Ask(sheet, tags[sheet])).Status);
    }
}
