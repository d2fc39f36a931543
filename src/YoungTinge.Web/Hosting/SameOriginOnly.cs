using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// Another site open in the same browser must not be able to change anything here. Browsers say where a request comes from; those that
/// do not say it in one word (<c>Sec-Fetch-Site</c>) name the page's origin. A program that says neither is no browser.
/// </summary>
internal sealed class SameOriginOnly(RequestDelegate next)
{
    public async Task InvokeAsync(HttpContext context)
    {
        if (!context.Request.IsReading() && !IsOwn(context.Request))
        {
            await ApiProblem.Result(StatusCodes.Status403Forbidden, ApiProblemCode.OtherSite).ExecuteAsync(context);
            return;
        }

        await next(context);
    }

    private static bool IsOwn(HttpRequest request)
    {
        if (request.Headers["Sec-Fetch-Site"].ToString() is { Length: > 0 } from)
            return from is "same-origin" or "none";
        // "null" is a page without an origin: a file, a frame that was locked in.
        return request.Headers.Origin.ToString() is not { Length: > 0 } origin
            || Uri.TryCreate(origin, UriKind.Absolute, out var page) && string.Equals(page.Authority, request.Host.Value, StringComparison.OrdinalIgnoreCase);
    }
}
