using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Testing;

namespace YoungTinge.Force;

/// <summary>What a well-meaning client would send: made from the API's own description, with things that are really there.</summary>
internal sealed class Samples
{
    private readonly StudioIds ids;
    private readonly Dictionary<string, List<JsonNode>> real = [];

    private Samples(StudioIds ids) => this.ids = ids;

    /// <summary>Files as the studio itself writes them.</summary>
    public List<byte[]> Files { get; } = [];

    public static async Task<Samples> ReadAsync(HttpClient http)
    {
        var samples = new Samples(await StudioIds.ReadAsync(http));
        async Task<JsonNode> Get(string path) => (await http.GetFromJsonAsync<JsonNode>(path))!;
        foreach (var id in samples.ids.Pieces.Take(8))
        {
            var piece = await Get($"/api/pieces/{id}");
            samples.Learn("PiecePlan", Find(piece, "plan"));
            samples.Learn("Piece", Find(piece["piece"]!, "piece"));
        }

        foreach (var id in samples.ids.Materials)
            samples.Learn("MaterialRecord", Find(await Get($"/api/materials/{id}"), "sheet"));
        foreach (var id in samples.ids.Flowers.Take(3))
        {
            samples.Learn("OmbrePlan", Find(await Get($"/api/flowers/{id}/ombre"), "plan"));
            samples.Learn("MarblePlan", Find(await Get($"/api/flowers/{id}/marble"), "plan"));
        }

        foreach (var path in new[] { "/api/files/cabinet.csv", "/api/files/cabinet.json", "/api/files/logbook.csv", "/api/files/logbook.json", "/api/files/spectra.txt", "/api/files/studio.zip", $"/api/flowers/{samples.ids.Flowers[0]}/palette.gpl", $"/api/flowers/{samples.ids.Flowers[0]}/palette.svg" })
            samples.Files.Add(await http.GetByteArrayAsync(path));
        var shot = await (await http.PostAsJsonAsync("/api/bench/light-box/flowers", new { startingPointId = "crocus-petal-gold", seed = 1 })).Content.ReadFromJsonAsync<JsonNode>();
        samples.Files.Add(Convert.FromBase64String((string)shot!["jpeg"]!));
        return samples;
    }

    /// <summary>A part of an address.</summary>
    public string PathPart(string path, string name, Random random) => (path.Split('/')[2], name) switch
    {
        (_, "step") => random.GetItems(["knead", "rest", "paste", "dust:1", "steam"], 1)[0],
        (_, "block") => $"paste:{Any(ids.Pieces, random)}",
        (_, "state") => $"{random.Next(3)}",
        (_, "flowerId") or ("flowers", _) => Any(ids.Flowers, random),
        ("commissions", _) => Any(ids.Commissions, random),
        ("pieces", _) => Any(ids.Pieces, random),
        ("materials", _) => Any(ids.Materials, random),
        ("batches", _) => Any(ids.Batches, random),
        ("pictures", _) when ids.Pictures.Count > 0 => Any(ids.Pictures, random),
        _ => Guid.NewGuid().ToString(),
    };

    /// <summary>Something of a schema.</summary>
    public JsonNode? Of(JsonNode schema, string name, Random random, int depth = 0)
    {
        if (schema["$ref"] is { } reference)
        {
            var called = ((string)reference!).Split('/')[^1];
            return real.TryGetValue(called, out var known) ? known[random.Next(known.Count)].DeepClone() : Of(ApiDocument.Root["components"]!["schemas"]![called]!, name, random, depth);
        }

        if ((schema["oneOf"] ?? schema["anyOf"]) is JsonArray { Count: > 0 } choices)
            return Of(choices[random.Next(choices.Count)]!, name, random, depth);
        if (schema["allOf"] is JsonArray { Count: > 0 } all)
            return Of(all[0]!, name, random, depth);
        if (schema["enum"] is JsonArray words)
            return words[random.Next(words.Count)]?.DeepClone();
        var types = schema["type"] is JsonArray several ? several.Select(type => (string)type!).ToList() : schema["type"] is { } one ? [(string)one!] : [];
        if (types is ["null"] || types.Contains("null") && random.Next(3) == 0 || depth > 8)
            return null;
        if (types.Contains("array"))
            return new JsonArray([.. Enumerable.Range(0, random.Next(4)).Select(_ => Of(schema["items"] ?? new JsonObject(), name, random, depth + 1))]);
        if (types.Contains("object") || schema["properties"] is not null)
        {
            return new JsonObject((schema["properties"]?.AsObject() ?? []).Where(part => part.Value is not null)
                .Select(part => KeyValuePair.Create(part.Key, Of(part.Value!, part.Key, random, depth + 1))));
        }

        if (types.Contains("boolean"))
            return random.Next(2) == 0;
        if (types.Contains("integer"))
            return name.EndsWith("ersion", StringComparison.Ordinal) ? random.Next(3) : name.StartsWith("most", StringComparison.Ordinal) ? 1 + random.Next(4) : random.Next(12);
        if (types.Contains("number"))
            return Math.Round(name is "a" or "b" ? random.NextDouble() * 60 - 30 : random.NextDouble() * (random.Next(2) == 0 ? 1 : 90), 3);
        return Word(name, (string?)schema["format"], random);
    }

    private string Word(string name, string? format, Random random) => name switch
    {
        "commissionId" => Any(ids.Commissions, random),
        "flowerId" => Any(ids.Flowers, random),
        "pieceId" or "pieceIds" or "planOf" => Any(ids.Pieces, random),
        "batchId" => Any(ids.Batches, random),
        "baseId" or "baseIds" => Any(ids.Pastes, random),
        "colourantId" or "colourantIds" or "mustUse" or "leaveOut" => Any(ids.Colourants, random),
        "materialId" or "materialIds" or "dustId" or "glazeId" or "thinnerId" => Any(ids.Materials, random),
        _ => format switch
        {
            "uuid" => Guid.NewGuid().ToString(),
            "date" => "2026-12-24",
            "date-time" => "2026-11-27T12:00:00Z",
            _ => random.Next(3) == 0 ? "Rose" : $"Name {random.Next(1000)}",
        },
    };

    private void Learn(string schema, JsonNode? sample)
    {
        if (sample is JsonObject)
            (real.TryGetValue(schema, out var known) ? known : real[schema] = []).Add(sample.DeepClone());
    }

    private static JsonNode? Find(JsonNode node, string name) => node is JsonObject all && all[name] is JsonObject found ? found : null;

    private static string Any(IReadOnlyList<string> all, Random random) => all.Count == 0 ? Guid.NewGuid().ToString() : all[random.Next(all.Count)];
}
