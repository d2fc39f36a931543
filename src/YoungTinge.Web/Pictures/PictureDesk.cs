using Microsoft.Extensions.Caching.Memory;
using YoungTinge.Core.Pictures;
using YoungTinge.Files.Pictures;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Pictures;

/// <summary>
/// Pictures that are being looked at, unpacked: a drag over a zone must not unpack a file each time. What is kept is in the database;
/// here are only a few of them, and what has not been looked at for a while goes.
/// </summary>
public sealed class PictureDesk(PictureStore pictures, LaidPictureStore laid, UnpackedPictures unpacked, Workers workers, TimeProvider clock)
{
    /// <summary>A file that is sent, made small and upright. One at a time: unpacking takes memory.</summary>
    public async Task<PictureResult> TakeInAsync(HttpRequest request, CancellationToken cancel)
    {
        await using var file = await request.SpoolAsync(cancel, named: true);
        return await workers.UnpackAsync(() => PictureFile.ReadFrom(file.Name), cancel);
    }

    /// <summary>Lays out a picture that is only to be read.</summary>
    public Task LayAsync(Guid studioId, Guid id, Photograph photo, CancellationToken cancel)
    {
        TakeAway(studioId, id);
        return laid.LayAsync(studioId, id, PictureFile.WriteJpeg(photo), clock.GetUtcNow(), cancel);
    }

    /// <summary>A picture of a flower; null if there is no such picture.</summary>
    public async Task<Photograph?> FindAsync(Guid studioId, Guid id, CancellationToken cancel) =>
        Unpacked(studioId, id) ?? await UnpackAsync(studioId, id, await pictures.FindJpegAsync(studioId, id, cancel), cancel);

    /// <summary>A picture that was laid out; null if it is no longer there.</summary>
    public async Task<Photograph?> FindLaidAsync(Guid studioId, Guid id, CancellationToken cancel) =>
        Unpacked(studioId, id) ?? await UnpackAsync(studioId, id, await laid.FindJpegAsync(studioId, id, cancel), cancel);

    public void TakeAway(Guid studioId, Guid id) => unpacked.Cache.Remove((studioId, id));

    private Photograph? Unpacked(Guid studioId, Guid id) => unpacked.Cache.Get<Photograph>((studioId, id));

    private async Task<Photograph?> UnpackAsync(Guid studioId, Guid id, byte[]? jpeg, CancellationToken cancel)
    {
        if (jpeg is null || await workers.UnpackAsync(() => PictureFile.Read(jpeg), cancel) is not PictureResult.Read { Photo: var photo })
            return null;
        return unpacked.Cache.Set((studioId, id), photo, new MemoryCacheEntryOptions { Size = photo.Rgb.Length, SlidingExpiration = UnpackedPictures.Kept });
    }
}

/// <summary>Pictures as they were last unpacked, of all studios together.</summary>
public sealed class UnpackedPictures : IDisposable
{
    private const long MostBytes = 96_000_000;

    public static readonly TimeSpan Kept = TimeSpan.FromMinutes(30);

    public MemoryCache Cache { get; } = new(new MemoryCacheOptions { SizeLimit = MostBytes, CompactionPercentage = 0.25 });

    public void Dispose() => Cache.Dispose();
}
