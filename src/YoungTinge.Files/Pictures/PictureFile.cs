using System.Runtime.InteropServices;
using SkiaSharp;
using YoungTinge.Core.Pictures;

namespace YoungTinge.Files.Pictures;

/// <summary>Why a file cannot be taken as a picture.</summary>
public enum PictureProblem
{
    TooLarge,

    /// <summary>Neither JPEG, PNG nor WebP, or nothing of the kind at all.</summary>
    NotAPicture,

    /// <summary>It begins as a picture but its end is missing or damaged.</summary>
    Damaged,

    /// <summary>More pixels than any camera gives: decoding it would fill the memory.</summary>
    TooManyPixels,

    /// <summary>Too small to see a zone in.</summary>
    TooSmall,
}

public abstract record PictureResult
{
    /// <summary>Upright, no larger than <see cref="PictureFile.LongestKept"/>, in sRGB.</summary>
    /// <param name="SaysItsColours">The file has a colour profile, or says which colour space it is in.</param>
    public sealed record Read(Photograph Photo, bool SaysItsColours) : PictureResult;

    /// <param name="Limit">The limit that was passed, if it is one.</param>
    public sealed record Refused(PictureProblem Problem, double? Limit = null) : PictureResult;
}

/// <summary>
/// Reads pictures that others made, and writes our own. What is read is turned upright, brought into sRGB and made no larger than
/// needed; nothing of the file itself is kept, so place, time and camera are gone.
/// </summary>
public static class PictureFile
{
    public const int LargestBytes = 20 * 1024 * 1024;

    /// <summary>Pixels along the longer side that are kept: a petal is still hundreds of them.</summary>
    public const int LongestKept = 1600;

    /// <summary>Pixels along one side that are looked at at all.</summary>
    public const int LongestRead = 16_000;

    /// <summary>64 million pixels: above the largest usual cameras, 256 MB while it is read.</summary>
    public const int MostPixels = 64_000_000;

    public const int ShortestSide = 32;

    private const int Quality = 92;

    public static PictureResult Read(byte[] file)
    {
        if (file.Length > LargestBytes)
            return new PictureResult.Refused(PictureProblem.TooLarge, LargestBytes / (1024.0 * 1024));
        // Only the head is read here: size and kind are known before a pixel is decoded.
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        if (codec is null || codec.EncodedFormat is not (SKEncodedImageFormat.Jpeg or SKEncodedImageFormat.Png or SKEncodedImageFormat.Webp))
            return new PictureResult.Refused(PictureProblem.NotAPicture);
        var size = codec.Info;
        if (size.Width > LongestRead || size.Height > LongestRead)
            return new PictureResult.Refused(PictureProblem.TooManyPixels, LongestRead);
        if ((long)size.Width * size.Height > MostPixels)
            return new PictureResult.Refused(PictureProblem.TooManyPixels, MostPixels);
        if (Math.Min(size.Width, size.Height) < ShortestSide)
            return new PictureResult.Refused(PictureProblem.TooSmall, ShortestSide);

        using var srgb = SKColorSpace.CreateSrgb();
        using var decoded = new SKBitmap(new SKImageInfo(size.Width, size.Height, SKColorType.Rgba8888, SKAlphaType.Unpremul, srgb));
        if (codec.GetPixels(decoded.Info, decoded.GetPixels()) is not SKCodecResult.Success)
            return new PictureResult.Refused(PictureProblem.Damaged);
        return new PictureResult.Read(PhotographOf(Small(decoded), codec.EncodedOrigin), ColourProfile.IsIn(file));
    }

    /// <summary>As a JPEG without any notes in it.</summary>
    public static byte[] WriteJpeg(Photograph photo)
    {
        using var bitmap = new SKBitmap(new SKImageInfo(photo.Width, photo.Height, SKColorType.Rgba8888, SKAlphaType.Opaque));
        var rgba = new byte[4 * photo.Width * photo.Height];
        var rgb = photo.Rgb;
        for (int from = 0, to = 0; from < rgb.Length; from += 3, to += 4)
        {
            rgb.Slice(from, 3).CopyTo(rgba.AsSpan(to));
            rgba[to + 3] = 255;
        }

        Marshal.Copy(rgba, 0, bitmap.GetPixels(), rgba.Length);
        using var pixmap = bitmap.PeekPixels();
        using SKData? data = pixmap.Encode(new SKJpegEncoderOptions(Quality, SKJpegEncoderDownsample.Downsample444, SKJpegEncoderAlphaOption.Ignore));
        return data?.ToArray() ?? throw new InvalidOperationException($"A picture of {photo.Width} by {photo.Height} pixels could not be written.");
    }

    private static SKBitmap Small(SKBitmap bitmap)
    {
        var scale = Math.Min(1.0, (double)LongestKept / Math.Max(bitmap.Width, bitmap.Height));
        if (scale == 1)
            return bitmap;
        var info = bitmap.Info.WithSize(Math.Max(1, (int)(bitmap.Width * scale)), Math.Max(1, (int)(bitmap.Height * scale)));
        return bitmap.Resize(info, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
    }

    /// <summary>Upright, and on white where it is clear.</summary>
    private static Photograph PhotographOf(SKBitmap bitmap, SKEncodedOrigin origin)
    {
        int width = bitmap.Width, height = bitmap.Height;
        var (across, down) = Turned(origin) ? (height, width) : (width, height);
        var rgb = new byte[3 * width * height];
        var pixels = bitmap.GetPixelSpan();
        for (var y = 0; y < down; y++)
        {
            for (var x = 0; x < across; x++)
            {
                var (column, row) = Source(origin, x, y, width, height);
                var from = 4 * (row * width + column);
                var to = 3 * (y * across + x);
                var alpha = pixels[from + 3];
                for (var channel = 0; channel < 3; channel++)
                    rgb[to + channel] = (byte)((pixels[from + channel] * alpha + 255 * (255 - alpha) + 127) / 255);
            }
        }

        return new Photograph(across, down, rgb);
    }

    private static bool Turned(SKEncodedOrigin origin) =>
        origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;

    /// <summary>Where a pixel of the upright picture lies in the file (Exif orientation 1 to 8).</summary>
    private static (int Column, int Row) Source(SKEncodedOrigin origin, int x, int y, int width, int height) => origin switch
    {
        SKEncodedOrigin.TopRight => (width - 1 - x, y),
        SKEncodedOrigin.BottomRight => (width - 1 - x, height - 1 - y),
        SKEncodedOrigin.BottomLeft => (x, height - 1 - y),
        SKEncodedOrigin.LeftTop => (y, x),
        SKEncodedOrigin.RightTop => (y, height - 1 - x),
        SKEncodedOrigin.RightBottom => (width - 1 - y, height - 1 - x),
        SKEncodedOrigin.LeftBottom => (width - 1 - y, x),
        _ => (x, y),
    };
}
