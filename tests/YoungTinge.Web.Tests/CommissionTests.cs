using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>A commission of one's own, from nothing to the bin and back, over the API.</summary>
public sealed class CommissionTests(DemoApplication application) : ApiTest(application)
{
    private static JsonObject Details(string name = "Heron Quay christening") => new()
    {
        ["name"] = name,
        ["dueOn"] = "2027-03-14",
        ["place"] = "Boat house, big windows",
        ["roomHumidityPercent"] = 65,
        ["roomCelsius"] = 18.5,
        ["light"] = "daylight",
        ["marginDays"] = 2,
        ["clientNote"] = "Nothing yellow.",
        ["ownNote"] = "Take the small van.",
        ["diets"] = new JsonArray("nutFree"),
        ["status"] = "asked",
    };

    private async Task<Guid> MadeAsync(string path, JsonNode body) => (Guid)(await PostAsync(path, body))["id"]!;

    [Fact]
    public async Task A_commission_is_made_changed_and_never_overwritten_unseen()
    {
        var id = await MadeAsync("/api/commissions", Details("  Heron Quay christening "));
        var made = await CommissionAsync("Heron Quay christening");
        foreach (var (field, value) in Details().Where(one => one.Key != "diets"))
            Assert.Equal(value!.ToJsonString(), made[field]!.ToJsonString());
        Assert.Equal(("2027-03-12", true), ((string)made["readyOn"]!, (bool)made["isOpen"]!));
        var changed = Details("Heron Quay supper");
        changed["status"] = "putAway";
        Assert.Equal(HttpStatusCode.PreconditionRequired, (await Http.PutAsJsonAsync($"/api/commissions/{id}", changed)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/commissions/{id}", changed, 1)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync($"/api/commissions/{id}", changed, 1)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PutOverAsync($"/api/commissions/{Guid.NewGuid()}", changed, 1)).StatusCode);
        Assert.False((bool)(await CommissionAsync("Heron Quay supper"))["isOpen"]!);
    }

    [Theory]
    [InlineData("name", "\" \"", "nameMissing")]
    [InlineData("dueOn", "\"0203-03-14\"", "dateOutOfRange")]
    [InlineData("roomHumidityPercent", "101", "humidityOutOfRange")]
    [InlineData("roomCelsius", "80", "temperatureOutOfRange")]
    [InlineData("marginDays", "-1", "marginOutOfRange")]
    public async Task What_cannot_be_is_told_at_its_field(string field, string value, string code)
    {
        var details = Details();
        details[field] = JsonNode.Parse(value);
        Assert.Equal([$"{field} {code}"], await ProblemsOf(await Http.PostAsJsonAsync("/api/commissions", details)));
        details["name"] = new string('x', 121);
        details["ownNote"] = new string('x', 2001);
        Assert.Superset(new HashSet<string> { "name nameTooLong", "ownNote tooLong" }, (await ProblemsOf(await Http.PostAsJsonAsync("/api/commissions", details))).ToHashSet());
    }

    [Fact]
    public async Task A_commission_is_copied_with_its_colours_or_to_colour_anew()
    {
        var supper = await CommissionAsync("Lantern Pier winter supper");
        var pieces = (await FlowerAsync("Ranunculus"))["pieces"]!.AsArray();
        foreach (var withColours in new[] { true, false })
        {
            var id = await MadeAsync($"/api/commissions/{supper["id"]}/copy", new JsonObject { ["name"] = $"Again {withColours}", ["dueOn"] = "2027-12-01", ["withColours"] = withColours });
            var copy = (await GetAsync("/api/commissions"))["commissions"]!.AsArray().Single(entry => (Guid)entry!["commission"]!["id"]! == id)!;
            Assert.Equal(("planned", "lamp", "2027-12-01"), ((string)copy["commission"]!["status"]!, (string)copy["commission"]!["light"]!, (string)copy["commission"]!["dueOn"]!));
            Assert.Equal(["Hellebore", "Ranunculus", "Ivy"], copy["flowers"]!.AsArray().Select(flower => (string)flower!["name"]!));
            var copied = copy["flowers"]![1]!["pieces"]!.AsArray();
            Assert.Equal(pieces.Select(piece => piece!["piece"]!.ToJsonString()), copied.Select(piece => piece!["piece"]!.ToJsonString()));
            Assert.Equal(withColours, pieces[0]!["finished"]!.ToJsonString() == copied[0]!["finished"]!.ToJsonString());
            // The run of shades comes along with the colours, for the copy's own whorls.
            var ombre = await GetAsync($"/api/flowers/{copy["flowers"]![1]!["id"]}/ombre");
            Assert.Equal(withColours, (int)ombre["version"]! > 0);
        }

        var flower = await MadeAsync($"/api/flowers/{(await FlowerAsync("Ivy"))["id"]}/copy", new JsonObject
        {
            ["commissionId"] = (await CommissionAsync("Harbour school fete"))["id"]!.DeepClone(),
            ["name"] = "Ivy for the fete",
            ["withColours"] = true,
        });
        Assert.Equal("Harbour school fete", (string)(await GetAsync($"/api/flowers/{flower}"))["commission"]!["name"]!);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PostAsJsonAsync($"/api/commissions/{Guid.NewGuid()}/copy", new JsonObject { ["name"] = "x", ["dueOn"] = "2027-12-01", ["withColours"] = true })).StatusCode);
    }

    [Fact]
    public async Task What_is_taken_out_lies_in_the_bin_and_comes_back()
    {
        var flower = await FlowerAsync("Hellebore");
        var piece = (string)flower["pieces"]![0]!["id"]!;
        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync($"/api/pieces/{piece}")).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync($"/api/flowers/{flower["id"]}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.DeleteAsync($"/api/flowers/{flower["id"]}")).StatusCode);
        foreach (var gone in new[] { $"/api/flowers/{flower["id"]}", $"/api/pieces/{piece}", $"/api/pieces/{piece}/run-sheet", $"/api/flowers/{flower["id"]}/bloom" })
            Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync(gone)).StatusCode);
        Assert.DoesNotContain((await GetAsync("/api/paste-day"))["blocks"]!.AsArray().SelectMany(block => block!["flowerIds"]!.AsArray()), id => (string)id! == (string)flower["id"]!);
        var entry = Assert.Single((await GetAsync("/api/bin")).AsArray())!;
        Assert.Equal(("flower", "Hellebore", "Lantern Pier winter supper", 30), ((string)entry["kind"]!, (string)entry["name"]!, (string)entry["of"]!, (int)entry["daysLeft"]!));
        Assert.Equal(HttpStatusCode.NoContent, (await Http.PostAsync($"/api/bin/{flower["id"]}/give-back", null)).StatusCode);
        // The piece was taken out before its flower: it is still in the bin, and has its own way back.
        Assert.Equal(piece, (string)Assert.Single((await GetAsync("/api/bin")).AsArray())!["id"]!);
        Assert.Equal(HttpStatusCode.NoContent, (await Http.PostAsync($"/api/bin/{piece}/give-back", null)).StatusCode);
        Assert.Equal(flower["pieces"]!.ToJsonString(), (await FlowerAsync("Hellebore"))["pieces"]!.ToJsonString());
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PostAsync($"/api/bin/{piece}/give-back", null)).StatusCode);
    }

    [Fact]
    public async Task Of_no_flowers_and_one_bud_only_the_bud_is_planned()
    {
        var flower = await FlowerAsync("Hellebore");
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync($"/api/flowers/{flower["id"]}/counts", new { flowers = 0, buds = 1 }, 1)).StatusCode);
        var bud = flower["pieces"]!.AsArray().Single(piece => (string)piece!["partOf"]! == "bud")!;
        var others = flower["pieces"]!.AsArray().Where(piece => piece != bud).Select(piece => (string)piece!["id"]!).ToList();
        var blocks = (await GetAsync("/api/paste-day"))["blocks"]!.AsArray().Where(block => block!["flowerIds"]!.AsArray().Any(id => (string)id! == (string)flower["id"]!)).ToList();
        Assert.Equal([(string)bud["id"]!], blocks.SelectMany(block => block!["uses"]!.AsArray()).Select(use => (string)use!["pieceId"]!));
        Assert.DoesNotContain((await GetAsync("/api/materials/needs")).AsArray().SelectMany(need => need!["uses"]!.AsArray()), use => others.Contains((string)use!["pieceId"]!));
        foreach (var id in others)
        {
            // It can still be designed, but there is nothing to do for it.
            Assert.Empty((await GetAsync($"/api/pieces/{id}/run-sheet"))["operations"]!.AsArray());
            Assert.True((double)(await PostAsync($"/api/pieces/{id}/preview", (await GetAsync($"/api/pieces/{id}"))["plan"]!.DeepClone()))["batch"]!["pasteG"]! > 0);
        }
    }

    [Fact]
    public async Task Stock_goes_down_with_a_tick_the_list_gets_shorter_and_both_come_back()
    {
        async Task<(double Stock, double Need)> NettleAsync()
        {
            var stock = (double)(await GetAsync("/api/materials")).AsArray().Single(jar => (string)jar!["id"]! == "nettle")!["supply"]!["stockG"]!;
            var line = (await GetAsync("/api/paste-day"))["shopping"]!.AsArray().SingleOrDefault(one => (string?)one!["materialId"] == "nettle");
            return (stock, (double?)line?["need"] ?? 0);
        }

        var before = await NettleAsync();
        var piece = (await FlowerAsync("Hellebore"))["pieces"]!.AsArray().First(one => (string)one!["name"]! == "Bud")!;
        var mix = (await GetAsync($"/api/pieces/{piece["id"]}/run-sheet"))["operations"]!.AsArray().First(one => (string)one!["step"]!["kind"]! == "mixPot" && one.ToJsonString().Contains("\"nettle\""))!;
        var grams = (double)mix["step"]!["pot"]!["parts"]!.AsArray().Single(part => (string)part!["materialId"]! == "nettle")!["amount"]!["grams"]!;
        Assert.Equal(HttpStatusCode.NoContent, (await TickAsync(true, ToTick(mix))).StatusCode);
        var ticked = await NettleAsync();
        Assert.Equal(before.Stock - grams, ticked.Stock, 1e-9);
        Assert.Equal(before.Need - grams, ticked.Need, 1e-9);
        Assert.Equal(HttpStatusCode.NoContent, (await TickAsync(false, ToTick(mix))).StatusCode);
        var back = await NettleAsync();
        Assert.Equal(before.Stock, back.Stock, 1e-9);
        Assert.Equal(before.Need, back.Need, 1e-9);
    }

    [Fact]
    public async Task A_paste_that_is_made_is_not_bought_again_and_its_colours_are_gone_from_their_jars()
    {
        var day = await GetAsync("/api/paste-day");
        var block = day["blocks"]!.AsArray().First(one => (string)one!["kind"]! == "paste" && one!["parts"]![0]!["batch"]!["colours"]!.AsArray().Count > 0)!;
        var part = block["parts"]![0]!;
        var (baseId, colour) = ((string)part["recipe"]!["baseId"]!, (string)part["recipe"]!["doses"]![0]!["colourantId"]!);
        async Task<double> StockAsync(string id) => (double)(await GetAsync("/api/materials")).AsArray().Single(jar => (string)jar!["id"]! == id)!["supply"]!["stockG"]!;
        double NeedOf(JsonNode of, string id) => (double?)of["shopping"]!.AsArray().SingleOrDefault(one => (string?)one!["materialId"] == id)?["need"] ?? 0;
        var (paste, gel) = (await StockAsync(baseId), await StockAsync(colour));
        Assert.Equal(HttpStatusCode.NoContent, (await TickAsync(true, ToTick(block))).StatusCode);
        var after = await GetAsync("/api/paste-day");
        Assert.InRange(paste - await StockAsync(baseId), (double)part["weighG"]! - 1e-9, (double)part["weighG"]! + 150);
        Assert.True(await StockAsync(colour) < gel);
        Assert.Equal(gel - await StockAsync(colour), NeedOf(day, colour) - NeedOf(after, colour), 1e-9);
        Assert.Equal(paste - await StockAsync(baseId), NeedOf(day, baseId) - NeedOf(after, baseId), 1e-9);
        Assert.Equal(HttpStatusCode.NoContent, (await TickAsync(false, ToTick(block))).StatusCode);
        Assert.Equal((paste, gel), (Math.Round(await StockAsync(baseId), 9), Math.Round(await StockAsync(colour), 9)));
    }

    [Fact]
    public async Task The_starter_jars_go_together_where_nothing_uses_them_and_come_together()
    {
        var jars = (await GetAsync("/api/materials")).AsArray().Count;
        var answer = (await (await Http.DeleteAsync("/api/materials/starter")).Content.ReadFromJsonAsync<JsonNode>())!;
        Assert.True((int)answer["changed"]! > 0 && (int)answer["inUse"]! > 0);
        Assert.Equal(jars - (int)answer["changed"]!, (await GetAsync("/api/materials")).AsArray().Count);
        Assert.Equal((int)answer["changed"]!, (int)(await PostAsync("/api/materials/starter", new JsonObject()))["changed"]!);
        Assert.Equal(0, (int)(await PostAsync("/api/materials/starter", new JsonObject()))["changed"]!);
        Assert.Equal(jars, (await GetAsync("/api/materials")).AsArray().Count);
    }
}
