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

    /// <summary>64 million pixels: above the largest usual cameras.</summary>
    public const int MostPixels = 64_000_000;

    public const int ShortestSide = 32;

    private const int Quality = 92;

    public static PictureResult Read(byte[] file)
    {
        if (file.Length > LargestBytes)
            return TooLarge;
        using var data = SKData.CreateCopy(file);
        return Read(data);
    }

    /// <summary>Whether it can be read as a picture, to its end.</summary>
    public static bool IsPicture(byte[] file) => Read(file) is PictureResult.Read;

    /// <summary>Reads a file from disk, of which only what is needed at a time is in memory.</summary>
    public static PictureResult ReadFrom(string path)
    {
        if (new FileInfo(path).Length > LargestBytes)
            return TooLarge;
        using SKData? data = SKData.Create(path);
        return data is null ? new PictureResult.Refused(PictureProblem.NotAPicture) : Read(data);
    }

    private static PictureResult.Refused TooLarge => new(PictureProblem.TooLarge, LargestBytes / (1024.0 * 1024));

    private static PictureResult Read(SKData file)
    {
        // Only the head is read here: size and kind are known before a pixel is decoded.
        using SKCodec? codec = SKCodec.Create(file);
        if (codec is null || codec.EncodedFormat is not (SKEncodedImageFormat.Jpeg or SKEncodedImageFormat.Png or SKEncodedImageFormat.Webp))
            return new PictureResult.Refused(PictureProblem.NotAPicture);
        var size = codec.Info;
        if (size.Width > LongestRead || size.Height > LongestRead)
            return new PictureResult.Refused(PictureProblem.TooManyPixels, LongestRead);
        if ((long)size.Width * size.Height > MostPixels)
            return new PictureResult.Refused(PictureProblem.TooManyPixels, MostPixels);
        if (Math.Min(size.Width, size.Height) < ShortestSide)
            return new PictureResult.Refused(PictureProblem.TooSmall, ShortestSide);
        return PictureRows.Read(codec, LongestKept) is { } photo
            ? new PictureResult.Read(photo, ColourProfile.IsIn(file.AsSpan()))
            : new PictureResult.Refused(PictureProblem.Damaged);
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
}
