using System.Collections;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;
using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Work;

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
        options.TypeInfoResolver = new DefaultJsonTypeInfoResolver().WithAddedModifier(CoatKinds.Describe).WithAddedModifier(WorkSteps.Describe).WithAddedModifier(NoGaps);
        return options;
    }

    /// <summary>
    /// What annotations do not catch is found when a thing has been read: nothing where something must stand, in a list or in a field
    /// that is set after its constructor; and the character 0, which PostgreSQL cannot keep in a text.
    /// </summary>
    private static void NoGaps(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object)
            return;
        var nullability = new NullabilityInfoContext();
        var checks = type.Properties.Where(property => property.Get is not null && !property.PropertyType.IsValueType)
            .Select(property => (property.Name, Get: property.Get!, MayBeNull: property.AttributeProvider is not PropertyInfo info || nullability.Create(info).ReadState != NullabilityState.NotNull)).ToArray();
        if (checks.Length == 0)
            return;
        var before = type.OnDeserialized;
        type.OnDeserialized = read =>
        {
            before?.Invoke(read);
            foreach (var (name, get, mayBeNull) in checks)
            {
                if (!IsWhole(get(read), mayBeNull))
                    throw new JsonException($"{name} has nothing where something must stand, or a character that is none.");
            }
        };
    }

    private static bool IsWhole(object? value, bool mayBeNull) => value switch
    {
        null => mayBeNull,
        string text => !text.Contains('\0', StringComparison.Ordinal),
        IDictionary dictionary => IsWhole(dictionary.Values, mayBeNull),
        IEnumerable list => list.Cast<object?>().All(one => one is not null && (one is not string text || !text.Contains('\0', StringComparison.Ordinal))),
        _ => true,
    };

    internal static string Write(PiecePlan plan) => JsonSerializer.Serialize(plan, Options);

    public static string Write(AssemblyPlan assembly) => JsonSerializer.Serialize(assembly, Options);

    internal static AssemblyPlan ReadAssembly(string json) =>
        JsonSerializer.Deserialize<AssemblyPlan>(json, Options) ?? throw new InvalidDataException("A flower has no assembly.");

    public static string Write(IReadOnlyList<MaterialTake> takes) => JsonSerializer.Serialize(takes, Options);

    internal static IReadOnlyList<MaterialTake> ReadTakes(string json) =>
        JsonSerializer.Deserialize<IReadOnlyList<MaterialTake>>(json, Options) ?? throw new InvalidDataException("A tick says that nothing went in.");

    public static string Write(IReadOnlyList<Maker> makers) => JsonSerializer.Serialize(makers, Options);

    internal static IReadOnlyList<Maker> ReadMakers(string json) =>
        JsonSerializer.Deserialize<IReadOnlyList<Maker>>(json, Options) ?? throw new InvalidDataException("Nobody works.");

    public static string Write(LoggedMix mix) => JsonSerializer.Serialize(mix, Options);

    internal static LoggedMix ReadLoggedMix(string json) =>
        JsonSerializer.Deserialize<LoggedMix>(json, Options) ?? throw new InvalidDataException("A log entry has no mix.");

    public static string Write(LoggedLearning learned) => JsonSerializer.Serialize(learned, Options);

    internal static LoggedLearning ReadLoggedLearning(string json) =>
        JsonSerializer.Deserialize<LoggedLearning>(json, Options) ?? throw new InvalidDataException("A log entry was predicted by nothing.");

    public static string Write(LoggedReading reading) => JsonSerializer.Serialize(reading, Options);

    internal static LoggedReading ReadLoggedReading(string json) =>
        JsonSerializer.Deserialize<LoggedReading>(json, Options) ?? throw new InvalidDataException("A log entry was nothing before.");

    public static string Write(LoggedZone zone) => JsonSerializer.Serialize(zone, Options);

    internal static LoggedZone ReadLoggedZone(string json) =>
        JsonSerializer.Deserialize<LoggedZone>(json, Options) ?? throw new InvalidDataException("A log entry has no zone.");

    public static string Write(Piece piece) => JsonSerializer.Serialize(piece, Options);

    internal static Piece ReadPiece(string json) =>
        JsonSerializer.Deserialize<Piece>(json, Options) ?? throw new InvalidDataException("A log entry has no piece.");

    public static string Write(WorkPlan plan) => JsonSerializer.Serialize(plan, Options);

    internal static WorkPlan ReadWorkPlan(string json) =>
        JsonSerializer.Deserialize<WorkPlan>(json, Options) ?? throw new InvalidDataException("There is no plan.");

    public static string Write(SprayPlan spray) => JsonSerializer.Serialize(spray, Options);

    internal static SprayPlan ReadSpray(string json) =>
        JsonSerializer.Deserialize<SprayPlan>(json, Options) ?? throw new InvalidDataException("A commission has no spray.");

    /// <summary>Plans that were read lately, by their text: the same text is the same plan, and what was computed of it need not be computed again.</summary>
    private static readonly Recent<string, PiecePlan> Plans = new(
        8_000, json => JsonSerializer.Deserialize<PiecePlan>(json, Options) ?? throw new InvalidDataException("A piece has no plan."));

    internal static PiecePlan Read(string json) => Plans[json];
}
