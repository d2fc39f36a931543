using Microsoft.AspNetCore.StaticFiles;

namespace YoungTinge.Web.Hosting;

/// <summary>Files with a hash in their name never change; the page that names them is asked for anew each time.</summary>
internal static class CacheFiles
{
    public static void Prepare(StaticFileResponseContext file)
    {
        CompressedFiles.Tell(file);
        file.Context.Response.Headers.CacheControl = file.Context.Request.Path.StartsWithSegments("/assets")
            ? "public, max-age=31536000, immutable"
            : "no-cache";
    }
}
