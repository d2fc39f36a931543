using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using YoungTinge.Testing;

namespace YoungTinge.Force;

/// <param name="Request">To send it again by hand.</param>
public sealed record FuzzFault(string What, string Request);

/// <param name="ByStatus">How many answers had which status.</param>
/// <param name="SlowestSeconds">Of all answers.</param>
public sealed record FuzzReport(int Requests, IReadOnlyDictionary<int, int> ByStatus, IReadOnlyList<FuzzFault> Faults, double SlowestSeconds, string Slowest);

/// <summary>
/// Hostile requests, made from the API's own description: what a client would send, with something wrong in it. Nothing may be
/// answered with 5xx, with a number that is none, or later than ten seconds.
/// </summary>
/// <param name="clients">Who asks, in turn; the first may do everything.</param>
/// <param name="longestSeconds">For one answer; more where other work shares the machine, as among other tests.</param>
public sealed class Fuzzer(IReadOnlyList<(HttpClient Http, Func<Task> SignIn)> clients, int seed, double longestSeconds = 10)
{
    /// <summary>At the same time, so that changes meet each other.</summary>
    private const int AtOnce = 4;

    /// <summary>Deletes and restores leave little to ask about, so few of the requests are such.</summary>
    private const int DestructiveOneIn = 12;

    public async Task<FuzzReport> RunAsync(int requests)
    {
        var samples = await Samples.ReadAsync(clients[0].Http);
        using var signingIn = new SemaphoreSlim(1);
        var (faults, statuses) = (new List<FuzzFault>(), new SortedDictionary<int, int>());
        var (slowest, slow) = (0.0, "");
        await Parallel.ForEachAsync(Enumerable.Range(0, requests), new ParallelOptions { MaxDegreeOfParallelism = AtOnce }, async (number, cancel) =>
        {
            var random = new Random(HashCode.Combine(seed, number) & int.MaxValue);
            // Most of it by whoever gets through to the rules.
            var (http, signIn) = clients[number % 2 == 0 ? 0 : number / 2 % clients.Count];
            using var request = Request(samples, random, out var said);
            var watch = Stopwatch.StartNew();
            string? fault = null;
            var status = 0;
            try
            {
                using var answer = await http.SendAsync(request, cancel);
                status = (int)answer.StatusCode;
                fault = Fault(answer, await answer.Content.ReadAsByteArrayAsync(cancel));
                // One of the requests has signed it out, or taken the person out.
                if (answer.StatusCode == HttpStatusCode.Unauthorized)
                {
                    await signingIn.WaitAsync(cancel);
                    await signIn();
                    signingIn.Release();
                }
            }
            catch (HttpRequestException exception)
            {
                // The server may stop listening to what is too large; it may not fall over.
                fault = exception.InnerException is IOException ? null : $"no answer: {exception.Message}";
            }

            var seconds = watch.Elapsed.TotalSeconds;
            if (seconds > longestSeconds)
                fault = $"took {seconds:0.0} s";
            lock (faults)
            {
                statuses[status] = statuses.GetValueOrDefault(status) + 1;
                if (fault is not null)
                    faults.Add(new FuzzFault(fault, said));
                if (seconds > slowest)
                    (slowest, slow) = (seconds, said);
            }
        });
        return new FuzzReport(requests, statuses, faults, slowest, slow);
    }

    private static string? Fault(HttpResponseMessage answer, byte[] body)
    {
        if ((int)answer.StatusCode >= 500)
            return $"{(int)answer.StatusCode}";
        var type = answer.Content.Headers.ContentType?.MediaType;
        // What is no HTTP at all is turned away before the application hears of it, without a word.
        if ((int)answer.StatusCode >= 400 && body.Length > 0 && type != "application/problem+json")
            return $"{(int)answer.StatusCode} without a word";
        if (body.Length == 0)
            return null;
        if (type is not ("application/json" or "application/problem+json"))
            return null;
        try
        {
            using var _ = JsonDocument.Parse(body);
            return null;
        }
        catch (JsonException)
        {
            return "no JSON";
        }
    }

    private static HttpRequestMessage Request(Samples samples, Random random, out string said)
    {
        var operation = Choose(random);
        var path = string.Join('/', operation.Path.Split('/').Select(part => part.StartsWith('{')
            ? random.Next(8) == 0 ? Hostile.PathPart(random) : Uri.EscapeDataString(samples.PathPart(operation.Path, part.Trim('{', '}'), random))
            : part));
        var asked = (operation.Description["parameters"]?.AsArray() ?? []).Where(parameter => (string)parameter!["in"]! == "query" && random.Next(5) > 0)
            .Select(parameter => $"{parameter!["name"]}={Uri.EscapeDataString(Query(parameter, samples, random))}");
        if (asked.ToArray() is { Length: > 0 } query)
            path += "?" + string.Join('&', query);
        // Another way of asking than there is, now and then.
        var method = random.Next(60) == 0 ? random.GetItems(["PATCH", "PUT", "POST", "DELETE", "OPTIONS", "HEAD"], 1)[0] : operation.Method;
        var request = new HttpRequestMessage(new HttpMethod(method), new Uri(path, UriKind.Relative)) { Content = Body(operation, samples, random, out var shown) };
        if (random.Next(3) > 0)
            request.Headers.TryAddWithoutValidation("If-Match", random.Next(5) == 0 ? new string([.. Hostile.Text(random).Where(char.IsAscii).Where(one => !char.IsControl(one))]) : $"\"{random.Next(4)}\"");
        if (random.Next(10) == 0)
            request.Headers.TryAddWithoutValidation("Accept", "application/x-ndjson");
        said = $"{method} {path} {shown}";
        return request;
    }

    private static ApiOperation Choose(Random random)
    {
        while (true)
        {
            var one = ApiDocument.Operations[random.Next(ApiDocument.Operations.Count)];
            if ((one.Method == "DELETE" || one.Path.StartsWith("/api/files/studio", StringComparison.Ordinal)) && random.Next(DestructiveOneIn) > 0)
                continue;
            return one;
        }
    }

    private static string Query(JsonNode parameter, Samples samples, Random random) => random.Next(3) == 0
        ? Hostile.Text(random)
        : samples.Of(parameter["schema"]!, (string)parameter["name"]!, random) is { } value ? Convert.ToString((value as JsonArray)?.FirstOrDefault() ?? value, CultureInfo.InvariantCulture) ?? "" : "";

    private static HttpContent? Body(ApiOperation operation, Samples samples, Random random, out string shown)
    {
        shown = "";
        if (operation.Description["requestBody"]?["content"]?["application/json"]?["schema"] is not { } schema)
        {
            if (operation.Method == "GET")
                return null;
            var file = Hostile.File(random, samples.Files);
            shown = $"({file.Length} bytes)";
            return new ByteArrayContent(file) { Headers = { ContentType = new MediaTypeHeaderValue("application/octet-stream") } };
        }

        var text = random.Next(12) == 0 ? Hostile.RawBody(random) : samples.Of(schema, "", random) is var fine && random.Next(6) == 0 ? fine?.ToJsonString() ?? "null" : Hostile.Spoil(fine, random)?.ToJsonString() ?? "null";
        shown = text.Length > 3000 ? text[..3000] : text;
        var content = new StringContent(text, Encoding.UTF8);
        content.Headers.Remove("Content-Type");
        content.Headers.TryAddWithoutValidation("Content-Type", random.Next(25) == 0
            ? random.GetItems(["application/json; charset=klingon", "text/plain", "", "application/xml", "application/json; charset=utf-16", "multipart/form-data"], 1)[0]
            : "application/json; charset=utf-8");
        return content;
    }
}
