using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>The API as a client sees it, on a real database.</summary>
public sealed class ApiTests(DemoApplication application) : ApiTest(application)
{
    private async Task<(string PieceId, JsonNode Plan, int Version)> SepalsAsync()
    {
        var commissions = await GetAsync("/api/commissions");
        var id = commissions["commissions"]![0]!["flowers"]![0]!["pieces"]!.AsArray().First(p => (string?)p!["name"] == "Sepals")!["id"]!.ToString();
        var piece = await GetAsync($"/api/pieces/{id}");
        return (id, piece["plan"]!, (int)piece["version"]!);
    }

    private Task<HttpResponseMessage> SaveAsync(string pieceId, JsonNode plan, int? version) => version is { } v
        ? Http.PutOverAsync($"/api/pieces/{pieceId}/plan", plan, v)
        : Http.PutAsJsonAsync($"/api/pieces/{pieceId}/plan", plan);

    private static async Task<(HttpStatusCode Status, string Code, List<string> Problems)> TroubleAsync(HttpResponseMessage response)
    {
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
        var trouble = (await response.Content.ReadFromJsonAsync<JsonNode>())!;
        return (response.StatusCode, (string)trouble["code"]!, [.. trouble["problems"]!.AsArray().Select(p => $"{p!["path"]} {p["code"]}")]);
    }

    [Fact]
    public async Task A_flower_lists_its_pieces_with_their_finished_colours()
    {
        var commissions = await GetAsync("/api/commissions");
        var hellebore = commissions["commissions"]![0]!["flowers"]![0]!;
        var flower = await GetAsync($"/api/flowers/{hellebore["id"]}");
        Assert.Equal(["Bud", "Sepals", "Nectaries", "Bracts", "Leaves"], flower["pieces"]!.AsArray().Select(p => (string)p!["name"]!));
        var sepals = flower["pieces"]![1]!;
        Assert.Equal((42, 7), ((int)sepals["toMake"]!, (int)sepals["spares"]!));
        Assert.Equal(5, sepals["finished"]!.AsObject().Count);
        Assert.Equal(9, (int)flower["commission"]!["dueInDays"]!);
    }

    private static JsonNode Advice(JsonNode preview, string code) => preview["advice"]!.AsArray().First(advice => (string)advice!["code"]! == code)!;

    [Fact]
    public async Task Advice_comes_with_its_cure_and_is_kept_on_purpose_with_a_note()
    {
        var (id, plan, version) = await SepalsAsync();
        async Task<JsonNode> PreviewAsync(JsonNode of) => (await (await Http.PostAsJsonAsync($"/api/pieces/{id}/preview", of)).Content.ReadFromJsonAsync<JsonNode>())!;
        // A dust of the plan, once more after the glaze.
        var late = plan["coats"]!.AsArray().First(coat => (string)coat!["kind"]! == "dust")!.DeepClone();
        late["id"] = Guid.NewGuid();
        plan["coats"]!.AsArray().Add(late);
        var advice = Advice(await PreviewAsync(plan), "dustOverGlaze");
        Assert.Equal(late["id"]!.GetValue<Guid>().ToString(), (string)advice["coatId"]!);
        Assert.Null(advice["onPurpose"]);
        var cured = advice["fixed"]!;
        Assert.Equal(plan["coats"]!.AsArray().Count, cured["coats"]!.AsArray().Count);
        Assert.DoesNotContain((await PreviewAsync(cured))["advice"]!.AsArray(), one => (string)one!["code"]! == "dustOverGlaze");

        plan["onPurpose"] = new JsonArray(new JsonObject { ["code"] = "dustOverGlaze", ["coatId"] = late["id"]!.DeepClone(), ["note"] = "A bloom on the shine." });
        Assert.Equal("A bloom on the shine.", (string)Advice(await PreviewAsync(plan), "dustOverGlaze")["onPurpose"]!);
        Assert.Equal(HttpStatusCode.OK, (await SaveAsync(id, plan, version)).StatusCode);
        var kept = (await GetAsync($"/api/pieces/{id}"))["plan"]!;
        Assert.Equal("A bloom on the shine.", (string)kept["onPurpose"]![0]!["note"]!);
        kept["onPurpose"]![0]!["note"] = new string('x', 301);
        var refused = await TroubleAsync(await SaveAsync(id, kept, version + 1));
        Assert.Equal(["onPurpose[0].note noteTooLong"], refused.Problems);
    }

    [Fact]
    public async Task A_preview_shows_every_stage_and_keeps_nothing()
    {
        var (id, plan, version) = await SepalsAsync();
        plan["coats"]!.AsArray().RemoveAt(0);
        var preview = (await (await Http.PostAsJsonAsync($"/api/pieces/{id}/preview", plan)).Content.ReadFromJsonAsync<JsonNode>())!;
        var coats = plan["coats"]!.AsArray().Count;
        Assert.Equal(5, preview["zones"]!.AsArray().Count);
        Assert.All(preview["zones"]!.AsArray(), zone => Assert.Equal(coats + 1, zone!["colours"]!.AsArray().Count));
        Assert.Equal(coats, preview["coats"]!.AsArray().Count);
        var face = preview["face"]!;
        Assert.True((int)face["columns"]! >= 48 && (int)face["rows"]! >= 64);
        Assert.Equal(3 * (int)face["columns"]! * (int)face["rows"]!, Convert.FromBase64String((string)face["rgb"]!).Length);
        Assert.Equal(version, (await SepalsAsync()).Version);
    }

    [Fact]
    public async Task A_plan_is_saved_over_the_version_it_was_made_from_and_no_other()
    {
        var (id, plan, version) = await SepalsAsync();
        plan["ground"]!["l"] = 88.5;
        var saved = await SaveAsync(id, plan, version);
        Assert.Equal($"\"{version + 1}\"", saved.Headers.ETag!.Tag);
        Assert.Equal(88.5, (double)(await SepalsAsync()).Plan["ground"]!["l"]!);

        Assert.Equal((HttpStatusCode.PreconditionFailed, "changedElsewhere"), await StatusAndCode(SaveAsync(id, plan, version)));
        Assert.Equal((HttpStatusCode.PreconditionRequired, "versionMissing"), await StatusAndCode(SaveAsync(id, plan, null)));
        Assert.Equal((HttpStatusCode.NotFound, "notFound"), await StatusAndCode(SaveAsync(Guid.NewGuid().ToString(), plan, 1)));
    }

    public static TheoryData<string, string, string> Impossible => new()
    {
        { "paste.doses[0].gPer100g", "-0.1", "doseNotAboveZero" },
        { "paste.doses[0].gPer100g", "50", "doseOverLimit" },
        { "paste.doses[0].colourantId", "\"nobody\"", "unknownMaterial" },
        { "paste.baseId", "\"wine-lees\"", "unknownMaterial" },
        { "coats[0].loadMgPerCm2", "0.9", "loadOverLimit" },
        { "coats[0].loadMgPerCm2", "0", "loadNotAboveZero" },
        { "coats[0].loadMgPerCm2", "1e300", "loadOverLimit" },
        { "coats[0].mix", "[]", "emptyMix" },
        { "coats[0].mix[0].parts", "-1", "partsOutOfRange" },
        { "coats[0].mix[0].materialId", "\"\"", "unknownMaterial" },
        { "coats[0].place.end", "1.5", "placeOutOfRange" },
        { "coats[0].place.start", "0.5", "placeEndsBeforeStart" },
        { "coats[5].seconds", "0", "secondsOutOfRange" },
        { "coats[6].coats", "99", "coatsOutOfRange" },
        { "coats[6].glazeId", "\"gone\"", "unknownMaterial" },
        { "targets.rim.colour.l", "140", "notAColour" },
        { "targets.rim.spread", "13", "spreadOutOfRange" },
    };

    [Theory]
    [MemberData(nameof(Impossible))]
    public async Task What_cannot_be_is_named_at_its_field_and_not_kept(string path, string value, string code)
    {
        var (id, plan, version) = await SepalsAsync();
        Set(plan, path, JsonNode.Parse(value));
        // A wrong end of a place is told at its end; a wrong colour part at its colour.
        var at = path.Replace(".place.start", ".place.end").Replace("colour.l", "colour");
        foreach (var response in new[] { await SaveAsync(id, plan, version), await Http.PostAsJsonAsync($"/api/pieces/{id}/preview", plan) })
        {
            var trouble = await TroubleAsync(response);
            Assert.Equal((HttpStatusCode.UnprocessableEntity, "notPossible"), (trouble.Status, trouble.Code));
            Assert.Contains($"{at} {code}", trouble.Problems);
        }

        Assert.Equal(version, (await SepalsAsync()).Version);
    }

    [Theory]
    [InlineData("{}")]
    [InlineData("not json")]
    [InlineData("""{"targets":{},"ground":null,"paste":{"baseId":"x","doses":[]},"coats":[]}""")]
    [InlineData("""{"targets":{},"ground":{"l":1,"a":2},"paste":{"baseId":"x","doses":[]},"coats":[]}""")]
    [InlineData("""{"targets":{},"ground":{"l":1,"a":2,"b":3},"paste":{"baseId":"x","doses":[]},"coats":[{"kind":"paint","id":"7c9e6679-7425-40de-944b-e07fc1f90ae7"}]}""")]
    [InlineData("""{"targets":{"knee":{"l":1,"a":2,"b":3}},"ground":{"l":1,"a":2,"b":3},"paste":{"baseId":"x","doses":[]},"coats":[]}""")]
    [InlineData("""{"targets":{},"ground":{"l":"NaN","a":2,"b":3},"paste":{"baseId":"x","doses":[]},"coats":[]}""")]
    public async Task What_is_no_plan_is_refused_whole(string body)
    {
        var (id, _, version) = await SepalsAsync();
        var request = Http.PutOverAsync($"/api/pieces/{id}/plan", new StringContent(body, Encoding.UTF8, "application/json"), version);
        Assert.Equal((HttpStatusCode.BadRequest, "unreadable"), await StatusAndCode(request));
    }

    [Theory]
    [InlineData("#c9d8a0")]
    [InlineData("C9D8A0")]
    [InlineData("84, -12, 24")]
    [InlineData("L 84 a -12.5 b 24")]
    [InlineData("Lab(84; -12; 24)")]
    public async Task A_colour_is_read_as_it_is_typed(string text)
    {
        var read = (await (await Http.PostAsJsonAsync("/api/colours/read", new { text })).Content.ReadFromJsonAsync<JsonNode>())!;
        Assert.InRange((double)read["lab"]!["l"]!, 80, 88);
        Assert.Equal("yellowGreen", (string)read["words"]!["hue"]!);
    }

    [Theory]
    [InlineData("")]
    [InlineData("blue-ish")]
    [InlineData("184, -12, 24")]
    [InlineData("84, -12")]
    [InlineData("#12")]
    public async Task What_is_no_colour_is_said(string text) => Assert.Equal(
        (HttpStatusCode.UnprocessableEntity, "notPossible"), await StatusAndCode(Http.PostAsJsonAsync("/api/colours/read", new { text })));

    [Fact]
    public async Task A_tick_stays_and_says_when_its_step_has_changed_since()
    {
        var (id, plan, version) = await SepalsAsync();
        async Task<JsonNode> Paste() => (await GetAsync($"/api/pieces/{id}/run-sheet"))["operations"]!.AsArray().First(one => (string)one!["step"]!["kind"]! == "makePaste")!;
        var first = await Paste();
        Assert.Equal(HttpStatusCode.NoContent, (await TickAsync(true, ToTick(first))).StatusCode);
        var ticked = await Paste();
        Assert.Equal(("Odile Farrant", false), ((string)ticked["tickedBy"]!, (bool)ticked["changedSince"]!));
        // One tick, seen on every sheet.
        Assert.NotNull((await GetAsync("/api/paste-day"))["blocks"]!.AsArray().Single(block => (string)block!["key"]! == (string)first["id"]!)!["tickedAt"]);

        plan["paste"]!["doses"]![0]!["gPer100g"] = 0.3;
        await SaveAsync(id, plan, version);
        var after = await Paste();
        Assert.NotNull(after["tickedAt"]);
        Assert.True((bool)after["changedSince"]!);

        Assert.Equal(HttpStatusCode.NoContent, (await TickAsync(false, ToTick(first))).StatusCode);
        Assert.Null((await Paste())["tickedAt"]);
        Assert.Equal((HttpStatusCode.NotFound, "notFound"), await StatusAndCode(TickAsync(true, ("dance", "f00"))));
    }

    [Fact]
    public async Task What_came_out_is_logged_beside_what_the_saved_plan_predicts()
    {
        var (id, plan, _) = await SepalsAsync();
        var preview = (await (await Http.PostAsJsonAsync($"/api/pieces/{id}/preview", plan)).Content.ReadFromJsonAsync<JsonNode>())!;
        var entry = new { pieceId = id, subject = "heart", actual = new { l = 70, a = 10, b = 12 }, note = "  Deeper than planned. " };
        var entryId = Guid.NewGuid();
        foreach (var _ in new[] { 1, 2 })
            Assert.Equal(HttpStatusCode.NoContent, (await Http.PutAsJsonAsync($"/api/log-entries/{entryId}", entry)).StatusCode);

        var logged = (await GetAsync("/api/log-entries")).AsArray().Single(e => (string?)e!["id"] == entryId.ToString())!;
        var heart = preview["zones"]!.AsArray().Single(zone => (string?)zone!["zone"] == "heart")!;
        Assert.Equal((double)heart["colours"]!.AsArray()[^1]!["lab"]!["l"]!, (double)logged["predicted"]!["lab"]!["l"]!, 1e-9);
        Assert.Equal("Deeper than planned.", (string)logged["note"]!);
        Assert.Equal(70, (double)logged["actual"]!["lab"]!["l"]!);
    }

    [Fact]
    public async Task A_log_entry_without_a_piece_or_with_no_colour_is_refused()
    {
        var (id, _, _) = await SepalsAsync();
        var path = $"/api/log-entries/{Guid.NewGuid()}";
        var colour = new { l = 70, a = 10, b = 12 };
        Assert.Equal((HttpStatusCode.NotFound, "notFound"), await StatusAndCode(Http.PutAsJsonAsync(path, new { pieceId = Guid.NewGuid(), subject = "paste", actual = colour, note = "" })));
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "notPossible"), await StatusAndCode(Http.PutAsJsonAsync(path, new { pieceId = id, subject = "paste", actual = new { l = -7, a = 0, b = 0 }, note = "" })));
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "notPossible"), await StatusAndCode(Http.PutAsJsonAsync(path, new { pieceId = id, subject = "paste", actual = colour, note = new string('x', 3000) })));
        Assert.Equal((HttpStatusCode.BadRequest, "unreadable"), await StatusAndCode(Http.PutAsJsonAsync(path, new { pieceId = id, subject = "knee", actual = colour, note = "" })));
    }

    [Theory]
    [InlineData("/api/flowers/3fa85f64-5717-4562-b3fc-2c963f66afa6")]
    [InlineData("/api/pieces/3fa85f64-5717-4562-b3fc-2c963f66afa6")]
    [InlineData("/api/pieces/3fa85f64-5717-4562-b3fc-2c963f66afa6/run-sheet")]
    [InlineData("/api/pieces/not-an-id")]
    [InlineData("/api/elsewhere")]
    public async Task What_is_not_there_is_said_so(string path) =>
        Assert.Equal((HttpStatusCode.NotFound, "notFound"), await StatusAndCode(Http.GetAsync(path)));

    [Fact]
    public async Task Without_a_database_the_answer_is_to_come_back_later()
    {
        await using var away = DemoApplication.Over("Host=127.0.0.1;Port=1;Username=nobody;Database=none;Timeout=2");
        var client = away.CreateClient();
        Assert.Equal((HttpStatusCode.ServiceUnavailable, "databaseAway"), await StatusAndCode(client.GetAsync("/api/door")));
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync("/health/live")).StatusCode);
        Assert.Equal(HttpStatusCode.ServiceUnavailable, (await client.GetAsync("/health/ready")).StatusCode);
    }

    [Fact]
    public async Task Another_site_cannot_change_anything_and_pages_run_only_our_scripts()
    {
        var request = new HttpRequestMessage(HttpMethod.Post, "/api/colours/read") { Content = JsonContent.Create(new { text = "#fff" }) };
        request.Headers.Add("Sec-Fetch-Site", "cross-site");
        Assert.Equal((HttpStatusCode.Forbidden, "otherSite"), await StatusAndCode(Http.SendAsync(request)));

        var page = await Http.GetAsync("/api/commissions");
        var policy = page.Headers.GetValues("Content-Security-Policy").Single();
        Assert.Contains("script-src 'self'", policy);
        Assert.DoesNotContain("unsafe", policy);
        Assert.Equal("nosniff", page.Headers.GetValues("X-Content-Type-Options").Single());

        // What goes wrong on the way is as safe, and is not kept either.
        var broken = await Http.PostAsync("/api/colours/read", new StringContent("{", Encoding.UTF8, "application/json"));
        Assert.Equal(HttpStatusCode.BadRequest, broken.StatusCode);
        Assert.Equal(policy, broken.Headers.GetValues("Content-Security-Policy").Single());
        Assert.True(broken.Headers.CacheControl!.NoStore);
    }

    /// <summary>The number on a failure is the one in the log.</summary>
    [Fact]
    public async Task Every_answer_has_a_number_of_its_own()
    {
        string[] numbers = [.. await Task.WhenAll(new[] { "/api/commissions", "/api/nothing", "/health/live", "/" }.Select(async path => (await Http.GetAsync(path)).Headers.GetValues("X-Request-Id").Single()))];
        Assert.Equal(numbers.Distinct(), numbers);
        Assert.DoesNotContain("", numbers);
    }

    /// <summary>Its one script of its own runs by a word made for that answer; all else of it is ours.</summary>
    [Fact]
    public async Task The_page_of_the_api_comes_from_here_alone()
    {
        var answer = await Http.GetAsync("/api/docs/");
        var page = await answer.Content.ReadAsStringAsync();
        var policy = answer.Headers.GetValues("Content-Security-Policy").Single();
        var word = Regex.Match(page, "nonce=\"([^\"]+)\"").Groups[1].Value;
        Assert.Contains($"'nonce-{word}'", policy);
        Assert.DoesNotContain("script-src 'self' 'unsafe", policy);
        Assert.NotEqual(word, Regex.Match(await Http.GetStringAsync("/api/docs/"), "nonce=\"([^\"]+)\"").Groups[1].Value);
        foreach (var script in Regex.Matches(page, "src=\"([^\"]+)\"").Select(match => match.Groups[1].Value))
            Assert.Equal("text/javascript", (await Http.GetAsync($"/api/docs/{script}")).Content.Headers.ContentType?.MediaType);
        Assert.DoesNotContain("https://", page);
    }

    private static async Task<(HttpStatusCode, string)> StatusAndCode(Task<HttpResponseMessage> response)
    {
        var (status, code, _) = await TroubleAsync(await response);
        return (status, code);
    }

    private static void Set(JsonNode node, string path, JsonNode? value)
    {
        var steps = path.Replace("[", ".[").Split('.');
        foreach (var step in steps[..^1])
            node = Step(node, step);
        if (steps[^1].StartsWith('['))
            node[Index(steps[^1])] = value;
        else
            node[steps[^1]] = value;

        static JsonNode Step(JsonNode from, string step) => step.StartsWith('[') ? from[Index(step)]! : from[step]!;
        static int Index(string step) => int.Parse(step.Trim('[', ']'), System.Globalization.CultureInfo.InvariantCulture);
    }

    /// <summary>Scripts go out as they were compressed when the client was built, and whole to who cannot read that.</summary>
    [Theory]
    [InlineData("gzip, br", "gzip")]
    [InlineData("gzip;q=0", null)]
    public async Task Scripts_are_sent_compressed_to_who_reads_it(string accepts, string? encoding)
    {
        var page = await Http.GetStringAsync("/");
        var script = page.Split('"').First(part => part.StartsWith("/assets/", StringComparison.Ordinal) && part.EndsWith(".js", StringComparison.Ordinal));
        var request = new HttpRequestMessage(HttpMethod.Get, script);
        request.Headers.Add("Accept-Encoding", accepts);
        var response = await Http.SendAsync(request);
        Assert.Equal("text/javascript", response.Content.Headers.ContentType?.MediaType);
        Assert.Equal(encoding, response.Content.Headers.ContentEncoding.SingleOrDefault());
        var bytes = await response.Content.ReadAsByteArrayAsync();
        Assert.InRange(bytes.Length, 1_000, encoding is null ? int.MaxValue : 120_000);
    }
}
