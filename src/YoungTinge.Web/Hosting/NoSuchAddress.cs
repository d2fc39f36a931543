using Microsoft.AspNetCore.Routing.Template;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>What is answered where no handler is: 405 with what there is, if the address can be asked in another way, else 404.</summary>
internal static class NoSuchAddress
{
    public static IResult Answer(HttpContext context, EndpointDataSource endpoints)
    {
        var asked = endpoints.Endpoints.OfType<RouteEndpoint>().Where(endpoint => endpoint.Order == 0 && Fits(endpoint, context.Request.Path))
            .SelectMany(endpoint => endpoint.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? []).Distinct().Order(StringComparer.Ordinal).ToList();
        // The right way to ask, so it is the address itself that is wrong: an id that is none.
        if (asked.Count == 0 || asked.Contains(context.Request.Method, StringComparer.OrdinalIgnoreCase))
            return ApiProblem.NotFound();
        context.Response.Headers.Allow = string.Join(", ", asked);
        return ApiProblem.ForStatus(StatusCodes.Status405MethodNotAllowed);
    }

    private static bool Fits(RouteEndpoint endpoint, PathString path) =>
        endpoint.RoutePattern.RawText is { } text && text.StartsWith("/api", StringComparison.Ordinal)
        && new TemplateMatcher(TemplateParser.Parse(text.TrimStart('/')), []).TryMatch(path, []);
}
