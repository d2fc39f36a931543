using System.Text.Json;
using System.Text.Json.Serialization;
using YoungTinge.Core.Coats;

namespace YoungTinge.Store;

/// <summary>How a plan is written as JSON, in the database and over HTTP alike.</summary>
public static class PlanJson
{
    public static JsonSerializerOptions Options { get; } = Configure(new JsonSerializerOptions(JsonSerializerDefaults.Web));

    /// <summary>A missing or null field is an error, not a default: a plan with half its fields must not be kept.</summary>
    public static JsonSerializerOptions Configure(JsonSerializerOptions options)
    {
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        // The kind of a coat may stand anywhere in it: jsonb does not keep the order of fields.
        options.AllowOutOfOrderMetadataProperties = true;
        options.NumberHandling = JsonNumberHandling.Strict;
        return options;
    }

    internal static string Write(PiecePlan plan) => JsonSerializer.Serialize(plan, Options);

    internal static PiecePlan Read(string json) =>
        JsonSerializer.Deserialize<PiecePlan>(json, Options) ?? throw new InvalidDataException("A piece has no plan.");
}
