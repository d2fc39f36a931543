using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace YoungTinge.Files;

/// <summary>How the open JSON files are written, and the schema that is published for each.</summary>
public static class OpenJson
{
    public static JsonSerializerOptions Options { get; } = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        NumberHandling = JsonNumberHandling.Strict,
        WriteIndented = true,
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        // The files are read as files, never as part of a page.
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver(),
    };

    /// <returns>Null if it is no JSON, or JSON of another shape.</returns>
    public static T? Read<T>(byte[] file) where T : class
    {
        try
        {
            var start = file is [0xEF, 0xBB, 0xBF, ..] ? 3 : 0;
            return JsonSerializer.Deserialize<T>(file.AsSpan(start), Options);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <param name="title">Of the schema.</param>
    public static string SchemaOf<T>(string title)
    {
        var schema = (JsonObject)Options.GetJsonSchemaAsNode(typeof(T), new JsonSchemaExporterOptions { TreatNullObliviousAsNonNullable = true });
        schema.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.Insert(1, "title", title);
        return schema.ToJsonString(Options);
    }
}
