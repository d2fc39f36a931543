namespace YoungTinge.Web.Shared;

/// <summary>What kind of thing is asked for.</summary>
internal static class Asked
{
    /// <summary>Of the API; everything else is a page, a file of one, or health.</summary>
    public static bool IsApi(this HttpRequest request) => request.Path.StartsWithSegments("/api");

    /// <summary>Changes nothing.</summary>
    public static bool IsReading(this HttpRequest request) => IsReading(request.Method);

    /// <summary>Of an endpoint, by what is known of it; one that takes any method reads.</summary>
    public static bool IsReading(this IEnumerable<object> metadata) => metadata.OfType<HttpMethodMetadata>().LastOrDefault()?.HttpMethods.All(IsReading) ?? true;

    private static bool IsReading(string method) => HttpMethods.IsGet(method) || HttpMethods.IsHead(method);
}
