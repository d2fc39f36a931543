using System.Net.Mime;
using Microsoft.Net.Http.Headers;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>Turns away what no handler could make sense of: an address with a character that is none, JSON in another alphabet than UTF-8.</summary>
internal sealed class ReadableOnly(RequestDelegate next)
{
    public Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        if ($"{request.Path}{Uri.UnescapeDataString(request.QueryString.Value ?? "")}".Contains('\0', StringComparison.Ordinal))
            return ApiProblem.ForStatus(StatusCodes.Status400BadRequest).ExecuteAsync(context);
        return MediaTypeHeaderValue.TryParse(request.ContentType, out var type) && type.MatchesMediaType(MediaTypeNames.Application.Json)
            && type.Charset is { HasValue: true } charset && !charset.Equals("utf-8", StringComparison.OrdinalIgnoreCase)
                ? ApiProblem.ForStatus(StatusCodes.Status415UnsupportedMediaType).ExecuteAsync(context)
                : next(context);
    }
}
