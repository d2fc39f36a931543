using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>Making flowers, planning their coats and seeing them whole, as a client does it.</summary>
public sealed class FlowerTests(DemoApplication application) : ApiTest(application)
{
    private async Task<JsonNode> CommissionAsync(int at) => (await GetAsync("/api/commissions"))["commissions"]![at]!;

    private async Task<JsonNode> PieceAsync(string name) => (await GetAsync("/api/commissions"))["commissions"]!.AsArray()
        .SelectMany(entry => entry!["flowers"]!.AsArray()).SelectMany(flower => flower!["pieces"]!.AsArray()).First(piece => (string)piece!["name"]! == name)!;

    private static JsonObject NewFlower(string name, string? from = null, int flowers = 5) => new()
    {
        ["name"] = name,
        ["flowers"] = flowers,
        ["buds"] = 0,
        ["mustBeEdible"] = false,
        ["fromLibrary"] = from,
    };

    private static JsonObject Petals(string name = "Petals", int perPart = 6) => new()
    {
        ["name"] = name,
        ["outlineId"] = "heart-petal",
        ["lengthMm"] = 38,
        ["widthMm"] = 34,
        ["thicknessMm"] = 0.5,
        ["solid"] = false,
        ["partOf"] = "flower",
        ["perPart"] = perPart,
        ["spareShare"] = 0.2,
        ["form"] = new JsonObject { ["role"] = "petal", ["arrangement"] = "ring", ["openDegrees"] = 75, ["insetMm"] = 2, ["cup"] = 0.2, ["frill"] = 0.1, ["veins"] = null },
    };

    [Fact]
    public async Task The_library_has_outlines_and_flowers_with_colours_to_begin_from()
    {
        var library = await GetAsync("/api/flower-library");
        Assert.True(library["outlines"]!.AsArray().Count >= 24);
        Assert.True(library["flowers"]!.AsArray().Count >= 20);
        Assert.All(library["flowers"]!.AsArray(), flower => Assert.All(flower!["pieces"]!.AsArray(), piece => Assert.StartsWith("#", (string)piece!["zones"]!["heart"]!)));
    }

    [Fact]
    public async Task A_flower_is_made_from_a_blank_piece_by_piece()
    {
        var commission = (string)(await CommissionAsync(0))["commission"]!["id"]!;
        var flower = (string)(await PostAsync($"/api/commissions/{commission}/flowers", NewFlower("Sea pink")))["id"]!;
        Assert.Empty((await GetAsync($"/api/flowers/{flower}"))["pieces"]!.AsArray());
        Assert.Empty((await GetAsync($"/api/flowers/{flower}/bloom"))["bloom"]!.AsArray());

        var petals = (string)(await PostAsync($"/api/flowers/{flower}/pieces", new JsonObject { ["piece"] = Petals(), ["colouring"] = "peony-petal-shell-pink" }))["id"]!;
        var copy = (string)(await PostAsync($"/api/flowers/{flower}/pieces", new JsonObject { ["piece"] = Petals("Inner petals"), ["planOf"] = petals }))["id"]!;
        var piece = await GetAsync($"/api/pieces/{petals}");
        Assert.Equal((await GetAsync($"/api/pieces/{copy}"))["plan"]!.ToJsonString(), piece["plan"]!.ToJsonString());
        Assert.Equal(36, (int)piece["piece"]!["toMake"]!);

        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/pieces/{copy}", Petals("Heart petals", 8), 1)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync($"/api/pieces/{copy}", Petals("Heart petals", 9), 1)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionRequired, (await Http.PutAsJsonAsync($"/api/pieces/{copy}", Petals())).StatusCode);

        var order = $"/api/flowers/{flower}/pieces/order";
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync(order, new { pieceIds = new[] { copy, petals } }, 1)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync(order, new { pieceIds = new[] { petals, copy } }, 1)).StatusCode);
        Assert.Equal(2, (int)(await GetAsync($"/api/flowers/{flower}"))["version"]!);
        Assert.Equal(["Heart petals", "Petals"], (await GetAsync($"/api/flowers/{flower}"))["pieces"]!.AsArray().Select(one => (string)one!["name"]!));
        Assert.Equal(14, (await GetAsync($"/api/flowers/{flower}/bloom"))["bloom"]!.AsArray().Count);

        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync($"/api/pieces/{copy}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.DeleteAsync($"/api/pieces/{copy}")).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync($"/api/flowers/{flower}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync($"/api/flowers/{flower}")).StatusCode);
    }

    [Fact]
    public async Task Every_flower_of_the_library_can_be_put_into_a_commission_and_seen()
    {
        var commission = (string)(await CommissionAsync(1))["commission"]!["id"]!;
        foreach (var name in new[] { "rose", "daffodil", "ivy" })
        {
            var id = (string)(await PostAsync($"/api/commissions/{commission}/flowers", NewFlower(name, name)))["id"]!;
            var bloom = await GetAsync($"/api/flowers/{id}/bloom?light=candle");
            Assert.All(bloom["kinds"]!.AsArray(), kind => Assert.NotEmpty(kind!["looks"]!.AsArray()));
        }

        Assert.Equal(5, (await GetAsync($"/api/commissions/{commission}/spray"))["flowers"]!.AsArray().Count);
    }

    [Fact]
    public async Task What_no_flower_or_piece_can_be_is_said_at_its_field()
    {
        var entry = await CommissionAsync(0);
        var commission = (string)entry["commission"]!["id"]!;
        var flower = (string)entry["flowers"]![0]!["id"]!;
        Assert.Equal(["name nameMissing", "flowers noFlowers"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/commissions/{commission}/flowers", NewFlower(" ", flowers: 0))));
        Assert.Equal(["name nameTooLong"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/commissions/{commission}/flowers", NewFlower(new string('x', 121)))));
        Assert.Equal(["perPart perPartOutOfRange"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/flowers/{flower}/pieces", new JsonObject { ["piece"] = Petals(perPart: 500) })));
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PostAsJsonAsync($"/api/commissions/{Guid.NewGuid()}/flowers", NewFlower("Rose"))).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PostAsJsonAsync($"/api/flowers/{Guid.NewGuid()}/pieces", new JsonObject { ["piece"] = Petals() })).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PostAsJsonAsync($"/api/flowers/{flower}/pieces", new JsonObject { ["piece"] = Petals(), ["planOf"] = Guid.NewGuid() })).StatusCode);
        // Up to forty kinds; the one after is refused and nothing is lost.
        for (var count = 5; count < 40; count++)
            await PostAsync($"/api/flowers/{flower}/pieces", new JsonObject { ["piece"] = Petals($"Petals {count}") });
        Assert.Equal(["piece tooManyPieces"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/flowers/{flower}/pieces", new JsonObject { ["piece"] = Petals() })));
        Assert.Equal(40, (await GetAsync($"/api/flowers/{flower}"))["pieces"]!.AsArray().Count);
    }

    [Fact]
    public async Task Ways_to_a_target_are_proposed_side_by_side_and_one_can_be_kept()
    {
        var id = (string)(await PieceAsync("Young leaves"))["id"]!;
        var piece = await GetAsync($"/api/pieces/{id}");
        var proposals = (await PostAsync($"/api/pieces/{id}/proposals", new JsonObject { ["plan"] = piece["plan"]!.DeepClone(), ["keepPaste"] = false }))["proposals"]!.AsArray();
        // Its tones are too alike to be folded into streaks.
        Assert.Equal(["pasteLed", "dustLed", "washLed"], proposals.Select(one => (string)one!["approach"]!));
        Assert.All(proposals, one => Assert.Equal(5, one!["zones"]!.AsArray().Count));
        Assert.True((double)proposals[0]!["worstDeltaE"]! < 3);
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/pieces/{id}/plan", proposals[0]!["plan"]!, (int)piece["version"]!)).StatusCode);

        var kept = (await PostAsync($"/api/pieces/{id}/proposals", new JsonObject { ["plan"] = piece["plan"]!.DeepClone(), ["keepPaste"] = true }))["proposals"]!.AsArray();
        Assert.Equal(["pasteLed", "washLed"], kept.Select(one => (string)one!["approach"]!));
        Assert.All(kept, one => Assert.Equal((string)piece["plan"]!["paste"]!["baseId"]!, (string)one!["plan"]!["paste"]!["baseId"]!));
        var broken = piece["plan"]!.DeepClone();
        broken["paste"]!["baseId"] = "moon-dust";
        Assert.Equal(["paste.baseId unknownMaterial"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/pieces/{id}/proposals", new JsonObject { ["plan"] = broken, ["keepPaste"] = false })));
    }

    [Fact]
    public async Task Pieces_planned_together_are_kept_all_or_none()
    {
        var entry = await CommissionAsync(0);
        var commission = (string)entry["commission"]!["id"]!;
        var pieces = entry["flowers"]!.AsArray().First(flower => (string)flower!["name"]! == "Ivy")!["pieces"]!.AsArray();
        JsonObject Wanted(params string[] only) => new() { ["pieceIds"] = new JsonArray([.. pieces.Take(2).Select(piece => piece!["id"]!.DeepClone())]), ["approach"] = "pasteLed", ["only"] = new JsonArray([.. only]), ["keepPastes"] = false };
        var answer = await PostAsync($"/api/commissions/{commission}/proposals", Wanted("bright-white-paste"));
        var changes = answer["changes"]!.AsArray();
        Assert.Equal(2, changes.Count);
        // What is in the table is what is in the plans.
        Assert.All(changes, change => Assert.Equal("bright-white-paste", (string)change!["plan"]!["paste"]!["baseId"]!));
        Assert.Equal(
            changes.SelectMany(change => change!["plan"]!["coats"]!.AsArray()).Where(coat => (string)coat!["kind"]! is "dust" or "wash").Select(coat => (string)coat!["id"]!).Order(),
            answer["pots"]!.AsArray().SelectMany(pot => pot!["uses"]!.AsArray()).SelectMany(use => use!["coatIds"]!.AsArray()).Select(id => (string)id!).Order());

        JsonObject Plans(int stray) => new() { ["plans"] = new JsonArray([.. changes.Select((change, i) => (JsonNode)new JsonObject { ["pieceId"] = change!["pieceId"]!.DeepClone(), ["madeFrom"] = (int)change["madeFrom"]! + (i == 1 ? stray : 0), ["plan"] = change["plan"]!.DeepClone() })]) };
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PostAsJsonAsync($"/api/commissions/{commission}/plans", Plans(1))).StatusCode);
        var first = $"/api/pieces/{changes[0]!["pieceId"]}";
        Assert.Equal((int)changes[0]!["madeFrom"]!, (int)(await GetAsync(first))["version"]!);
        var versions = (await PostAsync($"/api/commissions/{commission}/plans", Plans(0)))["versions"]!.AsObject();
        Assert.Equal((int)changes[0]!["madeFrom"]! + 1, (int)versions[(string)changes[0]!["pieceId"]!]!);
        Assert.Equal(changes[0]!["plan"]!["coats"]!.ToJsonString(), (await GetAsync(first))["plan"]!["coats"]!.ToJsonString());

        Assert.Equal(["only unknownMaterial"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/commissions/{commission}/proposals", Wanted("moon-dust"))));
        var other = (string)(await CommissionAsync(1))["commission"]!["id"]!;
        Assert.Equal(["pieceIds unknownPiece"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/commissions/{other}/proposals", Wanted())));
        Assert.Equal(["plans nothingChosen"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/commissions/{commission}/plans", new JsonObject { ["plans"] = new JsonArray() })));
    }

    [Fact]
    public async Task A_coat_goes_onto_other_pieces_in_its_place()
    {
        var entry = await CommissionAsync(0);
        var commission = (string)entry["commission"]!["id"]!;
        var ids = entry["flowers"]!.AsArray().SelectMany(flower => flower!["pieces"]!.AsArray()).Select(piece => (string)piece!["id"]!).ToList();
        var sepals = await GetAsync($"/api/pieces/{(await PieceAsync("Sepals"))["id"]}");
        foreach (var coat in sepals["plan"]!["coats"]!.AsArray())
        {
            var changes = (await PostAsync($"/api/commissions/{commission}/coat-onto", new JsonObject { ["coat"] = coat!.DeepClone(), ["pieceIds"] = new JsonArray([.. ids.Select(id => (JsonNode)id)]) }))["changes"]!.AsArray();
            Assert.All(changes.Zip(ids), one =>
            {
                var coats = one.First!["plan"]!["coats"]!.AsArray();
                Assert.Equal((int)one.First["coatsBefore"]! + 1, coats.Count);
                // Nothing that glaze or steam would spoil comes after them.
                var kinds = coats.Select(of => (string)of!["kind"]! is "glaze" ? 1 : 0).ToList();
                if (coats.All(of => (bool?)of!["afterAssembly"] != true && !((string)of["kind"]! == "dust" && (string?)of["mix"]![0]!["materialId"] is "moonmilk")))
                    Assert.Equal(kinds.Order(), kinds);
            });
        }
    }

    [Fact]
    public async Task A_picture_can_be_looked_at_in_any_light_and_before_any_coat()
    {
        var id = (string)(await PieceAsync("Sepals"))["id"]!;
        var plan = (await GetAsync($"/api/pieces/{id}"))["plan"]!;
        async Task<JsonNode> Preview(string query) => await PostAsync($"/api/pieces/{id}/preview{query}", plan.DeepClone());
        var (day, candle, bare) = (await Preview(""), await Preview("?light=candle"), await Preview("?shown=0"));
        Assert.NotEqual((string)day["face"]!["rgb"]!, (string)candle["face"]!["rgb"]!);
        Assert.NotEqual((string)day["face"]!["rgb"]!, (string)bare["face"]!["rgb"]!);
        Assert.Single(day["face"]!["marks"]!.AsArray());
        Assert.Empty(bare["face"]!["marks"]!.AsArray());
        // Zones are judged under daylight with all coats, however the picture is looked at.
        Assert.Equal(day["zones"]!.ToJsonString(), candle["zones"]!.ToJsonString());
        Assert.Equal(day["zones"]!.ToJsonString(), bare["zones"]!.ToJsonString());
        Assert.Equal(HttpStatusCode.BadRequest, (await Http.PostAsJsonAsync($"/api/pieces/{id}/preview?light=moon", plan)).StatusCode);
    }

    [Fact]
    public async Task A_flower_that_will_be_eaten_and_guests_with_diets_are_heeded()
    {
        var entry = await CommissionAsync(1);
        var (commission, flower) = ((string)entry["commission"]!["id"]!, entry["flowers"]![0]!);
        var id = (string)(await PieceAsync("Petals"))["id"]!;
        var plan = (await GetAsync($"/api/pieces/{id}"))["plan"]!;
        async Task<List<string>> Advice() => [.. (await PostAsync($"/api/pieces/{id}/preview", plan.DeepClone()))["advice"]!.AsArray().Select(one => (string)one!["code"]!)];
        Assert.DoesNotContain("mustBeEdible", await Advice());
        var change = new { name = "Clematis for the plate", flowers = (int)flower["flowers"]!, buds = (int)flower["buds"]!, mustBeEdible = true };
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/flowers/{flower["id"]}", change, 1)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync($"/api/flowers/{flower["id"]}", change, 1)).StatusCode);
        Assert.Contains("mustBeEdible", await Advice());
        var its = (await CommissionAsync(1))["commission"]!.DeepClone();
        its["diets"] = new JsonArray("vegan");
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/commissions/{commission}", its, (int)its["version"]!)).StatusCode);
        Assert.Equal(["vegan"], (await CommissionAsync(1))["commission"]!["diets"]!.AsArray().Select(diet => (string)diet!));
        var proposals = (await PostAsync($"/api/pieces/{id}/proposals", new JsonObject { ["plan"] = plan.DeepClone(), ["keepPaste"] = true }))["proposals"]!.AsArray();
        var painted = plan["coats"]!.AsArray().Where(coat => coat!["marking"] is not null).SelectMany(coat => coat!["mix"]!.AsArray()).Select(portion => (string)portion!["materialId"]!).ToHashSet();
        // What is painted on purpose stays; all that the planner adds may be eaten.
        Assert.All(proposals.SelectMany(one => one!["plan"]!["coats"]!.AsArray()).Where(coat => (string)coat!["kind"]! == "dust").SelectMany(coat => coat!["mix"]!.AsArray()),
            portion => Assert.DoesNotContain((string)portion!["materialId"]!, new[] { "moonmilk", "chalk-down", "scabious", "flaxfield", "bog-myrtle" }));
        Assert.NotEmpty(painted);
    }

    [Fact]
    public async Task What_a_flower_cannot_be_changed_to_is_refused_and_what_is_gone_is_said()
    {
        var entry = await CommissionAsync(2);
        var flower = entry["flowers"]![0]!;
        object Named(string name, int flowers = 3) => new { name, flowers, buds = 0, mustBeEdible = false };
        Assert.Equal(["name nameMissing", "flowers noFlowers"], await ProblemsOf(await Http.PutOverAsync($"/api/flowers/{flower["id"]}", Named("", flowers: 0), 1)));
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PutOverAsync($"/api/flowers/{Guid.NewGuid()}", Named("Rose"), 1)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.DeleteAsync($"/api/flowers/{Guid.NewGuid()}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync($"/api/flowers/{Guid.NewGuid()}/bloom")).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await Http.GetAsync($"/api/flowers/{flower["id"]}/bloom?light=moon")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync($"/api/commissions/{Guid.NewGuid()}/spray")).StatusCode);
        var ids = flower["pieces"]!.AsArray().Select(piece => (string)piece!["id"]!).ToList();
        var order = $"/api/flowers/{flower["id"]}/pieces/order";
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync(order, new { pieceIds = ids[..1] }, 1)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PutOverAsync($"/api/flowers/{Guid.NewGuid()}/pieces/order", new { pieceIds = ids }, 1)).StatusCode);
        Assert.Equal(["pieceIds tooManyPieces"], await ProblemsOf(await Http.PutOverAsync(order, new { pieceIds = new[] { ids[0], ids[0] } }, 1)));
    }

    [Fact]
    public async Task A_piece_that_grows_takes_more_paste_and_its_plan_goes_with_it()
    {
        var seen = await PieceAsync("Button");
        var id = (string)seen["id"]!;
        var before = await GetAsync($"/api/pieces/{id}");
        var larger = seen["piece"]!.DeepClone();
        larger["lengthMm"] = 28;
        larger["widthMm"] = 28;
        larger["thicknessMm"] = 28;
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/pieces/{id}", larger, (int)before["version"]!)).StatusCode);
        var after = await GetAsync($"/api/pieces/{id}");
        Assert.Equal(8, (double)after["piece"]!["pieceG"]! / (double)before["piece"]!["pieceG"]!, 1e-6);
        Assert.Equal(before["plan"]!.ToJsonString(), after["plan"]!.ToJsonString());
        Assert.Equal(["perPart perPartOutOfRange"], await ProblemsOf(await Http.PutOverAsync($"/api/pieces/{id}", Petals(perPart: 0), (int)after["version"]!)));
    }

    [Fact]
    public async Task Work_on_proposals_tells_how_far_it_is()
    {
        var id = (string)(await PieceAsync("Button"))["id"]!;
        var plan = (await GetAsync($"/api/pieces/{id}"))["plan"]!;
        var request = new HttpRequestMessage(HttpMethod.Post, $"/api/pieces/{id}/proposals") { Content = JsonContent.Create(new JsonObject { ["plan"] = plan.DeepClone(), ["keepPaste"] = false }) };
        request.Headers.Add("Accept", "application/x-ndjson");
        var lines = (await (await Http.SendAsync(request)).Content.ReadAsStringAsync()).Split('\n', StringSplitOptions.RemoveEmptyEntries);
        Assert.True(lines.Length > 1);
        Assert.All(lines[..^1], line => Assert.InRange((double)JsonNode.Parse(line)!["progress"]!, 0, 1));
        Assert.InRange(JsonNode.Parse(lines[^1])!["answer"]!["proposals"]!.AsArray().Count, 2, 4);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PostAsJsonAsync($"/api/pieces/{Guid.NewGuid()}/proposals", new JsonObject { ["plan"] = plan.DeepClone(), ["keepPaste"] = false })).StatusCode);
    }

    [Fact]
    public async Task A_run_sheet_says_what_is_painted()
    {
        var id = (string)(await PieceAsync("Sepals"))["id"]!;
        var painted = (await GetAsync($"/api/pieces/{id}/run-sheet"))["operations"]!.AsArray().Select(one => one!["step"]!).Single(step => (string)step["kind"]! == "brushWash");
        Assert.Equal("dots", (string)painted["marking"]!["kind"]!);
    }

    [Fact]
    public async Task A_flower_is_put_together_as_its_maker_says_and_dusted_before_or_after()
    {
        var flower = await FlowerAsync("Hellebore");
        var commission = (string)(await CommissionAsync(0))["commission"]!["id"]!;
        var path = $"/api/flowers/{flower["id"]}/assembly";
        var house = await GetAsync(path);
        Assert.False((bool)house["isOwn"]!);
        async Task<List<JsonNode>> Passes() => [.. (await GetAsync($"/api/commissions/{commission}/dust-day"))["passes"]!.AsArray().Where(pass => pass!["uses"]!.AsArray().Any(use => (string)use!["flowerName"]! == "Hellebore")).Select(pass => pass!)];
        var asPlanned = await Passes();
        var plan = house["plan"]!.DeepClone();
        plan["dusting"] = "afterAssembly";
        plan["stages"]![0]!["name"] = "Heart of it";
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync(path, plan, (int)house["version"]!)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync(path, plan, (int)house["version"]!)).StatusCode);
        var own = await GetAsync(path);
        Assert.True((bool)own["isOwn"]!);
        var after = await Passes();
        var sepals = after.SelectMany(pass => pass["uses"]!.AsArray().Select(use => (Pass: pass, Use: use!))).Where(one => (string)one.Use["pieceName"]! == "Sepals").ToList();
        Assert.All(sepals, one => Assert.True((bool)one.Pass["isOnStanding"]!));
        // Finished flowers have no spares.
        var piece = flower["pieces"]!.AsArray().Single(one => (string)one!["name"]! == "Sepals")!;
        Assert.All(sepals, one => Assert.Equal((int)piece["toMake"]! - (int)piece["spares"]!, (int)one.Use["pieces"]!));
        Assert.Contains((await GetAsync($"/api/flowers/{flower["id"]}/run-sheet"))["operations"]!.AsArray(), one => (string?)one!["step"]!["name"] == "Heart of it");

        var wrong = own["plan"]!.DeepClone();
        wrong["stages"]![0]!["parts"]![0]!["perFlower"] = 400;
        Assert.Equal(["stages[0].parts[0].perFlower moreThanMade"], await ProblemsOf(await Http.PutOverAsync(path, wrong, (int)own["version"]!)));
        wrong = own["plan"]!.DeepClone();
        wrong["stages"]!.AsArray().RemoveAt(wrong["stages"]!.AsArray().Count - 1);
        Assert.Equal(["stages pieceInNoStage"], (await ProblemsOf(await Http.PutOverAsync(path, wrong, (int)own["version"]!))).Distinct());
        var reset = new HttpRequestMessage(HttpMethod.Post, $"{path}/as-the-house");
        reset.Headers.Add("If-Match", $"\"{own["version"]}\"");
        Assert.Equal(HttpStatusCode.OK, (await Http.SendAsync(reset)).StatusCode);
        Assert.Equal(house["plan"]!.ToJsonString(), (await GetAsync(path))["plan"]!.ToJsonString());
        Assert.Equal(asPlanned.Select(pass => pass.ToJsonString()), (await Passes()).Select(pass => pass.ToJsonString()));
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync($"/api/flowers/{Guid.NewGuid()}/assembly")).StatusCode);
    }

    [Fact]
    public async Task What_is_ticked_on_one_sheet_is_ticked_on_all()
    {
        var commission = (string)(await CommissionAsync(0))["commission"]!["id"]!;
        async Task<JsonNode> FirstUse() => (await GetAsync($"/api/commissions/{commission}/dust-day"))["passes"]![0]!["uses"]![0]!;
        var use = await FirstUse();
        Assert.False((bool)use["isDone"]!);
        var progress = (int)(await GetAsync($"/api/flowers/{use["flowerId"]}"))["progress"]![(string)use["pieceId"]!]!["done"]!;
        var operations = use["operations"]!.AsArray().Select(one => ToTick(one!)).ToArray();
        Assert.Equal(HttpStatusCode.NoContent, (await TickAsync(true, operations)).StatusCode);
        Assert.True((bool)(await FirstUse())["isDone"]!);
        foreach (var sheet in new[] { $"pieces/{use["pieceId"]}", $"flowers/{use["flowerId"]}", $"commissions/{commission}" })
        {
            var ticked = (await GetAsync($"/api/{sheet}/run-sheet"))["operations"]!.AsArray().Where(one => one!["tickedAt"] is not null).Select(one => (string)one!["id"]!);
            Assert.Equal(operations.Select(one => one.Id).Order(), ticked.Order());
        }

        // What was done before it counts as done too.
        Assert.True((int)(await GetAsync($"/api/flowers/{use["flowerId"]}"))["progress"]![(string)use["pieceId"]!]!["done"]! > progress + 1);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync($"/api/commissions/{Guid.NewGuid()}/dust-day")).StatusCode);
        Assert.Equal(["operations countOutOfRange"], await ProblemsOf(await TickAsync(true)));
    }
}
