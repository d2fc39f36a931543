using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Targets;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>Pictures, targets, the cabinet and files as a client sees them.</summary>
public sealed class CabinetAndTargetTests(DemoApplication application) : ApiTest(application)
{
    private string flowerId = "";

    public override async Task InitializeAsync()
    {
        await base.InitializeAsync();
        flowerId = (string)(await GetAsync("/api/commissions"))["commissions"]![0]!["flowers"]![0]!["id"]!;
    }

    private static async Task<JsonNode> OkAsync(Task<HttpResponseMessage> sent)
    {
        using var response = await sent;
        Assert.True(response.StatusCode == HttpStatusCode.OK, await response.Content.ReadAsStringAsync());
        return (await response.Content.ReadFromJsonAsync<JsonNode>())!;
    }

    private static async Task<string> TroubleAsync(Task<HttpResponseMessage> sent)
    {
        using var response = await sent;
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
        var trouble = (await response.Content.ReadFromJsonAsync<JsonNode>())!;
        var problems = trouble["problems"]!.AsArray().Select(problem => $" {problem!["path"]} {problem["code"]}");
        return $"{(int)response.StatusCode} {trouble["code"]}{string.Concat(problems)}";
    }

    private Task<JsonNode> PostAsync(string path, object body) => OkAsync(Http.PostAsJsonAsync(path, body));

    private Task<HttpResponseMessage> UploadAsync(string path, byte[] file) => Http.PostAsync(path, new ByteArrayContent(file));

    private static Lab LabOf(JsonNode view) => new((double)view["lab"]!["l"]!, (double)view["lab"]!["a"]!, (double)view["lab"]!["b"]!);

    private async Task<(string Id, JsonNode Shot)> KeptFlowerAsync(string startingPointId, int seed)
    {
        var shot = await PostAsync("/api/bench/light-box/flowers", new { startingPointId, seed });
        var id = Guid.NewGuid().ToString();
        await OkAsync(UploadAsync($"/api/flowers/{flowerId}/pictures/{id}?name=shot.jpg", Convert.FromBase64String((string)shot["jpeg"]!)));
        return (id, shot);
    }

    [Theory]
    [InlineData("hellebore-sepal-green-white", 3)]
    [InlineData("rose-petal-deep-red", 4)]
    [InlineData("cornflower-floret-blue", 5)]
    [InlineData("maple-leaf-autumn-scarlet", 6)]
    public async Task A_photographed_flower_is_divided_into_its_zones(string plant, int seed)
    {
        var (id, shot) = await KeptFlowerAsync(plant, seed);
        var natural = StartingPoints.All.Single(one => one.Id == plant);
        var light = new { mark = shot["card"], kind = "whiteCard" };
        var division = await PostAsync($"/api/pictures/{id}/divide", new { light, seenAs = natural.IsLeaf ? "piece" : "bloom", meant = (object?)null });
        var zones = division["zones"]!.AsArray();
        Assert.True(zones.Count >= 4);
        // As it grew: the same seed grows the same flower.
        var living = new Devices.LitFlower(natural.Targets.ToDictionary(one => one.Key, one => one.Value.Colour), "round-petal", 6).Grown(seed);
        Assert.All(zones, zone =>
        {
            var name = Enum.Parse<Zone>((string)zone!["zone"]!, ignoreCase: true);
            var colour = LabOf(zone["patch"]!["colour"]!);
            Assert.True(DeltaE2000.Between(living.Zones[name], colour) < 3, $"{name} {DeltaE2000.Between(living.Zones[name], colour):0.0}");
        });
        // Reading where it was proposed says the same.
        var again = await PostAsync($"/api/pictures/{id}/read", new { light, boxes = zones.Select(zone => zone!["box"]) });
        Assert.Equal(zones.Select(zone => LabOf(zone!["patch"]!["colour"]!)), again["patches"]!.AsArray().Select(patch => LabOf(patch!["colour"]!)));
        Assert.Empty(again["doubts"]!.AsArray());
    }

    [Fact]
    public async Task What_is_no_picture_is_refused_and_nothing_is_kept()
    {
        string Path() => $"/api/flowers/{flowerId}/pictures/{Guid.NewGuid()}";
        Assert.Equal("422 notPossible picture pictureNotAPicture", await TroubleAsync(UploadAsync(Path(), "words"u8.ToArray())));
        Assert.Equal("422 notPossible picture pictureNotAPicture", await TroubleAsync(UploadAsync(Path(), [])));
        var jpeg = Convert.FromBase64String((string)(await PostAsync("/api/bench/light-box/flowers", new { startingPointId = "ivy-leaf-dark", seed = 1 }))["jpeg"]!);
        Assert.Equal("422 notPossible picture pictureDamaged", await TroubleAsync(UploadAsync(Path(), jpeg[..(jpeg.Length / 3)])));
        Assert.Equal("404 notFound", await TroubleAsync(UploadAsync($"/api/flowers/{Guid.NewGuid()}/pictures/{Guid.NewGuid()}", jpeg)));
        Assert.Empty((await GetAsync($"/api/flowers/{flowerId}/pictures")).AsArray());
    }

    [Fact]
    public async Task Marks_stay_with_the_picture_and_are_not_overwritten_unseen()
    {
        var (id, _) = await KeptFlowerAsync("tulip-petal-crimson", 2);
        var box = new { left = 0.4, top = 0.5, width = 0.05, height = 0.05 };
        object Marks(double left) => new { marks = new { light = new { mark = (object?)null, kind = "somethingGrey" }, seenAs = "bloom", samples = new[] { new { pieceId = (string?)null, zone = "rim", box = box with { left = left } } } } };
        Assert.Equal(2, (int)(await OkAsync(Http.PutOverAsync($"/api/pictures/{id}/marks", Marks(0.4), 1)))["version"]!);
        Assert.Equal("412 changedElsewhere", await TroubleAsync(Http.PutOverAsync($"/api/pictures/{id}/marks", Marks(0.3), 1)));
        Assert.Equal("422 notPossible marks outsidePicture", await TroubleAsync(Http.PutOverAsync($"/api/pictures/{id}/marks", Marks(0.99), 1)));
        var kept = Assert.Single((await GetAsync($"/api/flowers/{flowerId}/pictures")).AsArray())!;
        Assert.Equal(0.4, (double)kept["marks"]!["samples"]![0]!["box"]!["left"]!);
        Assert.Equal("image/jpeg", (await Http.GetAsync($"/api/pictures/{id}/image")).Content.Headers.ContentType!.MediaType);
        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync($"/api/pictures/{id}")).StatusCode);
        Assert.Equal("404 notFound", await TroubleAsync(Http.GetAsync($"/api/pictures/{id}/image")));
        var read = new { light = new { mark = (object?)null, kind = "somethingGrey" }, boxes = Array.Empty<object>() };
        Assert.Equal("404 notFound", await TroubleAsync(Http.PostAsJsonAsync($"/api/pictures/{id}/read", read)));
    }

    [Fact]
    public async Task A_material_is_added_changed_retired_and_removed()
    {
        var sheet = new JsonObject { ["name"] = "Pond weed", ["kind"] = "colourant", ["form"] = "gel", ["foodStatus"] = "edible", ["labelColour"] = new JsonObject { ["l"] = 60, ["a"] = -30, ["b"] = 30 } };
        var added = await OkAsync(Http.PostOverAsync("/api/materials", new { sheet }, 0));
        Assert.Equal(("pond-weed", 1), ((string)added["id"]!, (int)added["version"]!));
        Assert.Equal("422 notPossible sheet.name nameTaken", await TroubleAsync(Http.PostOverAsync("/api/materials", new { sheet }, 0)));

        var kept = await GetAsync("/api/materials/pond-weed");
        Assert.Equal("label", (string)kept["sheet"]!["origin"]!);
        var retired = kept["sheet"]!.DeepClone();
        retired["isRetired"] = true;
        Assert.Equal(2, (int)(await OkAsync(Http.PostOverAsync("/api/materials", new { sheet = retired }, 1)))["version"]!);
        Assert.Equal("412 changedElsewhere", await TroubleAsync(Http.PostOverAsync("/api/materials", new { sheet = retired }, 1)));
        retired["stockG"] = -3;
        retired["lot"] = new string('x', 99);
        Assert.Equal("422 notPossible sheet.lot tooLong sheet.stockG outOfRange", await TroubleAsync(Http.PostOverAsync("/api/materials", new { sheet = retired }, 2)));

        // Plans that name it count on what it is.
        var other = kept["sheet"]!.DeepClone();
        other["kind"] = "dust";
        Assert.Equal("422 notPossible sheet.kind kindFixed", await TroubleAsync(Http.PostOverAsync("/api/materials", new { sheet = other }, 2)));
        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync("/api/materials/pond-weed")).StatusCode);
        Assert.Equal("409 inUse", await TroubleAsync(Http.DeleteAsync("/api/materials/wine-lees")));
        Assert.Equal("404 notFound", await TroubleAsync(Http.GetAsync("/api/materials/pond-weed")));
    }

    [Fact]
    public async Task A_retired_colour_is_not_offered_by_the_finder()
    {
        var kept = await GetAsync("/api/materials/rowan");
        kept["sheet"]!["isRetired"] = true;
        await OkAsync(Http.PostOverAsync("/api/materials", new { sheet = kept["sheet"] }, (int)kept["version"]!));
        var found = await PostAsync("/api/recipes/find", new { baseIds = new[] { "bright-white-paste" }, target = new { l = 55, a = 45, b = 25 }, pasteG = 100, mostColourants = 3 });
        Assert.DoesNotContain("\"rowan\"", found.ToJsonString());
    }

    [Fact]
    public async Task The_paste_of_a_piece_comes_out_as_its_jars_really_are_by_reader_and_by_picture()
    {
        var piece = (await GetAsync("/api/mixing-table"))["pieces"]!.AsArray().First(one => one!["recipe"]!["doses"]!.AsArray().Count > 1)!;
        JsonObject Body(int take) => new() { ["pieceId"] = piece["id"]!.DeepClone(), ["take"] = take };
        static double[] LabOf(JsonNode colour) => [(double)colour["lab"]!["l"]!, (double)colour["lab"]!["a"]!, (double)colour["lab"]!["b"]!];
        static double Apart(double[] one, double[] other) => Math.Sqrt(one.Zip(other, (a, b) => (a - b) * (a - b)).Sum());
        var read = LabOf(await PostAsync("/api/bench/colour-reader/pastes", Body(1)));
        Assert.InRange(Apart(read, LabOf(await PostAsync("/api/bench/colour-reader/pastes", Body(2)))), 1e-6, 1.5);
        Assert.Equal(read, LabOf(await PostAsync("/api/bench/colour-reader/pastes", Body(1))));

        var shot = await PostAsync("/api/bench/light-box/pastes", Body(1));
        var id = Guid.NewGuid();
        await OkAsync(UploadAsync($"/api/dab-pictures/{id}", Convert.FromBase64String((string)shot["jpeg"]!)));
        var reading = await PostAsync($"/api/dab-pictures/{id}/read", new { light = new { mark = shot["card"], kind = "whiteCard" }, boxes = new[] { shot["subject"] } });
        Assert.InRange(Apart(read, LabOf(reading["patches"]![0]!["colour"]!)), 0, 5);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PostAsJsonAsync("/api/bench/colour-reader/pastes", new { pieceId = Guid.NewGuid(), take = 1 })).StatusCode);
    }

    [Theory]
    [InlineData("colour-reader", 1.0)]
    [InlineData("light-box", 2.5)]
    public async Task A_jar_is_learned_from_dabs(string device, double within)
    {
        var dabs = new List<object>();
        foreach (var amount in new[] { 0.03, 0.12, 0.5, 1.5 })
        {
            var body = new { materialId = "frond", amount, baseId = "bright-white-paste", take = 7 };
            if (device == "colour-reader")
            {
                var read = await PostAsync("/api/bench/colour-reader/dabs", body);
                dabs.Add(new { amount, colour = read["colour"]!["lab"], reflectance = read["reflectance"] });
                continue;
            }

            var shot = await PostAsync("/api/bench/light-box/dabs", body);
            var id = Guid.NewGuid();
            await OkAsync(UploadAsync($"/api/dab-pictures/{id}", Convert.FromBase64String((string)shot["jpeg"]!)));
            var reading = await PostAsync($"/api/dab-pictures/{id}/read", new { light = new { mark = shot["card"], kind = "whiteCard" }, boxes = new[] { shot["subject"] } });
            dabs.Add(new { amount, colour = reading["patches"]![0]!["colour"]!["lab"], reflectance = (object?)null });
        }

        var learned = await PostAsync("/api/materials/characterise", new { materialId = "frond", kind = "colourant", baseId = "bright-white-paste", dabs });
        Assert.InRange((double)learned["worstDeltaE"]!, 0, within);
        Assert.Contains((string)learned["quality"]!, new[] { "good", "fair" });
        Assert.Equal(8, learned["ladder"]!.AsArray().Count);

        // Saved with the rest of the jar, it is what the cabinet says from now on.
        var kept = await GetAsync("/api/materials/frond");
        var sheet = kept["sheet"]!;
        (sheet["absorption"], sheet["scattering"], sheet["origin"]) = (learned["absorption"]!.DeepClone(), learned["scattering"]!.DeepClone(), "dabs");
        (sheet["worstDeltaE"], sheet["dabs"]) = (learned["worstDeltaE"]!.DeepClone(), System.Text.Json.JsonSerializer.SerializeToNode(dabs));
        await OkAsync(Http.PostOverAsync("/api/materials", new { sheet }, (int)kept["version"]!));
        var after = await GetAsync("/api/materials/frond");
        Assert.Equal(("dabs", 4), ((string)after["sheet"]!["origin"]!, after["dabs"]!.AsArray().Count));
        Assert.Equal(learned["absorption"]!.ToJsonString(), after["sheet"]!["absorption"]!.ToJsonString());
    }

    [Fact]
    public async Task Dabs_that_cannot_be_are_named()
    {
        var lab = new { l = 50, a = 0, b = 0 };
        object Body(params object[] dabs) => new { materialId = (string?)null, kind = "colourant", baseId = "bright-white-paste", dabs };
        Task<string> Said(object body) => TroubleAsync(Http.PostAsJsonAsync("/api/materials/characterise", body));
        Assert.Equal("422 notPossible dabs dabsOutOfRange", await Said(Body()));
        Assert.Equal("422 notPossible dabs[0].amount amountOutOfRange", await Said(Body(new { amount = 0, colour = lab, reflectance = (object?)null })));
        Assert.Equal("422 notPossible dabs[1].amount sameAmountTwice", await Said(Body(new { amount = 1, colour = lab, reflectance = (object?)null }, new { amount = 1, colour = lab, reflectance = (object?)null })));
        Assert.Equal("422 notPossible dabs[0].reflectance spectrumWrong", await Said(Body(new { amount = 1, colour = lab, reflectance = new[] { 0.5, 0.5 } })));
    }

    [Fact]
    public async Task A_file_is_previewed_then_taken_in_whole_or_not_at_all()
    {
        var good = Encoding.UTF8.GetBytes("name;kind;stock_g\nRowan;colourant;7,5\nPetal glue;adhesive;30\n");
        var preview = await OkAsync(UploadAsync("/api/files/cabinet/preview", good));
        Assert.Equal((1, 1, 0), ((int)preview["new"]!, (int)preview["changed"]!, (int)preview["bad"]!));
        Assert.Equal("404 notFound", await TroubleAsync(Http.GetAsync("/api/materials/petal-glue")));
        var state = (string)preview["state"]!;

        var bad = Encoding.UTF8.GetBytes("name;kind;stock_g\nRowan;colourant;9\nPetal glue;adhesive;a lot\n");
        var seen = await OkAsync(UploadAsync("/api/files/cabinet/preview", bad));
        Assert.Equal("3 stock_g notANumber a lot", string.Join(' ', seen["lines"]![1]!["number"], seen["lines"]![1]!["problems"]![0]!["column"], seen["lines"]![1]!["problems"]![0]!["code"], seen["lines"]![1]!["problems"]![0]!["said"]));
        Assert.Equal("422 notPossible file linesBad", await TroubleAsync(UploadAsync($"/api/files/cabinet?state={state}", bad)));
        Assert.Equal("412 changedElsewhere", await TroubleAsync(UploadAsync("/api/files/cabinet?state=old", good)));
        Assert.NotEqual(9, (double)(await GetAsync("/api/materials/rowan"))["sheet"]!["stockG"]!);

        Assert.Equal(1, (int)(await OkAsync(UploadAsync($"/api/files/cabinet?state={state}", good)))["changed"]!);
        Assert.Equal(7.5, (double)(await GetAsync("/api/materials/rowan"))["sheet"]!["stockG"]!);
        Assert.Equal(30, (double)(await GetAsync("/api/materials/petal-glue"))["sheet"]!["stockG"]!);
        Assert.Equal("412 changedElsewhere", await TroubleAsync(UploadAsync($"/api/files/cabinet?state={state}", good)));
    }

    [Fact]
    public async Task The_logbook_goes_out_and_comes_in_once()
    {
        var csv = await Http.GetByteArrayAsync("/api/files/logbook.csv");
        var preview = await OkAsync(UploadAsync("/api/files/logbook/preview", csv));
        Assert.Equal((0, 0), ((int)preview["new"]!, (int)preview["bad"]!));
        Assert.True((int)preview["same"]! > 5);
        var added = Encoding.UTF8.GetBytes("logged_at,flower,piece,of,predicted_l,predicted_a,predicted_b,actual_l,actual_a,actual_b,note\n2026-05-04,Hellebore,Sepals,paste,90,-4,12,89,-4,13,By hand\n");
        Assert.Equal(1, (int)(await OkAsync(UploadAsync("/api/files/logbook", added)))["new"]!);
        Assert.Equal(0, (int)(await OkAsync(UploadAsync("/api/files/logbook", added)))["new"]!);
        Assert.Contains("By hand", (await GetAsync("/api/log-entries")).ToJsonString());
    }

    [Fact]
    public async Task An_archive_goes_out_and_in_and_a_broken_one_changes_nothing()
    {
        await KeptFlowerAsync("iris-fall-blue-violet", 9);
        var archive = await Http.GetByteArrayAsync("/api/files/studio.zip");
        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync("/api/materials/edible-glue")).StatusCode);
        Assert.Equal("422 notPossible file archiveNotAnArchive", await TroubleAsync(UploadAsync("/api/files/studio", "{}"u8.ToArray())));
        // A picture is not taken for an archive: it is told before anyone is asked to replace her studio by it.
        byte[] picture = [0xFF, 0xD8, 0xFF, 0xE0, 0, 16, .. "JFIF"u8, 0];
        Assert.Equal("422 notPossible file archiveNotAnArchive", await TroubleAsync(UploadAsync("/api/files/studio/preview", picture)));
        Assert.Equal("Saltmarsh Lane Sugar Room", (string)(await OkAsync(UploadAsync("/api/files/studio/preview", archive[..1000])))["studioName"]!);
        await OkAsync(UploadAsync("/api/files/studio", archive));
        Assert.Equal(archive, await Http.GetByteArrayAsync("/api/files/studio.zip"));
        var replaced = (await GetAsync("/api/files/studio/replaced")).AsArray();
        await OkAsync(Http.PostAsync($"/api/files/studio/replaced/{replaced[0]!["id"]}", null));
        Assert.Equal("404 notFound", await TroubleAsync(Http.PostAsync($"/api/files/studio/replaced/{replaced[0]!["id"]}", null)));
        Assert.Equal("404 notFound", await TroubleAsync(Http.GetAsync("/api/materials/edible-glue")));
    }

    [Fact]
    public async Task The_picker_shows_the_colour_its_field_and_its_neighbours()
    {
        var picker = await PostAsync("/api/colours/picker", new { colour = new { l = 60, a = 20, b = 10 } });
        Assert.Equal("paste", (string)picker["by"]!);
        var here = picker["plane"]![(int)picker["row"]!]![(int)picker["column"]!]!;
        Assert.InRange(DeltaE2000.Between(new Lab(60, 20, 10), LabOf(here["colour"]!)), 0, 4);
        Assert.True(picker["neighbours"]!.AsArray().Count >= 14);
        Assert.Contains(picker["plane"]!.AsArray().SelectMany(row => row!.AsArray()), cell => (string)cell!["by"]! == "nothing");
        Assert.Equal("422 notPossible colour notAColour", await TroubleAsync(Http.PostAsJsonAsync("/api/colours/picker", new { colour = new { l = 400, a = 0, b = 0 } })));
        var target = new { colour = new { l = 60, a = 20, b = 10 }, spread = 3, finish = "matt" };
        Assert.Equal(9, (await PostAsync("/api/targets/whorl", new { target, pieces = 9, seed = 1 })).AsArray().Count);
        Assert.Equal("422 notPossible pieces countOutOfRange", await TroubleAsync(Http.PostAsJsonAsync("/api/targets/whorl", new { target, pieces = 0, seed = 1 })));
    }

    [Fact]
    public async Task Needs_and_palettes_follow_the_plans()
    {
        var needs = (await GetAsync($"/api/materials/needs?flowerId={flowerId}")).AsArray();
        var white = needs.Single(need => (string)need!["materialId"]! == "bright-white-paste")!;
        var flower = await GetAsync($"/api/flowers/{flowerId}");
        // A let-down leaves some white over.
        Assert.InRange((double)white["amount"]! - flower["pieces"]!.AsArray().Sum(piece => (double)piece!["batchG"]!), -0.01, 40);
        Assert.Equal(5, white["uses"]!.AsArray().Count);

        foreach (var format in new[] { "gpl", "svg" })
        {
            var palette = await OkAsync(UploadAsync("/api/palettes/read", await Http.GetByteArrayAsync($"/api/flowers/{flowerId}/palette.{format}")));
            Assert.Equal(("Hellebore", 25), ((string)palette["name"]!, palette["colours"]!.AsArray().Count));
        }

        Assert.Equal("422 notPossible file notAPalette", await TroubleAsync(UploadAsync("/api/palettes/read", "words"u8.ToArray())));
        var spectra = (await OkAsync(UploadAsync("/api/files/spectra/read", await Http.GetByteArrayAsync("/api/files/spectra.txt")))).AsArray();
        Assert.True(spectra.Count > 50);
    }

    [Fact]
    public async Task Belonging_together_is_checked_for_a_flower_and_for_all_and_its_accent_ties()
    {
        var commissions = (await GetAsync("/api/commissions"))["commissions"]!.AsArray();
        var wedding = commissions.Single(one => (string)one!["commission"]!["name"]! == "Tidewrack moon wedding")!;
        var clematis = (string)wedding["flowers"]![0]!["id"]!;
        foreach (var path in new[] { $"/api/flowers/{clematis}/cohesion", $"/api/commissions/{wedding["commission"]!["id"]}/cohesion" })
        {
            var pair = Assert.Single((await GetAsync(path)).AsArray())!;
            Assert.False((bool)pair["isTied"]!);
            Assert.NotEmpty(pair["accents"]!.AsArray());
        }

        // Its own proposal, taken over, ties them.
        var accent = (await GetAsync($"/api/flowers/{clematis}/cohesion"))[0]!["accents"]![0]!;
        var pieceId = (string)accent["spot"]!["pieceId"]!;
        var piece = await GetAsync($"/api/pieces/{pieceId}");
        piece["plan"]!["targets"]![(string)accent["spot"]!["zone"]!]!["colour"] = accent["then"]!["lab"]!.DeepClone();
        (await Http.PutOverAsync($"/api/pieces/{pieceId}/plan", piece["plan"]!, (int)piece["version"]!)).EnsureSuccessStatusCode();
        Assert.True((bool)(await GetAsync($"/api/flowers/{clematis}/cohesion"))[0]!["isTied"]!);

        Assert.Equal("404 notFound", await TroubleAsync(Http.GetAsync($"/api/flowers/{Guid.NewGuid()}/cohesion")));
        Assert.Equal("404 notFound", await TroubleAsync(Http.GetAsync($"/api/commissions/{Guid.NewGuid()}/cohesion")));
    }

    [Fact]
    public async Task The_library_is_there_with_its_zones_and_finishes()
    {
        var all = (await GetAsync("/api/starting-points")).AsArray();
        Assert.Equal(StartingPoints.All.Count, all.Count);
        Assert.All(all, one => Assert.Equal(5, one!["targets"]!.AsArray().Count));
        var frost = all.Single(one => (string)one!["id"]! == "hoar-frost")!;
        Assert.Equal("frosted", (string)frost["targets"]!.AsArray().Single(target => (string)target!["zone"]! == "rim")!["finish"]!);
        Assert.Equal("404 notFound", await TroubleAsync(Http.PostAsJsonAsync("/api/bench/light-box/flowers", new { startingPointId = "hoar-frost", seed = 1 })));
    }

    [Theory]
    [InlineData(0.2, 10, 0.02)]
    [InlineData(0.05, 20, 0.0025)]
    public async Task Ten_touches_weighed_together_give_one(double totalG, int count, double meanG) =>
        Assert.Equal(meanG, (double)(await PostAsync("/api/materials/weigh", new { totalG, count }))["meanG"]!, 12);

    [Theory]
    [InlineData("{\"totalG\": 0, \"count\": 10}", "totalG massOutOfRange")]
    [InlineData("{\"totalG\": 1, \"count\": 2.5}", "count weighedOutOfRange")]
    [InlineData("{\"totalG\": 1, \"count\": 0}", "count weighedOutOfRange")]
    public async Task What_cannot_be_weighed_is_named(string body, string problem) => Assert.Equal(
        $"422 notPossible {problem}", await TroubleAsync(Http.PostAsync("/api/materials/weigh", new StringContent(body, Encoding.UTF8, "application/json"))));

    [Fact]
    public async Task Twins_are_suggested_and_nothing_is_taken_away()
    {
        var kept = await GetAsync("/api/materials/rowan");
        var twin = kept["sheet"]!.DeepClone();
        (twin["id"], twin["name"]) = (null, "Rowan, second pot");
        await OkAsync(Http.PostOverAsync("/api/materials", new { sheet = twin }, 0));
        var pair = Assert.Single((await GetAsync("/api/materials/duplicates")).AsArray())!;
        Assert.Equal(("rowan", "rowan-second-pot", "sameColour"), ((string)pair["oneId"]!, (string)pair["otherId"]!, (string)pair["reason"]!));
        Assert.Equal(80, (await GetAsync("/api/materials")).AsArray().Count);
    }

    [Fact]
    public async Task A_dab_picture_is_only_at_hand_and_says_so_when_it_is_gone()
    {
        var gone = Guid.NewGuid();
        var body = new { light = new { mark = (object?)null, kind = "somethingGrey" }, boxes = Array.Empty<object>() };
        Assert.Equal("404 pictureGone", await TroubleAsync(Http.PostAsJsonAsync($"/api/dab-pictures/{gone}/read", body)));
        Assert.Equal("404 pictureGone", await TroubleAsync(Http.GetAsync($"/api/dab-pictures/{gone}/image")));
        Assert.Equal("422 notPossible materialId unknownMaterial", await TroubleAsync(Http.PostAsJsonAsync(
            "/api/bench/light-box/dabs", new { materialId = "white-wire", amount = 1, baseId = "bright-white-paste", take = 1 })));
    }
}
