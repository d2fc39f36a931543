using System.Collections.Concurrent;
using System.Globalization;
using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text.Json.Serialization.Metadata;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using YoungTinge.Core.Cabinet;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>The description of the API that the client's types are made from. Its words are the doc comments of the code.</summary>
internal static class OpenApiDocument
{
    public const string Path = "/api/openapi.json";

    /// <summary>Of an operation: who may use it.</summary>
    public const string LeastRole = "x-least-role";

    /// <summary>The places of the API, each a folder of this project, in the order of a maker's work.</summary>
    private static readonly (string Folder, string Name, string Words)[] Places =
    [
        ("Commissions", "Commissions", "Work that somebody ordered, with its flowers, and what was taken out."),
        ("Flowers", "Flowers", "Flowers, their pieces and the plans of these: colours, pictures, ways to a target, steps at the bench."),
        ("Targets", "Targets", "What a piece should look like, by eye or from nature."),
        ("Pictures", "Pictures", "Photographs of flowers and dabs, and what is read in them."),
        ("Mixing", "Mixing table", "Recipes for a colour, what a dose does, batches and how to save one."),
        ("PasteDay", "Paste day", "All pastes of a day, runs of shades and marbled batches."),
        ("DustDay", "Dust day", "All dusts, paints, steam and glaze of a commission in the order of the brushes."),
        new("Bench", "Bench", "What to do now, what dries and what is next, for devices at the bench."),
        new("Plan", "Plan", "The work in time: who works when, and the plan in force."),
        new("Work", "Work", "What there is to do, on run sheets, and ticking what is done."),
        ("Cabinet", "Cabinet", "Jars, wires and all else that there is, and what is needed of it."),
        ("Logbook", "Logbook", "What came out, beside what was foretold."),
        new("People", "People", "Coming in and going out, who works in the studio, and who changed what."),
        new("Practice", "Practice", "Exercises for the eye and the hand on simulated pastes."),
        ("Files", "Files", "Files in and out, palettes and archives."),
        ("LightBox", "Light box", "Stand-ins for a light box and a colour reader."),
        ("Studios", "Studio", "Whose studio it is, and how it measures."),
    ];

    private static readonly ConcurrentDictionary<string, Type> Types = new();

    private static readonly Lazy<DocComments> Comments =
        new(() => DocComments.OfAll([typeof(Server).Assembly, typeof(Materials).Assembly, typeof(PieceStore).Assembly, typeof(YoungTinge.Files.OpenJson).Assembly, typeof(Devices.LightBoxCamera).Assembly]));

    public static void Configure(OpenApiOptions options)
    {
        options.CreateSchemaReferenceId = NameOf;
        options.AddOperationTransformer((operation, context, _) =>
        {
            Describe(operation, context.Description.ActionDescriptor.EndpointMetadata);
            return Task.CompletedTask;
        });
        options.AddDocumentTransformer((document, _, _) =>
        {
            document.Info.Title = "Young Tinge";
            document.Info.Version = "1";
            document.Info.Description = "Plans the colouring of sugar flowers. Lengths are in millimetres, masses in grams, colours in CIELAB under D65 (2 degree observer) where nothing else is said.";
            document.Tags = new HashSet<OpenApiTag>(Places.Select(place => new OpenApiTag { Name = place.Name, Description = place.Words }));
            // Not the address of the machine that happened to build it.
            document.Servers?.Clear();
            RequireKinds(document);
            DescribeProperties(document);
            return Task.CompletedTask;
        });
    }

    /// <summary>An operation says what it does, at which place, and how it may fail.</summary>
    private static void Describe(OpenApiOperation operation, IList<object> metadata)
    {
        if (metadata.OfType<MethodInfo>().FirstOrDefault() is not { } handler)
            return;
        var useCase = handler.DeclaringType!;
        while (useCase.DeclaringType is { } outer && useCase.GetCustomAttribute<CompilerGeneratedAttribute>() is not null)
            useCase = outer;
        operation.Summary ??= Comments.Value.Of(handler) ?? Comments.Value.Of(useCase);
        operation.Tags = new HashSet<OpenApiTagReference> { new(Places.First(place => useCase.Namespace!.EndsWith($".{place.Folder}", StringComparison.Ordinal)).Name) };
        foreach (var parameter in operation.Parameters?.OfType<OpenApiParameter>() ?? [])
            parameter.Description ??= PropertyWords.For("", parameter.Name!, Comments.Value.Of(handler, parameter.Name!));
        if (operation.Responses?.ContainsKey("428") == true)
        {
            (operation.Parameters ??= []).Add(new OpenApiParameter
            {
                Name = "If-Match",
                In = ParameterLocation.Header,
                Description = "Version that the change was made from, in quotes: as it came with what is changed, or as ETag.",
                Schema = new OpenApiSchema { Type = JsonSchemaType.String },
            });
        }

        if (metadata.OfType<AllowedFor>().LastOrDefault() is { } allowed)
        {
            (operation.Extensions ??= new Dictionary<string, IOpenApiExtension>())[LeastRole] = new JsonNodeExtension(allowed.Least.ToString().ToLowerInvariant());
            if (allowed.Least != Access.Anyone)
                AddFailure(operation, "401");
            if (allowed.Least > Access.Helper || !metadata.IsReading())
                AddFailure(operation, "403");
        }

        foreach (var (status, response) in operation.Responses ?? [])
            response.Description = ApiProblem.TitlesOf(int.Parse(status, CultureInfo.InvariantCulture)) ?? response.Description;
    }

    /// <summary>Any that is not for everybody may be refused; told as all other failures are.</summary>
    private static void AddFailure(OpenApiOperation operation, string status)
    {
        if (operation.Responses is { } responses && responses.TryGetValue("400", out var alike))
            responses.TryAdd(status, new OpenApiResponse { Content = alike.Content });
    }

    private static void DescribeProperties(Microsoft.OpenApi.OpenApiDocument document)
    {
        foreach (var (name, schema) in document.Components?.Schemas ?? new Dictionary<string, IOpenApiSchema>())
        {
            if (TypeOf(name) is not { } type)
                continue;
            schema.Description ??= Comments.Value.Of(type);
            foreach (var (property, shape) in schema.Properties ?? new Dictionary<string, IOpenApiSchema>())
            {
                var info = type.GetProperty(property, BindingFlags.Public | BindingFlags.Instance | BindingFlags.IgnoreCase);
                shape.Description = PropertyWords.For(name, property, info is null ? null : Comments.Value.Of(info));
                if (info is not null && shape is OpenApiSchema own)
                    PropertyLimits.Describe(info, own);
            }
        }
    }

    /// <summary>A kind of coat or step is called after what it is a kind of as well.</summary>
    private static Type? TypeOf(string name) => Types.TryGetValue(name, out var known)
        ? known
        : typeof(Materials).Assembly.GetTypes().Concat(typeof(Server).Assembly.GetTypes()).FirstOrDefault(type => type.BaseType is { } kindOf && name == kindOf.Name + type.Name);

    /// <summary>The kind that tells coats and steps apart is always there, which the generator does not say by itself.</summary>
    private static void RequireKinds(Microsoft.OpenApi.OpenApiDocument document)
    {
        foreach (var schema in document.Components?.Schemas?.Values.OfType<OpenApiSchema>() ?? [])
        {
            if (schema.Properties?.TryGetValue("kind", out var kind) == true && kind.Enum is { Count: 1 })
                (schema.Required ??= new HashSet<string>()).Add("kind");
        }
    }

    /// <summary>Requests and answers stand inside their use case and share their short names; here they carry its name.</summary>
    private static string? NameOf(JsonTypeInfo type)
    {
        var name = OpenApiOptions.CreateDefaultSchemaReferenceId(type);
        if (name is not null && type.Type.DeclaringType is { } useCase)
            name = useCase.Name + name;
        if (name is not null)
            Types[name] = type.Type;
        return name;
    }
}
