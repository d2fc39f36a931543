using Microsoft.AspNetCore.Mvc;

namespace YoungTinge.Web.Hosting;

/// <summary>Files that come as the body of a request, as they are.</summary>
internal static class Uploads
{
    /// <summary>Lets one route take more than the server's general limit.</summary>
    public static RouteHandlerBuilder TakesFile(this RouteHandlerBuilder route, long largestBytes) =>
        route.WithMetadata(new RequestSizeLimitAttribute(largestBytes));

    public static async Task<byte[]> ReadFileAsync(this HttpRequest request, CancellationToken cancel)
    {
        using var file = new MemoryStream();
        await request.Body.CopyToAsync(file, cancel);
        return file.ToArray();
    }
}
