using System.Globalization;
using System.Net.Http.Headers;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using YoungTinge.Testing;

namespace YoungTinge.Force;

/// <param name="Asked">Of the recording.</param>
/// <param name="Differences">What is answered otherwise, and where in the answer.</param>
public sealed record AnswersReport(int Asked, IReadOnlyList<string> Differences);

/// <summary>
/// What the API answers, recorded and asked again of other code: every view of the demo, and every question that changes nothing.
/// The recording brings its own studio, so that all ids are those of then. "Today" is not recorded: compare on the same day.
/// </summary>
public sealed partial class Answers(DemoServer demo, string folder)
{
    /// <summary>Of each kind of question: asked until this many were taken, or so many were tried.</summary>
    private const int TakenOfAKind = 6;
    private const int TriedOfAKind = 60;

    /// <summary>Numbers that differ less, by their size, are the same: sums may be taken in another order.</summary>
    private const double SameNumber = 1e-9;

    private string Studio => Path.Combine(folder, "studio.zip");

    private string Recording => Path.Combine(folder, "answers.ndjson");

    /// <summary>Whether there is something to compare with.</summary>
    public bool IsRecorded => File.Exists(Recording);

    /// <returns>How many answers were recorded.</returns>
    public async Task<int> RecordAsync()
    {
        Directory.CreateDirectory(folder);
        await File.WriteAllBytesAsync(Studio, await demo.Http.GetByteArrayAsync("/api/files/studio.zip"));
        await RestoreAsync();
        var lines = new List<string>();
        foreach (var path in await ApiDocument.ViewsAsync(demo.Http))
        {
            // When the studio was put in place is another time each time.
            if (path != "/api/files/studio/replaced")
                lines.Add(Line("GET", path, null, await AskAsync("GET", path, null)));
        }

        var samples = await Samples.ReadAsync(demo.Http);
        foreach (var operation in ApiDocument.Operations.Where(operation => operation.Method == "POST" && ChangesNothing().IsMatch(operation.Path)))
        {
            if (operation.Description["requestBody"]?["content"]?["application/json"]?["schema"] is not { } schema)
                continue;
            var taken = 0;
            for (var tried = 0; tried < TriedOfAKind && taken < TakenOfAKind; tried++)
            {
                var random = new Random(tried + 1);
                var path = string.Join('/', operation.Path.Split('/').Select(part => part.StartsWith('{') ? samples.PathPart(operation.Path, part.Trim('{', '}'), random) : part));
                var body = samples.Of(schema, "", random)?.ToJsonString() ?? "null";
                var answer = await AskAsync("POST", path, body);
                taken += (int)answer["status"]! == 200 ? 1 : 0;
                lines.Add(Line("POST", path, body, answer));
            }
        }

        await File.WriteAllLinesAsync(Recording, lines);
        return lines.Count;

        static string Line(string method, string path, string? body, JsonObject answer) =>
            new JsonObject { ["method"] = method, ["path"] = path, ["body"] = body, ["answer"] = answer }.ToJsonString();
    }

    public async Task<AnswersReport> CompareAsync()
    {
        await RestoreAsync();
        var differences = new List<string>();
        var asked = 0;
        await foreach (var line in File.ReadLinesAsync(Recording))
        {
            var one = JsonNode.Parse(line)!;
            var (method, path) = ((string)one["method"]!, (string)one["path"]!);
            var now = await AskAsync(method, path, (string?)one["body"]);
            asked++;
            if (Difference(one["answer"], now, "") is { } where)
                differences.Add($"{method} {path}: {where}");
        }

        return new AnswersReport(asked, differences);
    }

    private async Task RestoreAsync()
    {
        using var content = new ByteArrayContent(await File.ReadAllBytesAsync(Studio)) { Headers = { ContentType = new MediaTypeHeaderValue("application/octet-stream") } };
        (await demo.Http.PostAsync("/api/files/studio", content)).EnsureSuccessStatusCode();
    }

    /// <summary>Status and body: JSON as it is, anything else by its hash.</summary>
    private async Task<JsonObject> AskAsync(string method, string path, string? body)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), new Uri(path, UriKind.Relative)) { Content = body is null ? null : new StringContent(body, Encoding.UTF8, "application/json") };
        using var answer = await demo.Http.SendAsync(request);
        var bytes = await answer.Content.ReadAsByteArrayAsync();
        var isJson = answer.Content.Headers.ContentType?.MediaType?.EndsWith("json", StringComparison.Ordinal) == true && bytes.Length > 0;
        // An archive says when it was made.
        var hash = path.EndsWith(".zip", StringComparison.Ordinal) ? "" : Convert.ToHexString(SHA256.HashData(bytes));
        return new JsonObject { ["status"] = (int)answer.StatusCode, ["body"] = isJson ? JsonNode.Parse(WithPlainIds(Encoding.UTF8.GetString(bytes))) : hash };
    }

    /// <summary>New ids are other ones each time: they are called by the order in which they turn up.</summary>
    private static string WithPlainIds(string json)
    {
        var known = new Dictionary<string, string>();
        return Id().Replace(json, id => known.TryGetValue(id.Value, out var name) ? name : known[id.Value] = string.Create(CultureInfo.InvariantCulture, $"id {known.Count}"));
    }

    private static string? Difference(JsonNode? before, JsonNode? now, string where)
    {
        switch (before, now)
        {
            case (JsonObject was, JsonObject isNow):
                return was.Select(part => part.Key).Union(isNow.Select(part => part.Key)).Select(key => Difference(was[key], isNow[key], $"{where}.{key}")).FirstOrDefault(found => found is not null);
            case (JsonArray was, JsonArray isNow) when was.Count == isNow.Count:
                return was.Select((part, i) => Difference(part, isNow[i], $"{where}[{i}]")).FirstOrDefault(found => found is not null);
            case (JsonArray was, JsonArray isNow):
                return $"{where}: {was.Count} before, {isNow.Count} now";
            case (JsonValue was, JsonValue isNow) when was.TryGetValue(out double a) && isNow.TryGetValue(out double b):
                return Math.Abs(a - b) <= SameNumber * Math.Max(1, Math.Abs(a)) ? null : string.Create(CultureInfo.InvariantCulture, $"{where}: {a} before, {b} now");
            default:
                return JsonNode.DeepEquals(before, now) ? null : $"{where}: {Short(before)} before, {Short(now)} now";
        }
    }

    private static string Short(JsonNode? node) => node?.ToJsonString() is { } text ? text[..Math.Min(80, text.Length)] : "nothing";

    [GeneratedRegex("[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}")]
    private static partial Regex Id();

    [GeneratedRegex("/(preview|proposals|find|look|rescue|let-downs|read|picker|whorl|dusted|folds|weigh|characterise|dabs)$|light-box/flowers$")]
    private static partial Regex ChangesNothing();
}
