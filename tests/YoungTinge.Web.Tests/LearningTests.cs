using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>A logbook that learns, as a client sees it: a reading moves its jars, says what it changed, and can be taken back.</summary>
public sealed class LearningTests(DemoApplication application) : ApiTest(application)
{
    private const string Colour = "rootcellar";

    private static JsonObject Recipe(double dose, string colour = Colour) => new() { ["baseId"] = "bright-white-paste", ["doses"] = new JsonArray(new JsonObject { ["colourantId"] = colour, ["gPer100g"] = dose }) };

    private async Task<JsonNode> LookAsync(double dose, string colour = Colour) => await PostAsync("/api/recipes/look", new JsonObject
    {
        ["recipe"] = Recipe(dose, colour),
        ["target"] = new JsonObject { ["l"] = 70, ["a"] = 20, ["b"] = 5 },
        ["pasteG"] = 100,
        ["light"] = "daylight",
    });

    private static JsonNode Rested(JsonNode look) => look["ages"]!.AsArray().Single(age => (string)age!["age"]! == "rested")!["colour"]!["lab"]!;

    private static JsonObject Weighed(double gPer100g, string colour = Colour) => WentIn(gPer100g, null, colour);

    private static JsonObject WentIn(double amount, string? unit, string colour) =>
        new() { ["baseId"] = "bright-white-paste", ["pasteG"] = 100, ["doses"] = new JsonArray(new JsonObject { ["colourantId"] = colour, ["unit"] = unit, ["amount"] = amount }) };

    private Task<Guid> LogAsync(double dose, JsonNode actual, string colour = Colour) => LogAsync(Weighed(dose, colour), actual);

    private async Task<Guid> LogAsync(JsonObject wentIn, JsonNode actual, double? restedHours = null)
    {
        var id = Guid.NewGuid();
        var answer = await Http.PutAsJsonAsync($"/api/log-entries/{id}", new JsonObject
        {
            ["pieceId"] = null,
            ["subject"] = "paste",
            ["actual"] = actual.DeepClone(),
            ["note"] = "",
            ["wentIn"] = wentIn,
            ["by"] = "reader",
            ["restedHours"] = restedHours,
        });
        Assert.Equal(HttpStatusCode.NoContent, answer.StatusCode);
        return id;
    }

    private async Task<JsonNode> EntryAsync(Guid id) => (await GetAsync("/api/log-entries")).AsArray().Single(entry => (string)entry!["id"]! == id.ToString())!;

    private Task<HttpResponseMessage> ChangeAsync(JsonNode entry, string field, JsonNode? value)
    {
        if (field is "isLeftOut" or "isTakenOut")
        {
            var standing = new JsonObject { ["isLeftOut"] = entry["isLeftOut"]!.DeepClone(), ["isTakenOut"] = false };
            standing[field] = value;
            return Http.PutOverAsync($"/api/log-entries/{entry["id"]}/standing", standing, (int)entry["version"]!);
        }

        var change = new JsonObject
        {
            ["actual"] = entry["actual"]!["lab"]!.DeepClone(),
            ["note"] = entry["note"]!.DeepClone(),
            ["by"] = entry["by"]!.DeepClone(),
            ["light"] = entry["light"]!.DeepClone(),
            ["restedHours"] = entry["restedHours"]?.DeepClone(),
            ["wentIn"] = null,
        };
        change[field] = value;
        return Http.PutOverAsync($"/api/log-entries/{entry["id"]}/reading", change, (int)entry["version"]!);
    }

    [Fact]
    public async Task A_reading_moves_its_jar_and_taken_out_the_old_state_is_back()
    {
        const string colour = "inkcap";
        var before = await LookAsync(0.3, colour);
        Assert.Equal(0, (int)(await GetAsync($"/api/materials/{colour}/jar"))["count"]!);
        // What a paste with half as much again comes out as.
        var id = await LogAsync(0.3, Rested(await LookAsync(0.45, colour)), colour);
        var jar = await GetAsync($"/api/materials/{colour}/jar");
        Assert.InRange((double)jar["now"]!["times"]!, 1.2, 1.55);
        Assert.Single(jar["readings"]!.AsArray());
        var after = await LookAsync(0.3, colour);
        Assert.True((double)Rested(after)["l"]! < (double)Rested(before)["l"]! - 1);
        Assert.True((double)after["range"]! < (double)before["range"]! / 2);

        var taught = await GetAsync($"/api/log-entries/{id}/taught");
        Assert.Equal(1.0, (double)taught["jars"]![0]!["timesBefore"]!, 9);
        Assert.Equal((double)jar["now"]!["times"]!, (double)taught["jars"]![0]!["timesAfter"]!, 6);

        var entry = await EntryAsync(id);
        Assert.Equal(colour, (string)entry["mix"]!["doses"]![0]!["colourantId"]!);
        Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(entry, "isTakenOut", true)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await ChangeAsync(entry, "isTakenOut", true)).StatusCode);
        Assert.Equal(before.ToJsonString(), (await LookAsync(0.3, colour)).ToJsonString());
        Assert.DoesNotContain((await GetAsync("/api/log-entries")).AsArray(), one => (string)one!["id"]! == id.ToString());
        // And back again.
        entry["version"] = (int)entry["version"]! + 1;
        Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(entry, "isTakenOut", false)).StatusCode);
        Assert.Equal(after.ToJsonString(), (await LookAsync(0.3, colour)).ToJsonString());
    }

    /// <summary>A zone of a finished piece that came out as if the hand had been heavier: that is what it teaches, until it is taken out.</summary>
    [Fact]
    public async Task A_finished_zone_moves_its_dust_and_the_hand_and_taken_out_the_old_state_is_back()
    {
        var flower = await FlowerAsync("Hellebore");
        var pieceId = (string)flower["pieces"]!.AsArray().Single(piece => (string)piece!["name"]! == "Sepals")!["id"]!;
        var plan = (await GetAsync($"/api/pieces/{pieceId}"))["plan"]!;
        async Task<JsonNode> HeartAsync() => (await PostAsync($"/api/pieces/{pieceId}/preview", plan.DeepClone()))["zones"]!.AsArray().Single(zone => (string)zone!["zone"]! == "heart")!;
        var before = await HeartAsync();
        var handBefore = await GetAsync("/api/hand");
        var jarBefore = await GetAsync("/api/materials/nettle/jar");
        var id = Guid.NewGuid();
        var lab = before["colours"]!.AsArray()[^1]!["lab"]!;
        var actual = new JsonObject { ["l"] = (double)lab["l"]! - 4, ["a"] = (double)lab["a"]!, ["b"] = (double)lab["b"]! };
        Assert.Equal(HttpStatusCode.NoContent, (await Http.PutAsJsonAsync($"/api/log-entries/{id}", new JsonObject { ["pieceId"] = pieceId, ["subject"] = "heart", ["actual"] = actual, ["note"] = "", ["by"] = "reader" })).StatusCode);
        var entry = await EntryAsync(id);
        Assert.True((bool)entry["hasTaught"]!);
        Assert.InRange((double)entry["predictedRange"]!, 0.5, 15);
        Assert.True((double)(await HeartAsync())["colours"]!.AsArray()[^1]!["lab"]!["l"]! < (double)lab["l"]! - 0.5);
        Assert.NotEqual(handBefore.ToJsonString(), (await GetAsync("/api/hand")).ToJsonString());

        var taught = await GetAsync($"/api/log-entries/{id}/taught");
        var jars = taught["jars"]!.AsArray();
        Assert.NotEmpty(jars);
        foreach (var dust in jars)
            Assert.Equal((double)(await GetAsync($"/api/materials/{dust!["materialId"]}/jar"))["now"]!["times"]!, (double)dust["timesAfter"]!, 6);
        Assert.True((double)taught["zone"]!["after"]! < (double)taught["zone"]!["before"]!);
        Assert.NotEmpty(taught["hand"]!.AsArray());
        Assert.Contains(taught["plans"]!.AsArray(), moved => (string)moved!["pieceId"]! == pieceId);

        Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(entry, "isTakenOut", true)).StatusCode);
        Assert.Equal(before.ToJsonString(), (await HeartAsync()).ToJsonString());
        Assert.Equal((handBefore.ToJsonString(), (double)jarBefore["now"]!["times"]!), ((await GetAsync("/api/hand")).ToJsonString(), (double)(await GetAsync("/api/materials/nettle/jar"))["now"]!["times"]!));
    }

    /// <summary>Pastes that were counted in touches, and came out as if each touch held half as much again: sheets count fewer of them then.</summary>
    [Fact]
    public async Task Counted_pastes_teach_how_much_a_touch_holds_and_taken_out_it_is_as_it_was()
    {
        var colours = (await GetAsync("/api/materials")).AsArray().Where(one => one!["units"]!.AsArray().Any(unit => (string)unit!["kind"]! == "touch")).Select(one => (string)one!["id"]!)
            .Where(id => id != Colour).Take(6).ToList();
        async Task<double> TouchAsync() => (double)(await GetAsync("/api/materials")).AsArray().Single(one => (string)one!["id"]! == Colour)!["units"]!.AsArray().Single(unit => (string)unit!["kind"]! == "touch")!["massG"]!;
        var (before, handBefore) = (await TouchAsync(), await GetAsync("/api/hand"));
        var ids = new List<Guid>();
        foreach (var colour in colours)
        {
            var touchG = (double)(await GetAsync($"/api/materials/{colour}"))["sheet"]!["touchG"]!;
            ids.Add(await LogAsync(WentIn(12, "touch", colour), Rested(await LookAsync(1.5 * 12 * touchG, colour))));
        }

        var dose = (await EntryAsync(ids[0]))["mix"]!["doses"]![0]!["counted"]!;
        Assert.Equal(("touch", 12.0, 1.0, false), ((string)dose["unit"]!, (double)dose["count"]!, (double)dose["timesWritten"]!, (bool)dose["isWeighed"]!));
        var unit = Assert.Single((await GetAsync("/api/hand"))["units"]!.AsArray());
        Assert.Equal(("touch", ids.Count), ((string)unit!["kind"]!, (int)unit["readings"]!));
        Assert.InRange((double)unit["times"]!["times"]!, 1.15, 1.6);
        Assert.Equal(before * (double)unit["times"]!["times"]!, await TouchAsync(), 9);
        Assert.Single((await GetAsync($"/api/log-entries/{ids[^1]}/taught"))["units"]!.AsArray());
        // What is written stays what the maker wrote.
        Assert.Equal(before, (double)(await GetAsync($"/api/materials/{Colour}"))["sheet"]!["touchG"]!, 9);

        foreach (var id in ids)
            Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(await EntryAsync(id), "isTakenOut", true)).StatusCode);
        Assert.Equal((before, handBefore.ToJsonString()), (await TouchAsync(), (await GetAsync("/api/hand")).ToJsonString()));
    }

    /// <summary>Jars, touches and resting of the simulated bench are off in a way that nothing but its readings tells.</summary>
    [Fact]
    public async Task What_is_kneaded_on_the_simulated_bench_is_predicted_better_with_every_reading()
    {
        var piece = (Guid)(await GetAsync("/api/mixing-table"))["pieces"]![0]!["id"]!;
        var colours = (await GetAsync("/api/materials")).AsArray().Where(one => (string)one!["kind"]! == "colourant" && one["isRetired"]?.GetValue<bool>() != true).Select(one => (string)one!["id"]!).Take(4).ToList();
        async Task<JsonNode> ReadAsync(JsonObject wentIn, int take, double? restedHours) =>
            (await PostAsync("/api/bench/colour-reader/pastes", new JsonObject { ["pieceId"] = piece, ["take"] = take, ["wentIn"] = wentIn.DeepClone(), ["restedHours"] = restedHours }))["lab"]!;
        static Lab LabOf(JsonNode lab) => new((double)lab["l"]!, (double)lab["a"]!, (double)lab["b"]!);
        async Task<double> OffAsync() => (await Task.WhenAll(colours.Select(async colour =>
            DeltaE2000.Between(LabOf((await PredictAsync(WentIn(7, "touch", colour), 2))["predicted"]!["lab"]!), LabOf(await ReadAsync(WentIn(7, "touch", colour), 99, 2)))))).Average();
        var before = await OffAsync();
        foreach (var (colour, take) in colours.SelectMany(colour => Enumerable.Range(1, 4).Select(take => (colour, take))))
        {
            var (counted, weighed) = (WentIn(3 * take, "touch", colour), Weighed(0.1 * take, colour));
            await LogAsync(counted, await ReadAsync(counted, take, take), take);
            await LogAsync(weighed, await ReadAsync(weighed, take, null));
        }

        var after = await OffAsync();
        // What is really in the jars of a studio is its own: some are near the list from the start.
        Assert.True(after < Math.Max(0.5, before / 2), $"{before:0.00} to {after:0.00}");

        async Task<string> ProblemAsync(JsonObject wentIn, double? restedHours) => (await ProblemsOf(await Http.PostAsJsonAsync("/api/bench/colour-reader/pastes",
            new JsonObject { ["pieceId"] = piece, ["take"] = 1, ["wentIn"] = wentIn, ["restedHours"] = restedHours }))).Single();
        Assert.StartsWith("wentIn.doses[0].colourantId", await ProblemAsync(Weighed(0.2, "moonshine"), null));
        Assert.StartsWith("restedHours", await ProblemAsync(Weighed(0.2), 5000));
    }

    private Task<JsonNode> PredictAsync(JsonObject wentIn, double? restedHours) =>
        PostAsync("/api/log-entries/prediction", new JsonObject { ["pieceId"] = null, ["subject"] = "paste", ["wentIn"] = wentIn, ["restedHours"] = restedHours });

    /// <summary>Pastes that were read an hour after kneading, where colours come out as slowly as if that had been half an hour.</summary>
    [Fact]
    public async Task Pastes_that_still_rest_teach_how_colours_come_out_and_taken_out_it_is_as_it_was()
    {
        var colours = (await GetAsync("/api/materials")).AsArray().Where(one => (string)one!["kind"]! == "colourant").Select(one => (string)one!["id"]!).Where(id => id != Colour).Take(8).ToList();
        async Task<double> RestAsync() => (double)(await LookAsync(0.3, colours[0]))["restHours"]!;
        var (before, handBefore) = (await RestAsync(), await GetAsync("/api/hand"));
        var ids = new List<Guid>();
        foreach (var colour in colours)
        {
            // The jar itself is as listed: one that had rested says so.
            ids.Add(await LogAsync(Weighed(0.3, colour), (await PredictAsync(Weighed(0.3, colour), null))["predicted"]!["lab"]!));
            ids.Add(await LogAsync(Weighed(0.3, colour), (await PredictAsync(Weighed(0.3, colour), 0.5))["predicted"]!["lab"]!, restedHours: 1));
        }

        var entry = await EntryAsync(ids[^1]);
        Assert.Equal((1.0, "daylight"), ((double)entry["restedHours"]!, (string)entry["light"]!));
        Assert.Equal(colours[^1], (string)entry["learned"]!["jars"]![0]!["materialId"]!);
        var rest = (await GetAsync("/api/hand"))["rest"]!;
        Assert.Equal(colours.Count, (int)rest["readings"]!);
        Assert.True((double)rest["times"]!["times"]! > 1.05, $"{rest}");
        Assert.Equal(before * Math.Round(20 * (double)rest["times"]!["times"]!) / 20, await RestAsync(), 6);
        Assert.InRange((double)(await GetAsync($"/api/materials/{colours[0]}/jar"))["now"]!["times"]!, 0.95, 1.05);
        foreach (var id in ids)
            Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(await EntryAsync(id), "isTakenOut", true)).StatusCode);
        Assert.Equal((before, handBefore.ToJsonString()), (await RestAsync(), (await GetAsync("/api/hand")).ToJsonString()));
    }

    /// <summary>The same picture looked at twice is no second reading; two of an eye that agrees with itself are.</summary>
    [Fact]
    public async Task What_is_noted_twice_counts_once()
    {
        const string colour = "ember";
        async Task<double> KnownAsync() => (double)(await GetAsync($"/api/materials/{colour}/jar"))["now"]!["high"]!;
        var actual = Rested(await LookAsync(0.4, colour));
        var (once, taughtOnce) = (await LogAsync(0.3, actual, colour), await KnownAsync());
        var (twice, taughtTwice) = (await LogAsync(0.3, actual, colour), await KnownAsync());
        Assert.Equal(taughtOnce, taughtTwice, 9);
        Assert.Equal((false, true, false), ((bool)(await EntryAsync(once))["isRepeat"]!, (bool)(await EntryAsync(twice))["isRepeat"]!, (bool)(await EntryAsync(twice))["hasTaught"]!));
        // Where the first is left out the other takes its place.
        Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(await EntryAsync(once), "isLeftOut", true)).StatusCode);
        Assert.False((bool)(await EntryAsync(twice))["isRepeat"]!);
        Assert.Equal(taughtOnce, await KnownAsync(), 6);
        foreach (var id in new[] { once, twice })
            Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(await EntryAsync(id), "by", "eye")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(await EntryAsync(once), "isLeftOut", false)).StatusCode);
        Assert.False((bool)(await EntryAsync(twice))["isRepeat"]!);
        foreach (var id in new[] { once, twice })
            Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(await EntryAsync(id), "isTakenOut", true)).StatusCode);
    }

    /// <summary>What is shown before an entry is written, what the entry says, and what a wrong one says once it is mended, are the same.</summary>
    [Fact]
    public async Task What_went_in_is_mended_and_predicted_as_if_it_had_been_noted_right()
    {
        const string colour = "frond";
        var random = new Random(4);
        for (var i = 0; i < 4; i++)
        {
            var (dose, wrong) = (0.05 + random.NextDouble(), 0.05 + random.NextDouble());
            double? hours = i % 2 == 0 ? null : 4 * random.NextDouble();
            var (right, noted) = (await PredictAsync(Weighed(dose, colour), hours), await PredictAsync(Weighed(wrong, colour), null));
            var id = await LogAsync(Weighed(wrong, colour), new JsonObject { ["l"] = 60, ["a"] = 1, ["b"] = 2 });
            var entry = await EntryAsync(id);
            Assert.Equal(noted["predicted"]!.ToJsonString(), entry["predicted"]!.ToJsonString());
            Assert.Equal(wrong, (double)entry["wentIn"]!["doses"]![0]!["amount"]!, 9);
            Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(entry, "wentIn", Weighed(dose, colour))).StatusCode);
            entry = await EntryAsync(id);
            Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(entry, "restedHours", hours)).StatusCode);
            // Taken back it is as it was, whatever has been learned since, and there is nothing more to take back.
            var mended = (await EntryAsync(id)).AsObject();
            await LogAsync(0.3, new JsonObject { ["l"] = 55, ["a"] = 3 * i, ["b"] = 4 });
            async Task<HttpStatusCode> TakeBackAsync(JsonNode of)
            {
                using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/log-entries/{id}/as-before");
                request.Headers.TryAddWithoutValidation("If-Match", $"\"{of["version"]}\"");
                return (await Http.SendAsync(request)).StatusCode;
            }

            Assert.Equal(HttpStatusCode.PreconditionFailed, await TakeBackAsync(entry));
            Assert.Equal(HttpStatusCode.OK, await TakeBackAsync(mended));
            var back = (await EntryAsync(id)).AsObject();
            foreach (var field in new[] { "predicted", "predictedRange", "mix", "restedHours", "learned", "note" })
                Assert.Equal(entry[field]?.ToJsonString(), back[field]?.ToJsonString());
            Assert.Equal(HttpStatusCode.NotFound, await TakeBackAsync(back));
            entry = mended;
            Assert.Equal(dose, (double)entry["mix"]!["doses"]![0]!["gPer100g"]!, 9);
            Assert.Equal(right["predicted"]!.ToJsonString(), entry["predicted"]!.ToJsonString());
            Assert.Equal((double)right["range"]!, (double)entry["predictedRange"]!, 9);
            foreach (var other in (await GetAsync("/api/log-entries")).AsArray().Where(one => (string)one!["subject"]! == "paste" && one["pieceId"] is null))
                Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(other!, "isTakenOut", true)).StatusCode);
        }

        var kept = await EntryAsync(await LogAsync(Weighed(0.2, colour), new JsonObject { ["l"] = 60, ["a"] = 1, ["b"] = 2 }));
        Assert.Equal(["restedHours restedTooLong"], await ProblemsOf(await ChangeAsync(kept, "restedHours", 900)));
        Assert.Equal(["wentIn.doses[0].colourantId unknownMaterial"], await ProblemsOf(await ChangeAsync(kept, "wentIn", Weighed(0.2, "moonshine"))));
        Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(await EntryAsync(Guid.Parse((string)kept["id"]!)), "isTakenOut", true)).StatusCode);
        var zone = (await GetAsync("/api/log-entries")).AsArray().First(one => (string)one!["subject"]! != "paste")!;
        Assert.Equal(["restedHours restedNoPaste"], await ProblemsOf(await ChangeAsync(zone, "restedHours", 2)));
        Assert.Equal(["wentIn wentInNoPaste"], await ProblemsOf(await ChangeAsync(zone, "wentIn", Weighed(0.2))));
    }

    [Fact]
    public async Task A_logged_piece_is_made_again_as_it_was_when_it_is_long_gone()
    {
        var flower = await FlowerAsync("Hellebore");
        var sepals = flower["pieces"]!.AsArray().Single(piece => (string)piece!["name"]! == "Sepals")!;
        var plan = (await GetAsync($"/api/pieces/{sepals["id"]}"))["plan"]!;
        var id = Guid.NewGuid();
        Assert.Equal(HttpStatusCode.NoContent, (await Http.PutAsJsonAsync($"/api/log-entries/{id}", new JsonObject { ["pieceId"] = (string)sepals["id"]!, ["subject"] = "heart", ["actual"] = new JsonObject { ["l"] = 70, ["a"] = 1, ["b"] = 2 }, ["note"] = "" })).StatusCode);
        Assert.True((bool)(await EntryAsync(id))["isPieceKnown"]!);
        var other = (await GetAsync("/api/commissions"))["commissions"]!.AsArray().First(one => !one!["flowers"]!.AsArray().Any(own => (string)own!["name"]! == "Hellebore"))!["commission"]!;
        var made = await PostAsync($"/api/log-entries/{id}/made-again", new JsonObject { ["commissionId"] = other["id"]!.DeepClone() });
        var again = await GetAsync($"/api/pieces/{made["pieceId"]}");
        Assert.Equal(plan["coats"]!.ToJsonString(), again["plan"]!["coats"]!.ToJsonString());
        Assert.Equal(plan["paste"]!.ToJsonString(), again["plan"]!["paste"]!.ToJsonString());
        Assert.Equal((string)sepals["outlineId"]!, (string)(await GetAsync($"/api/flowers/{made["flowerId"]}"))["pieces"]![0]!["outlineId"]!);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.PostAsJsonAsync($"/api/log-entries/{id}/made-again", new JsonObject { ["commissionId"] = Guid.NewGuid() })).StatusCode);
        var ofJar = (await GetAsync($"/api/log-entries?materialId={Colour}")).AsArray()[0]!;
        Assert.Equal(["piece pieceUnknown"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/log-entries/{ofJar["id"]}/made-again", new JsonObject { ["commissionId"] = other["id"]!.DeepClone() })));
    }

    [Fact]
    public async Task Left_out_nothing_is_learned_of_it_and_the_list_in_files_never_moves()
    {
        var listed = await Http.GetStringAsync("/api/files/cabinet.csv");
        var jar = await GetAsync($"/api/materials/{Colour}/jar");
        Assert.InRange((double)jar["now"]!["times"]!, 1.1, 1.25);
        Assert.Single(jar["readings"]!.AsArray(), reading => (bool)reading!["isOutlier"]!);
        foreach (var reading in jar["readings"]!.AsArray())
            Assert.Equal(HttpStatusCode.OK, (await ChangeAsync(await EntryAsync(Guid.Parse((string)reading!["entryId"]!)), "isLeftOut", true)).StatusCode);
        var forgotten = await GetAsync($"/api/materials/{Colour}/jar");
        Assert.Equal((1.0, 0), ((double)forgotten["now"]!["times"]!, (int)forgotten["count"]!));
        Assert.Equal(listed, await Http.GetStringAsync("/api/files/cabinet.csv"));
    }

    [Fact]
    public async Task The_logbook_is_searched_and_says_what_to_log_next()
    {
        var all = (await GetAsync("/api/log-entries")).AsArray();
        var withJar = (await GetAsync($"/api/log-entries?materialId={Colour}")).AsArray();
        Assert.NotEmpty(withJar);
        Assert.Contains((await GetAsync("/api/log-entries?materialId=scabious")).AsArray(), entry => (string)entry!["subject"]! == "rim");
        Assert.All(withJar, entry => Assert.Contains(entry!["mix"]!["doses"]!.AsArray(), dose => (string)dose!["colourantId"]! == Colour));
        Assert.All((await GetAsync("/api/log-entries?offBy=3")).AsArray(), entry => Assert.True((double)entry!["difference"]!["deltaE"]! >= 3));
        var ofFlower = (await GetAsync("/api/log-entries?flower=Hellebore")).AsArray();
        Assert.Equal(all.Count(entry => (string)entry!["flowerName"]! == "Hellebore"), ofFlower.Count);
        Assert.NotEmpty(ofFlower);
        var (days, middle) = (all.Select(DayOf).Order().ToList(), DayOf(all[all.Count / 2]));
        Assert.Equal(days.Count(day => day >= middle), (await GetAsync($"/api/log-entries?since={middle:yyyy-MM-dd}")).AsArray().Count);
        Assert.Equal(days.Count(day => day <= middle), (await GetAsync($"/api/log-entries?until={middle:yyyy-MM-dd}")).AsArray().Count);
        static DateOnly DayOf(JsonNode? entry) => DateOnly.FromDateTime(((DateTimeOffset)entry!["loggedAt"]!).UtcDateTime);
        Assert.All((await GetAsync("/api/log-entries?words=overnight")).AsArray(), entry => Assert.Contains("overnight", (string)entry!["note"]!));
        var near = (await GetAsync($"/api/log-entries?near={withJar[0]!["id"]}")).AsArray();
        Assert.Contains(near, entry => (string)entry!["id"]! == (string)withJar[0]!["id"]!);
        Assert.True(near.Count < all.Count);

        var next = (await GetAsync("/api/log-next")).AsArray();
        Assert.NotEmpty(next);
        Assert.Equal(next.Select(one => (double)one!["falls"]!).OrderDescending(), next.Select(one => (double)one!["falls"]!));
    }

    /// <summary>A logbook of years that was kept elsewhere: what it knows is learned, what is odd in it spoils nothing, and pages stay quick.</summary>
    [Fact]
    public async Task Five_thousand_old_entries_teach_and_nothing_goes_wild()
    {
        var random = new Random(11);
        var listed = StarterCabinet.Load();
        var colours = listed.All.OfType<Colourant>().Select(one => one.Id).Order().Take(12).ToList();
        // Half of the jars are a quarter stronger than their lists. Every fiftieth entry is of something else altogether.
        bool IsStrong(string id) => colours.IndexOf(id) % 2 == 0;
        var cabinet = listed.With(listed.All.Select(material => material is Colourant colour && IsStrong(colour.Id) ? colour with { Optics = colour.Optics.Times(1.25) } : material));
        var lines = Enumerable.Range(0, 4900).Select(i =>
        {
            var doses = colours.OrderBy(_ => random.Next()).Take(1 + random.Next(2)).Select(id => new Dose(id, 0.05 + 0.4 * random.NextDouble())).ToList();
            var seen = i % 50 == 0 ? new Lab(20, 60, 60) : PasteOptics.ColourOf(new PasteRecipe("bright-white-paste", doses), cabinet);
            double Off() => random.NextDouble() - 0.5;
            return FormattableString.Invariant($"{new DateTime(2020, 1, 1).AddHours(9 * i):yyyy-MM-ddTHH:mm:ssZ},paste,80,0,0,{seen.L + Off()},{seen.A + Off()},{seen.B + Off()},reader,bright-white-paste,{string.Join(";", doses.Select(dose => FormattableString.Invariant($"{dose.ColourantId}={dose.GPer100g}")))}");
        });
        var csv = Encoding.UTF8.GetBytes("logged_at,of,predicted_l,predicted_a,predicted_b,actual_l,actual_a,actual_b,read_by,paste,colours\n" + string.Join('\n', lines));
        var answer = await Http.PostAsync("/api/files/logbook", new ByteArrayContent(csv));
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        foreach (var colour in colours.Take(4))
        {
            var jar = await GetAsync($"/api/materials/{colour}/jar");
            Assert.InRange((double)jar["now"]!["times"]!, (IsStrong(colour) ? 1.25 : 1) * 0.96, (IsStrong(colour) ? 1.25 : 1) * 1.04);
            Assert.InRange((double)(await LookAsync(0.3, colour))["range"]!, 0.05, 2.5);
        }

        Assert.Equal(500, (await GetAsync("/api/log-entries")).AsArray().Count);
        // Out again, and in again: all of it is there already.
        foreach (var file in new[] { "logbook.csv", "logbook.json" })
        {
            var again = await Http.PostAsync("/api/files/logbook", new ByteArrayContent(await Http.GetByteArrayAsync($"/api/files/{file}")));
            Assert.Equal(0, (int)(await again.Content.ReadFromJsonAsync<JsonNode>())!["new"]!);
        }
    }

    [Fact]
    public async Task What_cannot_be_is_told()
    {
        JsonObject Entry(Action<JsonObject> spoil)
        {
            var entry = new JsonObject { ["pieceId"] = null, ["subject"] = "paste", ["actual"] = new JsonObject { ["l"] = 70, ["a"] = 1, ["b"] = 2 }, ["note"] = "", ["wentIn"] = Weighed(0.2) };
            spoil(entry);
            return entry;
        }

        async Task<IReadOnlyList<string>> Problems(Action<JsonObject> spoil) => await ProblemsOf(await Http.PutAsJsonAsync($"/api/log-entries/{Guid.NewGuid()}", Entry(spoil)));
        Assert.Equal(["actual notAColour"], await Problems(entry => entry["actual"]!["l"] = 500));
        Assert.Equal(["wentIn wentInMissing"], await Problems(entry => entry["wentIn"] = null));
        Assert.Equal(["wentIn.doses[0].colourantId unknownMaterial"], await Problems(entry => entry["wentIn"]!["doses"]![0]!["colourantId"] = "nobody-has-it"));
        Assert.Equal(["wentIn.doses[0].unit unitUnknown"], await Problems(entry => entry["wentIn"]!["doses"]![0]!["unit"] = "pinch"));
        Assert.Equal(["wentIn.doses[0].amount doseEnormous"], await Problems(entry => entry["wentIn"]!["doses"]![0]!["amount"] = -1));
        Assert.Equal(["wentIn.doses[0].amount doseEnormous"], await Problems(entry => entry["wentIn"]!["doses"]![0]!["amount"] = 51));
        Assert.Equal(["wentIn.pasteG massOutOfRange"], await Problems(entry => entry["wentIn"]!["pasteG"] = 0));
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync($"/api/log-entries/{Guid.NewGuid()}/taught")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync("/api/materials/plain-cornstarch/jar")).StatusCode);
    }
}
