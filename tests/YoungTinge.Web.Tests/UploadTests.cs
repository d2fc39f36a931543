using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Pictures;
using YoungTinge.Files.Pictures;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>Files against the real server: what is too large, what comes from elsewhere, what many send at once.</summary>
public sealed class UploadTests(RunningDemo demo) : IClassFixture<RunningDemo>, IAsyncLifetime
{
    private HttpClient http = null!;
    private string flowerId = "";

    public async Task InitializeAsync()
    {
        await demo.ResetAsync();
        (http, _) = Visitor.Of(demo.Server.Address);
        await demo.SignInAsync(http);
        var commissions = (await http.GetFromJsonAsync<JsonNode>("/api/commissions"))!;
        flowerId = (string)commissions["commissions"]![0]!["flowers"]![0]!["id"]!;
    }

    public Task DisposeAsync()
    {
        http.Dispose();
        return Task.CompletedTask;
    }

    private Task<HttpResponseMessage> UploadAsync(string path, byte[] file) => http.PostAsync(path, new ByteArrayContent(file));

    private async Task<byte[]> ShotAsync()
    {
        using var response = await http.PostAsJsonAsync("/api/bench/light-box/flowers", new { startingPointId = "crocus-petal-gold", seed = 3 });
        return Convert.FromBase64String((string)(await response.Content.ReadFromJsonAsync<JsonNode>())!["jpeg"]!);
    }

    public static TheoryData<string, int> Limits => new()
    {
        { "/api/files/cabinet/preview", 6 }, { "/api/files/logbook", 6 }, { "/api/palettes/read", 1 }, { "/api/files/spectra/read", 2 },
        { "/api/dab-pictures/7c9e6679-7425-40de-944b-e07fc1f90ae7", 21 },
    };

    [Theory]
    [MemberData(nameof(Limits))]
    public async Task What_is_too_large_is_refused_with_a_clear_answer(string path, int megabytes)
    {
        HttpStatusCode status;
        try
        {
            using var response = await UploadAsync(path, new byte[megabytes * 1024 * 1024]);
            status = response.StatusCode;
            Assert.Contains(status, new[] { HttpStatusCode.RequestEntityTooLarge, HttpStatusCode.UnsupportedMediaType });
        }
        catch (HttpRequestException)
        {
            // The server stopped listening before all of it was sent, which is what a limit is for.
        }

        Assert.True((await http.GetAsync("/health/ready")).IsSuccessStatusCode);
    }

    [Fact]
    public async Task A_picture_of_many_megabytes_is_taken_in_and_kept_small()
    {
        // Noise does not pack: some megabytes of it.
        var rgb = new byte[3 * 3000 * 2200];
        new Random(1).NextBytes(rgb);
        var file = PictureFile.WriteJpeg(new Photograph(3000, 2200, rgb));
        Assert.InRange(file.Length, 4_000_000, PictureFile.LargestBytes);
        var id = Guid.NewGuid();
        using var response = await UploadAsync($"/api/flowers/{flowerId}/pictures/{id}?name=large", file);
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        var image = await http.GetByteArrayAsync($"/api/pictures/{id}/image");
        Assert.InRange(image.Length, 1000, 4_000_000);
        Assert.DoesNotContain("Exif", Encoding.Latin1.GetString(image));
    }

    [Fact]
    public async Task Another_site_may_send_nothing()
    {
        foreach (var path in new[] { "/api/files/studio", "/api/files/cabinet?state=x", $"/api/flowers/{flowerId}/pictures/{Guid.NewGuid()}", "/api/files/studio/replaced/1" })
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = new ByteArrayContent([1, 2, 3]) };
            request.Headers.Add("Sec-Fetch-Site", "cross-site");
            using var response = await http.SendAsync(request);
            Assert.Equal(HttpStatusCode.Forbidden, response.StatusCode);
        }

        // A browser that does not say it in one word names the page's origin.
        foreach (var (origin, status) in new[] { ("https://elsewhere.example", HttpStatusCode.Forbidden), ("null", HttpStatusCode.Forbidden), ($"http://127.0.0.1:{http.BaseAddress!.Port + 1}", HttpStatusCode.Forbidden), ($"http://127.0.0.1:{http.BaseAddress!.Port}", HttpStatusCode.UnprocessableEntity) })
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, "/api/palettes/read") { Content = new ByteArrayContent([1, 2, 3]) };
            request.Headers.Add("Origin", origin);
            using var response = await http.SendAsync(request);
            Assert.Equal((origin, status), (origin, response.StatusCode));
        }
    }

    [Fact]
    public async Task A_picture_sent_twice_is_kept_once_and_a_flower_keeps_only_so_many()
    {
        var shot = await ShotAsync();
        var first = Guid.NewGuid();
        foreach (var id in new[] { first, first }.Concat(Enumerable.Range(0, 11).Select(_ => Guid.NewGuid())))
        {
            using var kept = await UploadAsync($"/api/flowers/{flowerId}/pictures/{id}", shot);
            Assert.Equal(HttpStatusCode.OK, kept.StatusCode);
        }

        using var tooMany = await UploadAsync($"/api/flowers/{flowerId}/pictures/{Guid.NewGuid()}", shot);
        Assert.Contains("tooManyPictures", await tooMany.Content.ReadAsStringAsync());
        Assert.Equal(12, (await http.GetFromJsonAsync<JsonNode>($"/api/flowers/{flowerId}/pictures"))!.AsArray().Count);

        // What came out is counted by itself.
        using var made = await UploadAsync($"/api/flowers/{flowerId}/pictures/{Guid.NewGuid()}?shows=made&name=finished", shot);
        Assert.Equal(HttpStatusCode.OK, made.StatusCode);
        Assert.Equal("finished", (string)Assert.Single((await http.GetFromJsonAsync<JsonNode>($"/api/flowers/{flowerId}/pictures?shows=made"))!.AsArray())!["name"]!);
    }

    [Fact]
    public async Task What_came_out_stands_in_the_light_box_as_the_jars_really_are()
    {
        async Task<JsonNode> TakeAsync(Guid of, HttpStatusCode status)
        {
            using var response = await http.PostAsJsonAsync("/api/bench/light-box/made-flowers", new { flowerId = of, take = 1 });
            Assert.Equal(status, response.StatusCode);
            return (await response.Content.ReadFromJsonAsync<JsonNode>())!;
        }

        await TakeAsync(Guid.NewGuid(), HttpStatusCode.NotFound);
        var shot = await TakeAsync(Guid.Parse(flowerId), HttpStatusCode.OK);
        var id = Guid.NewGuid();
        using var kept = await UploadAsync($"/api/flowers/{flowerId}/pictures/{id}?shows=made", Convert.FromBase64String((string)shot["jpeg"]!));
        Assert.Equal(HttpStatusCode.OK, kept.StatusCode);
        // The petal with its back up.
        using var read = await http.PostAsJsonAsync($"/api/pictures/{id}/read", new { light = new { mark = shot["card"], kind = "whiteCard" }, boxes = new[] { new { left = 0.82, top = 0.72, width = 0.04, height = 0.04 } } });
        var seen = LabOf((await read.Content.ReadFromJsonAsync<JsonNode>())!["patches"]![0]!);

        var sepals = (await http.GetFromJsonAsync<JsonNode>($"/api/flowers/{flowerId}"))!["pieces"]!.AsArray().Single(piece => (string)piece!["name"]! == "Sepals")!["id"];
        using var preview = await http.PostAsJsonAsync($"/api/pieces/{sepals}/preview", (await http.GetFromJsonAsync<JsonNode>($"/api/pieces/{sepals}"))!["plan"]);
        var predicted = (await preview.Content.ReadFromJsonAsync<JsonNode>())!["zones"]!.AsArray().Single(zone => (string)zone!["zone"]! == "back")!["colours"]!.AsArray()[^1]!;
        Assert.InRange(DeltaE2000.Between(LabOf(predicted), seen), 0.3, 12);
    }

    private static Lab LabOf(JsonNode colour) => (colour["lab"] ?? colour["colour"]!["lab"]).Deserialize<Lab>(JsonSerializerOptions.Web);

    [Fact]
    public async Task Many_at_once_read_pictures_and_one_of_many_takes_a_file_in()
    {
        var id = Guid.NewGuid();
        (await UploadAsync($"/api/flowers/{flowerId}/pictures/{id}", await ShotAsync())).EnsureSuccessStatusCode();
        var reads = await Task.WhenAll(Enumerable.Range(0, 12).Select(async i =>
        {
            var box = new { left = 0.3 + 0.01 * i, top = 0.4, width = 0.02, height = 0.02 };
            using var response = await http.PostAsJsonAsync($"/api/pictures/{id}/read", new { light = new { mark = (object?)null, kind = "somethingGrey" }, boxes = new[] { box } });
            return response.StatusCode;
        }));
        Assert.All(reads, status => Assert.Equal(HttpStatusCode.OK, status));

        var file = Encoding.UTF8.GetBytes("name,kind,stock_g\nRowan,colourant,5\nPetal glue,adhesive,30\n");
        using var preview = await UploadAsync("/api/files/cabinet/preview", file);
        var state = (string)(await preview.Content.ReadFromJsonAsync<JsonNode>())!["state"]!;
        var taken = await Task.WhenAll(Enumerable.Range(0, 6).Select(async _ => (await UploadAsync($"/api/files/cabinet?state={state}", file)).StatusCode));
        Assert.Single(taken, HttpStatusCode.OK);
        Assert.Equal(5, taken.Count(status => status == HttpStatusCode.PreconditionFailed));
    }

    [Fact]
    public async Task A_hundred_thousand_lines_are_refused_with_the_limit()
    {
        var text = new StringBuilder("name,kind\n");
        for (var i = 0; i < 100_000; i++)
            text.Append("Glue ").Append(i).Append(",adhesive\n");
        using var response = await UploadAsync("/api/files/cabinet/preview", Encoding.UTF8.GetBytes(text.ToString()));
        var preview = (await response.Content.ReadFromJsonAsync<JsonNode>())!;
        Assert.Equal(("tooManyLines", 5000.0, 0), ((string)preview["problem"]!, (double)preview["limit"]!, preview["lines"]!.AsArray().Count));
    }

    [Theory]
    [InlineData("/api/files/cabinet.csv", "text/csv")]
    [InlineData("/api/files/cabinet.json", "application/json")]
    [InlineData("/api/files/cabinet-template.csv", "text/csv")]
    [InlineData("/api/files/cabinet.schema.json", "application/json")]
    [InlineData("/api/files/logbook.csv", "text/csv")]
    [InlineData("/api/files/logbook.json", "application/json")]
    [InlineData("/api/files/logbook.schema.json", "application/json")]
    [InlineData("/api/files/spectra.txt", "text/plain")]
    [InlineData("/api/files/studio.zip", "application/zip")]
    public async Task What_goes_out_is_a_file_with_a_name(string path, string type)
    {
        using var response = await http.GetAsync(path);
        Assert.Equal((HttpStatusCode.OK, type), (response.StatusCode, response.Content.Headers.ContentType!.MediaType));
        Assert.Equal("attachment", response.Content.Headers.ContentDisposition!.DispositionType);
        Assert.Equal(Path.GetFileName(path), response.Content.Headers.ContentDisposition.FileName);
        Assert.Equal("nosniff", response.Headers.GetValues("X-Content-Type-Options").Single());
    }
}
