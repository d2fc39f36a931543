using System.Collections;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
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
        options.TypeInfoResolver = new DefaultJsonTypeInfoResolver().WithAddedModifier(NoGaps);
        return options;
    }

    /// <summary>
    /// Nullable annotations are not known for what is within a list, and no annotation says what PostgreSQL cannot keep in a text: a
    /// gap in a list, and the character 0, are found when the thing that they stand in has been read.
    /// </summary>
    private static void NoGaps(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object)
            return;
        var texts = type.Properties.Where(property => property.PropertyType == typeof(string) && property.Get is not null).ToArray();
        var lists = type.Properties.Where(property => property.PropertyType != typeof(string) && property.Get is not null && property.PropertyType.IsAssignableTo(typeof(IEnumerable))).ToArray();
        if (texts.Length + lists.Length == 0)
            return;
        var before = type.OnDeserialized;
        type.OnDeserialized = read =>
        {
            before?.Invoke(read);
            foreach (var property in texts)
            {
                if (property.Get!(read) is string text && text.Contains('\0', StringComparison.Ordinal))
                    throw new JsonException($"{property.Name} has a character in it that is none.");
            }

            foreach (var property in lists)
            {
                if (property.Get!(read) is IEnumerable list && list.Cast<object?>().Any(one => one is null || one is string text && text.Contains('\0', StringComparison.Ordinal)))
                    throw new JsonException($"{property.Name} has nothing where something must stand.");
            }
        };
    }

    internal static string Write(PiecePlan plan) => JsonSerializer.Serialize(plan, Options);

    internal static PiecePlan Read(string json) =>
        JsonSerializer.Deserialize<PiecePlan>(json, Options) ?? throw new InvalidDataException("A piece has no plan.");
}
