using System.Text.Json.Serialization.Metadata;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace YoungTinge.Web.Hosting;

/// <summary>The description of the API that the client's types are made from.</summary>
internal static class OpenApiDocument
{
    public static void Configure(OpenApiOptions options)
    {
        options.CreateSchemaReferenceId = type => NameOf(type);
        options.AddDocumentTransformer((document, _, _) =>
        {
            document.Info.Title = "Young Tinge";
            document.Info.Version = "1";
            // Not the address of the machine that happened to build it.
            document.Servers?.Clear();
            RequireKinds(document);
            return Task.CompletedTask;
        });
    }

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
        return name is not null && type.Type.DeclaringType is { } useCase ? useCase.Name + name : name;
    }
}
