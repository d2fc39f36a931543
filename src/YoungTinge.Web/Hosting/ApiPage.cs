using System.Buffers.Text;
using System.Security.Cryptography;
using Scalar.AspNetCore;

namespace YoungTinge.Web.Hosting;

/// <summary>The description of the API as a page to read and to try. All that it is made of comes from here.</summary>
internal static class ApiPage
{
    public const string Path = "/api/docs";

    public static void Map(WebApplication app) => app.MapScalarApiReference(Path, (options, context) =>
    {
        // The one page whose script stands in it: it runs by a word that is made for this answer alone. Its styles are made as it runs.
        var nonce = Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(16));
        context.Response.Headers.ContentSecurityPolicy = SafeHeaders.Policy
            .Replace("script-src 'self'", $"script-src 'self' 'nonce-{nonce}'", StringComparison.Ordinal)
            .Replace("style-src 'self'", "style-src 'self' 'unsafe-inline'", StringComparison.Ordinal);
        options.WithTitle("Young Tinge: API").WithOpenApiRoutePattern(OpenApiDocument.Path).WithNonce(nonce)
            .DisableDefaultFonts().DisableTelemetry().DisableAgent().DisableMcp().HideDeveloperTools().HideClientButton();
    });
}
