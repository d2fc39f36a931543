using Microsoft.AspNetCore.StaticFiles;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// Sends the copy of a script or style that was compressed when the client was built, to browsers that read it: smaller than what can
/// be made while somebody waits.
/// </summary>
internal sealed class CompressedFiles(RequestDelegate next, IWebHostEnvironment environment)
{
    private const string Ending = ".gz";
    private static readonly FileExtensionContentTypeProvider Types = new();

    public Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        if (request.Path.StartsWithSegments("/assets") && request.GetTypedHeaders().AcceptEncoding.Any(one => one.Value == "gzip" && one.Quality is not 0)
            && environment.WebRootFileProvider.GetFileInfo(request.Path + Ending).Exists)
            request.Path += Ending;
        return next(context);
    }

    /// <summary>What a compressed copy is a copy of, and to whoever keeps an answer that there are two.</summary>
    public static void Tell(StaticFileResponseContext file)
    {
        var headers = file.Context.Response.Headers;
        if (file.Context.Request.Path.StartsWithSegments("/assets"))
            headers.Vary = "Accept-Encoding";
        if (!file.File.Name.EndsWith(Ending, StringComparison.Ordinal) || !Types.TryGetContentType(file.File.Name[..^Ending.Length], out var type))
            return;
        (headers.ContentType, headers.ContentEncoding) = (type, "gzip");
    }
}
