using Microsoft.AspNetCore.Mvc;

namespace YoungTinge.Web.Shared;

/// <summary>Files that come as the body of a request, as they are.</summary>
internal static class Uploads
{
    /// <summary>Lets one route take more than the server's general limit.</summary>
    public static RouteHandlerBuilder TakesFile(this RouteHandlerBuilder route, long largestBytes) =>
        route.WithMetadata(new RequestSizeLimitAttribute(largestBytes));

    /// <summary>Lets one route take whatever there is room for on the disk.</summary>
    public static RouteHandlerBuilder TakesAnyFile(this RouteHandlerBuilder route) => route.WithMetadata(new DisableRequestSizeLimitAttribute());

    /// <summary>For small files, into memory.</summary>
    public static async Task<byte[]> ReadFileAsync(this HttpRequest request, CancellationToken cancel)
    {
        using var file = new MemoryStream();
        await request.Body.CopyToAsync(file, cancel);
        return file.ToArray();
    }

    /// <summary>For large ones, onto the disk; stands at its beginning.</summary>
    /// <param name="named">It is to be read by its name too.</param>
    public static async Task<FileStream> SpoolAsync(this HttpRequest request, CancellationToken cancel, bool named = false)
    {
        var file = NewSpool(named);
        try
        {
            await request.Body.CopyToAsync(file, cancel);
            await file.FlushAsync(cancel);
            file.Position = 0;
            return file;
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }
    }

    /// <summary>A file for as long as a request lasts. Without a name it is gone even if the server is killed.</summary>
    public static FileStream NewSpool(bool named = false)
    {
        var file = new FileStream(Path.Combine(Path.GetTempPath(), $"young-tinge-{Guid.NewGuid():N}"), new FileStreamOptions
        {
            Mode = FileMode.CreateNew,
            Access = FileAccess.ReadWrite,
            Share = FileShare.Read | FileShare.Delete,
            Options = FileOptions.Asynchronous | (named ? FileOptions.DeleteOnClose : FileOptions.None),
        });
        // What is open stays readable on Linux until it is closed.
        if (!named)
            File.Delete(file.Name);
        return file;
    }
}
