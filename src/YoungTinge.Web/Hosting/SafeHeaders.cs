using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>Headers that keep a page from running, framing or leaking anything that is not ours.</summary>
internal sealed class SafeHeaders(RequestDelegate next)
{
    public const string Policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self' data: blob:; connect-src 'self'; " +
        "manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /// <summary>At the last moment: what goes wrong on the way takes back all headers that were set before.</summary>
    public Task InvokeAsync(HttpContext context)
    {
        context.Response.OnStarting(() =>
        {
            Add(context.Response.Headers, isApi: context.Request.IsApi());
            return Task.CompletedTask;
        });
        return next(context);
    }

    /// <summary>Leaves what an answer says of itself.</summary>
    private static void Add(IHeaderDictionary headers, bool isApi)
    {
        headers.TryAdd("Content-Security-Policy", Policy);
        headers.TryAdd("X-Content-Type-Options", "nosniff");
        headers.TryAdd("X-Frame-Options", "DENY");
        headers.TryAdd("Referrer-Policy", "same-origin");
        headers.TryAdd("Cross-Origin-Opener-Policy", "same-origin");
        headers.TryAdd("Permissions-Policy", "camera=(), microphone=(), geolocation=()");
        if (isApi)
            headers.TryAdd("Cache-Control", "no-store");
    }
}
