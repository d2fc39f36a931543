using SkiaSharp;
using YoungTinge.Core.Pictures;

namespace YoungTinge.Files.Pictures;

/// <summary>
/// A picture unpacked some rows at a time and made small on the way, so that one of 64 million pixels needs little more memory than
/// what is kept of it. (A PNG whose rows are interlaced can only be unpacked whole.)
/// </summary>
internal static class PictureRows
{
    private const int RowsAtOnce = 64;

    /// <returns>Upright, on white where it is clear, in sRGB, no larger than asked; null if the file is damaged.</returns>
    public static Photograph? Read(SKCodec codec, int longest)
    {
        using var srgb = SKColorSpace.CreateSrgb();
        var scaled = ScaledBy(codec, longest);
        var info = new SKImageInfo(scaled.Width, scaled.Height, SKColorType.Rgba8888, SKAlphaType.Unpremul, srgb);
        var scale = Math.Min(1.0, (double)longest / Math.Max(info.Width, info.Height));
        var small = new ShrunkPicture(info.Width, info.Height, Math.Max(1, (int)(info.Width * scale)), Math.Max(1, (int)(info.Height * scale)));
        return (codec.StartScanlineDecode(info) is SKCodecResult.Success && codec.ScanlineOrder is SKCodecScanlineOrder.TopDown
            ? ReadRows(codec, info, small)
            : ReadWhole(codec, info, small)) ? small.Upright(codec.EncodedOrigin) : null;
    }

    /// <summary>The smallest size the file can be unpacked to by itself (JPEG in eighths) that is still large enough.</summary>
    private static SKSizeI ScaledBy(SKCodec codec, int longest)
    {
        var whole = new SKSizeI(codec.Info.Width, codec.Info.Height);
        for (var eighths = 1; eighths < 8; eighths++)
        {
            var size = codec.GetScaledDimensions(eighths / 8f);
            if (Math.Max(size.Width, size.Height) >= Math.Min(longest, Math.Max(whole.Width, whole.Height)))
                return size;
        }

        return whole;
    }

    private static bool ReadRows(SKCodec codec, SKImageInfo info, ShrunkPicture small)
    {
        using var rows = new SKBitmap(info.WithSize(info.Width, Math.Min(RowsAtOnce, info.Height)));
        for (var row = 0; row < info.Height; row += rows.Height)
        {
            var count = Math.Min(rows.Height, info.Height - row);
            if (codec.GetScanlines(rows.GetPixels(), count, rows.RowBytes) < count)
                return false;
            small.Add(rows.GetPixelSpan()[..(count * rows.RowBytes)]);
        }

        return true;
    }

    private static bool ReadWhole(SKCodec codec, SKImageInfo info, ShrunkPicture small)
    {
        using var whole = new SKBitmap();
        if (!whole.TryAllocPixels(info) || codec.GetPixels(info, whole.GetPixels()) is not SKCodecResult.Success)
            return false;
        for (var row = 0; row < info.Height; row += RowsAtOnce)
            small.Add(whole.GetPixelSpan().Slice(row * whole.RowBytes, Math.Min(RowsAtOnce, info.Height - row) * whole.RowBytes));
        return true;
    }
}
