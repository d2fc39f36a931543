using Microsoft.Extensions.Caching.Memory;
using YoungTinge.Core.Pictures;

namespace YoungTinge.Web.Pictures;

/// <summary>
/// Pictures that are being looked at, unpacked: a drag over a zone must not unpack a file each time. Also holds those that are only
/// read and not kept, such as dabs. A few at a time; what has not been looked at for a while goes.
/// </summary>
public sealed class PictureDesk : IDisposable
{
    private const long MostBytes = 160_000_000;
    private static readonly TimeSpan Kept = TimeSpan.FromMinutes(30);

    private readonly MemoryCache pictures = new(new MemoryCacheOptions { SizeLimit = MostBytes });

    /// <summary>Null if it is not there.</summary>
    public Photograph? Find(Guid id) => pictures.Get<Photograph>(id);

    public Photograph Lay(Guid id, Photograph photo) =>
        pictures.Set(id, photo, new MemoryCacheEntryOptions { Size = photo.Rgb.Length, SlidingExpiration = Kept });

    public void TakeAway(Guid id) => pictures.Remove(id);

    public void Dispose() => pictures.Dispose();
}
