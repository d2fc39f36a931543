using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace YoungTinge.Testing;

/// <param name="Method">GET, PUT ...</param>
/// <param name="Path">With names in braces: <c>/api/pieces/{id}</c>.</param>
/// <param name="Description">The operation as the document has it.</param>
public sealed record ApiOperation(string Method, string Path, JsonNode Description);

/// <summary>The API as it describes itself: a new operation is tested without being listed anywhere.</summary>
public static class ApiDocument
{
    public static JsonNode Root { get; } = JsonNode.Parse(File.ReadAllText(System.IO.Path.Combine(Repository.Folder, "src", "YoungTinge.Web", "openapi.json")))!;

    /// <summary>All but what goes on telling for as long as somebody listens: that is no answer to wait for.</summary>
    public static IReadOnlyList<ApiOperation> Operations { get; } =
    [
        .. Root["paths"]!.AsObject().SelectMany(path => path.Value!.AsObject().Select(operation => new ApiOperation(operation.Key.ToUpperInvariant(), path.Key, operation.Value!)))
            .Where(operation => operation.Description["responses"]?["200"]?["content"]?["text/event-stream"] is null),
    ];

    /// <summary>Addresses of everything that can be looked at in a studio.</summary>
    public static async Task<IReadOnlyList<string>> ViewsAsync(HttpClient http)
    {
        var ids = await StudioIds.ReadAsync(http);
        return [.. Operations.Where(operation => operation.Method == "GET").SelectMany(operation => Addresses(operation.Path, ids))];
    }

    private static IEnumerable<string> Addresses(string path, StudioIds ids)
    {
        // Those are kept for a while, made by something else, or another each time.
        if (path is "/api/dab-pictures/{id}/image" or "/api/practice/{exercise}/question" or "/api/backups/{id}/studio.zip" || path.EndsWith("/{token}", StringComparison.Ordinal))
            return [];
        // Only colours for paste are learned.
        if (path is "/api/materials/{id}/jar")
            return ids.Colourants.Select(id => path.Replace("{id}", id, StringComparison.Ordinal));
        if (path.StartsWith("/api/paste-day", StringComparison.Ordinal))
            return ids.Commissions.Take(1).Select(id => $"{path}?commissionId={id}");
        if (path.EndsWith("/dose-ladder", StringComparison.Ordinal))
            return ids.Colourants.Take(2).Select(id => $"{path.Replace("{id}", id, StringComparison.Ordinal)}?baseId={ids.Pastes[0]}");
        if (!path.Contains('{', StringComparison.Ordinal))
            return [path];
        var (name, of) = path.Split('/')[2] switch
        {
            "commissions" => ("{id}", ids.Commissions),
            "flowers" => (path.Contains("{flowerId}", StringComparison.Ordinal) ? "{flowerId}" : "{id}", ids.Flowers),
            "pieces" => ("{id}", ids.Pieces),
            "materials" => ("{id}", ids.Materials),
            "pictures" => ("{id}", ids.Pictures),
            "log-entries" => ("{id}", ids.LogEntries),
            _ => throw new InvalidOperationException($"Say in {nameof(ApiDocument)} what {path} is of."),
        };
        return of.Select(id => path.Replace(name, id, StringComparison.Ordinal));
    }
}

/// <summary>What there is in a studio, by id.</summary>
public sealed record StudioIds(
    IReadOnlyList<string> Commissions, IReadOnlyList<string> Flowers, IReadOnlyList<string> Pieces, IReadOnlyList<string> Materials,
    IReadOnlyList<string> Pastes, IReadOnlyList<string> Colourants, IReadOnlyList<string> Batches, IReadOnlyList<string> Pictures, IReadOnlyList<string> LogEntries)
{
    public static async Task<StudioIds> ReadAsync(HttpClient http)
    {
        var commissions = (await http.GetFromJsonAsync<JsonNode>("/api/commissions"))!["commissions"]!.AsArray();
        List<string> flowers = [.. commissions.SelectMany(one => one!["flowers"]!.AsArray()).Select(Id)];
        var (pieces, pictures) = (new List<string>(), new List<string>());
        foreach (var flower in flowers)
        {
            pieces.AddRange((await http.GetFromJsonAsync<JsonNode>($"/api/flowers/{flower}"))!["pieces"]!.AsArray().Select(Id));
            pictures.AddRange((await http.GetFromJsonAsync<JsonNode>($"/api/flowers/{flower}/pictures"))!.AsArray().Select(Id));
        }

        var materials = (await http.GetFromJsonAsync<JsonNode>("/api/materials"))!.AsArray();
        IReadOnlyList<string> Of(string kind) => [.. materials.Where(one => (string)one!["kind"]! == kind).Select(Id)];
        var batches = (await http.GetFromJsonAsync<JsonNode>("/api/batches"))!.AsArray().Select(Id);
        return new StudioIds(
            [.. commissions.Select(one => (string)one!["commission"]!["id"]!)], flowers, pieces, [.. materials.Select(Id)], Of("paste"), Of("colourant"), [.. batches], pictures,
            [.. (await http.GetFromJsonAsync<JsonNode>("/api/log-entries"))!.AsArray().Select(Id)]);
    }

    private static string Id(JsonNode? one) => (string)one!["id"]!;
}
