using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>The limits that the description of the API tells are those that it keeps: beyond each is refused at its field.</summary>
public sealed class LimitTests(DemoApplication application) : ApiTest(application)
{
    /// <summary>No change goes through over this version: what is possible is told apart from what is not by how it is refused.</summary>
    private const int NoVersion = 9999;

    /// <summary>Where the most hangs on something else too (the jar, the kind of place, the rest of the plan), only more than that is sure to be refused.</summary>
    private static readonly string[] LessElsewhere =
        ["start", "end", "feather", "loadMgPerCm2", "loadLimit", "gPer100g", "doses", "mix", "uses", "steps", "stripes", "at", "leftG", "currency", "timeZone", "amount", "dabs", "otherG", "gauge", "l", "a", "b", "stockPieces", "stockMl"];

    public static TheoryData<string> Requests => ["piece", "plan", "commission", "flower", "counts", "spares", "studio", "material", "batch", "ombre", "marble", "finder", "look"];

    [Theory]
    [MemberData(nameof(Requests))]
    public async Task Beyond_a_limit_is_refused_at_its_field(string what)
    {
        var (method, path, template, valid) = await RequestAsync(what);
        var schema = ApiDocument.Operations.Single(one => one.Method == method && one.Path == template).Description["requestBody"]!["content"]!["application/json"]!["schema"]!;
        var limited = Limited(schema, valid, "").DistinctBy(one => one.Path).ToList();
        Assert.NotEmpty(limited);
        foreach (var (at, limits) in limited)
        {
            foreach (var (value, isBeyond) in Tried(limits, valid, at))
            {
                var body = valid.DeepClone();
                Put(body, at, value);
                var request = method == "PUT" || what == "material" ? null : await Http.PostAsJsonAsync(path, body);
                var response = request ?? (method == "PUT" ? await Http.PutOverAsync(path, body, NoVersion) : await Http.PostOverAsync(path, body, NoVersion));
                var told = (int)response.StatusCode == 422 ? await ProblemsOf(response) : [];
                var field = told.Any(problem => problem.Split(' ')[0] is var where && (where == at || where.StartsWith($"{at}[", StringComparison.Ordinal) || IsColour(at) && at[..^2] == where));
                Assert.True(isBeyond == field, $"{what} {at} = {value?.ToJsonString()[..Math.Min(40, value.ToJsonString().Length)]}: {(int)response.StatusCode} {string.Join(", ", told)}");
            }
        }
    }

    private async Task<(string Method, string Path, string Template, JsonNode Valid)> RequestAsync(string what)
    {
        var flower = await FlowerAsync("Hellebore");
        var piece = await GetAsync($"/api/pieces/{flower["pieces"]![0]!["id"]}");
        var (flowerId, pieceId) = (flower["id"]!.ToString(), piece["piece"]!["id"]!.ToString());
        var paste = piece["plan"]!["paste"]!;
        var target = piece["plan"]!["targets"]!["tip"]!["colour"]!;
        switch (what)
        {
            case "piece":
                return ("PUT", $"/api/pieces/{pieceId}?sure=true", "/api/pieces/{id}", piece["piece"]!["piece"]!);
            case "plan":
                return ("POST", $"/api/pieces/{pieceId}/preview", "/api/pieces/{id}/preview", await EveryCoatAsync(piece["plan"]!));
            case "commission":
                var commission = await CommissionAsync("Lantern Pier winter supper");
                return ("PUT", $"/api/commissions/{commission["id"]}", "/api/commissions/{id}", commission);
            case "flower":
                return ("PUT", $"/api/flowers/{flowerId}", "/api/flowers/{id}", new JsonObject { ["name"] = "Rose", ["flowers"] = 3, ["buds"] = 2, ["mustBeEdible"] = false });
            case "counts":
                return ("PUT", $"/api/flowers/{flowerId}/counts", "/api/flowers/{id}/counts", new JsonObject { ["flowers"] = 3, ["buds"] = 2 });
            case "spares":
                return ("PUT", $"/api/pieces/{pieceId}/spares", "/api/pieces/{id}/spares", new JsonObject { ["spareShare"] = 0.2 });
            case "studio":
                return ("PUT", "/api/studio", "/api/studio", await GetAsync("/api/studio"));
            case "material":
                return ("POST", "/api/materials", "/api/materials", new JsonObject { ["sheet"] = (await GetAsync("/api/materials/rowan"))["sheet"]!.DeepClone() });
            case "batch":
                return ("PUT", $"/api/batches/{Guid.NewGuid()}", "/api/batches/{id}", new JsonObject
                {
                    ["commissionId"] = flower["id"]!.ToString(),
                    ["name"] = "Wine",
                    ["recipe"] = paste.DeepClone(),
                    ["pasteG"] = 100,
                    ["target"] = target.DeepClone(),
                    ["measured"] = target.DeepClone(),
                    ["note"] = "",
                    ["made"] = new JsonObject { ["at"] = "2026-03-01T10:00:00Z", ["recipe"] = paste.DeepClone(), ["grams"] = 100, ["leftG"] = 20, ["keptIn"] = "tin" },
                });
            case "ombre":
                var ranunculus = (await FlowerAsync("Ranunculus"))["id"]!;
                return ("POST", $"/api/flowers/{ranunculus}/ombre/look", "/api/flowers/{id}/ombre/look", (await GetAsync($"/api/flowers/{ranunculus}/ombre"))["plan"]!);
            case "marble":
                var clematis = (await FlowerAsync("Clematis, moonlit"))["id"]!;
                return ("POST", $"/api/flowers/{clematis}/marble/look", "/api/flowers/{id}/marble/look", (await GetAsync($"/api/flowers/{clematis}/marble"))["plan"]!);
            case "finder":
                return ("POST", "/api/recipes/find", "/api/recipes/find", new JsonObject { ["baseIds"] = new JsonArray("bright-white-paste"), ["target"] = target.DeepClone(), ["pasteG"] = 100, ["mostColourants"] = 2 });
            default:
                return ("POST", "/api/recipes/look", "/api/recipes/look", new JsonObject { ["recipe"] = paste.DeepClone(), ["target"] = target.DeepClone(), ["pasteG"] = 100, ["light"] = "daylight" });
        }
    }

    /// <summary>A plan with a coat of every kind, a painted detail, a place put together, and something that was kept on purpose.</summary>
    private async Task<JsonNode> EveryCoatAsync(JsonNode plan)
    {
        var beginnings = await GetAsync("/api/coat-beginnings");
        var wash = beginnings["coats"]!["quince"]!.DeepClone();
        wash["marking"] = beginnings["markings"]![0]!.DeepClone();
        wash["place"] = beginnings["places"]![1]!.DeepClone();
        wash["place"]!["also"] = new JsonArray(beginnings["places"]![2]!.DeepClone());
        var glaze = beginnings["coats"]!["satin-veil"]!.DeepClone();
        glaze["tint"] = beginnings["tint"]!.DeepClone();
        JsonNode[] coats = [beginnings["coats"]!["haw"]!.DeepClone(), wash, beginnings["steam"]!.DeepClone(), glaze, beginnings["coats"]!.AsObject().First(one => (string)one.Value!["kind"]! == "pollen").Value!.DeepClone()];
        foreach (var coat in coats)
            coat["id"] = Guid.NewGuid().ToString();
        var whole = plan.DeepClone();
        whole["coats"] = new JsonArray(coats);
        whole["onPurpose"] = new JsonArray(new JsonObject { ["code"] = "dustOverGlaze", ["coatId"] = null, ["note"] = "so" });
        return whole;
    }

    /// <summary>A colour is refused as a whole.</summary>
    private static bool IsColour(string path) => path.EndsWith(".l", StringComparison.Ordinal) || path.EndsWith(".a", StringComparison.Ordinal) || path.EndsWith(".b", StringComparison.Ordinal);

    /// <summary>Every field of a request that has a limit, with it.</summary>
    private static IEnumerable<(string Path, JsonObject Limits)> Limited(JsonNode schema, JsonNode? value, string path)
    {
        if (value is null)
            yield break;
        var shape = Resolved(schema, value);
        foreach (var (name, property) in shape["properties"]?.AsObject() ?? [])
        {
            var at = path.Length == 0 ? name : $"{path}.{name}";
            if (value is not JsonObject having || !having.ContainsKey(name))
                continue;
            if (property!.AsObject().Any(one => one.Key is "minimum" or "exclusiveMinimum" or "maximum" or "maxLength" or "maxItems"))
                yield return (at, property.AsObject());
            foreach (var inner in Limited(property, having[name], at))
                yield return inner;
        }

        foreach (var (i, item) in (value as JsonArray)?.Index() ?? [])
        {
            foreach (var inner in shape["items"] is { } items ? Limited(items, item, $"{path}[{i}]") : [])
                yield return inner;
        }

        foreach (var (key, item) in shape["additionalProperties"] is JsonObject ? value.AsObject() : [])
        {
            foreach (var inner in Limited(shape["additionalProperties"]!, item, $"{path}.{key}"))
                yield return inner;
        }
    }

    private static JsonNode Resolved(JsonNode schema, JsonNode value)
    {
        if (schema["oneOf"] is JsonArray choices)
            return Resolved(choices.First(one => one!["$ref"] is not null)!, value);
        if (schema["$ref"] is { } reference)
            return Resolved(ApiDocument.Root["components"]!["schemas"]![((string)reference!).Split('/')[^1]]!, value);
        return schema["discriminator"]?["mapping"] is { } mapping ? Resolved(new JsonObject { ["$ref"] = mapping[(string)value["kind"]!]!.DeepClone() }, value) : schema;
    }

    private static IEnumerable<(JsonNode? Value, bool IsBeyond)> Tried(JsonObject limits, JsonNode valid, string at)
    {
        var hangs = LessElsewhere.Contains(at.Split('.')[^1]);
        double? Number(string name) => limits[name] is { } limit ? double.Parse(limit.ToString(), System.Globalization.CultureInfo.InvariantCulture) : null;
        if (Number("maximum") is { } most)
        {
            yield return (JsonValue.Create(Math.Floor(most) + 1), true);
            if (!hangs)
                yield return (JsonValue.Create(most), false);
        }

        if (Number("minimum") is { } least)
        {
            yield return (JsonValue.Create(Math.Ceiling(least) - 1), true);
            if (!hangs)
                yield return (JsonValue.Create(least), false);
        }

        if (Number("exclusiveMinimum") is { } above)
            yield return (JsonValue.Create(above), true);
        if (Number("maxLength") is { } longest)
        {
            yield return (JsonValue.Create(new string('x', (int)longest + 1)), true);
            if (!hangs)
                yield return (JsonValue.Create(new string('x', (int)longest)), false);
        }

        if (Number("minLength") is > 0)
            yield return (JsonValue.Create(""), true);
        if (Number("maxItems") is { } mostItems && At(valid, at) is JsonArray { Count: > 0 } some)
            yield return (new JsonArray([.. Enumerable.Range(0, (int)mostItems + 1).Select(_ => some[0]!.DeepClone())]), true);
        if (Number("minItems") is > 0)
            yield return (new JsonArray(), true);
    }

    private static JsonNode? At(JsonNode body, string path) => Steps(path).Aggregate((JsonNode?)body, (node, step) => int.TryParse(step, out var i) ? node![i] : node![step]);

    private static void Put(JsonNode body, string path, JsonNode? value)
    {
        var steps = Steps(path);
        var holder = steps[..^1].Aggregate(body, (node, step) => int.TryParse(step, out var i) ? node[i]! : node[step]!);
        holder[steps[^1]] = value;
    }

    private static string[] Steps(string path) => path.Replace("[", ".", StringComparison.Ordinal).Replace("]", "", StringComparison.Ordinal).Split('.');
}
