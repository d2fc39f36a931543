using System.Buffers.Binary;

namespace YoungTinge.Files.Pictures;

/// <summary>
/// Whether a picture file says what its numbers mean as colours: an ICC profile (ICC.1, annex B), the sRGB chunk of a PNG, or the colour
/// space of Exif (CIPA DC-008, tag 0xA001).
/// </summary>
internal static class ColourProfile
{
    public static bool IsIn(ReadOnlySpan<byte> file) => file switch
    {
        [0xFF, 0xD8, ..] => InJpeg(file[2..]),
        [0x89, (byte)'P', (byte)'N', (byte)'G', ..] => InPng(file[8..]),
        [(byte)'R', (byte)'I', (byte)'F', (byte)'F', ..] => file[..Math.Min(file.Length, 4096)].IndexOf("ICCP"u8) >= 0,
        _ => false,
    };

    private static bool InJpeg(ReadOnlySpan<byte> rest)
    {
        while (rest is [0xFF, var marker, var high, var low, ..] && marker is not (0xDA or 0xD9))
        {
            var length = high << 8 | low;
            if (length < 2 || rest.Length < 2 + length)
                return false;
            var body = rest.Slice(4, length - 2);
            if (marker == 0xE2 && body.StartsWith("ICC_PROFILE\0"u8))
                return true;
            if (marker == 0xE1 && body.StartsWith("Exif\0\0"u8) && InExif(body[6..]))
                return true;
            rest = rest[(2 + length)..];
        }

        return false;
    }

    private static bool InPng(ReadOnlySpan<byte> rest)
    {
        while (rest.Length >= 12)
        {
            var length = BinaryPrimitives.ReadUInt32BigEndian(rest);
            var name = rest.Slice(4, 4);
            if (name.SequenceEqual("iCCP"u8) || name.SequenceEqual("sRGB"u8) || name.SequenceEqual("cICP"u8))
                return true;
            if (name.SequenceEqual("IDAT"u8) || length > rest.Length - 12)
                return false;
            rest = rest[(int)(12 + length)..];
        }

        return false;
    }

    /// <summary>The colour space stands in the Exif directory, which the first one points to.</summary>
    private static bool InExif(ReadOnlySpan<byte> tiff)
    {
        const int exifDirectory = 0x8769, colourSpace = 0xA001, srgb = 1;
        if (tiff.Length < 8)
            return false;
        var isLittle = tiff[0] == 'I';
        return Find(tiff, (int)ReadU32(tiff[4..], isLittle), exifDirectory, isLittle) is { } at && Find(tiff, (int)at, colourSpace, isLittle) is { } value
            && (isLittle ? value & 0xFFFF : value >> 16) == srgb;
    }

    /// <returns>The four bytes of a tag's value; null if the directory does not have it.</returns>
    private static uint? Find(ReadOnlySpan<byte> tiff, int directory, int tag, bool isLittle)
    {
        const int entryBytes = 12;
        if (directory < 0 || directory > tiff.Length - 2)
            return null;
        var entries = ReadU16(tiff[directory..], isLittle);
        for (var i = 0; i < entries; i++)
        {
            var at = directory + 2 + entryBytes * i;
            if (at > tiff.Length - entryBytes)
                return null;
            if (ReadU16(tiff[at..], isLittle) == tag)
                return ReadU32(tiff[(at + 8)..], isLittle);
        }

        return null;
    }

    private static int ReadU16(ReadOnlySpan<byte> bytes, bool isLittle) => isLittle ? BinaryPrimitives.ReadUInt16LittleEndian(bytes) : BinaryPrimitives.ReadUInt16BigEndian(bytes);

    private static uint ReadU32(ReadOnlySpan<byte> bytes, bool isLittle) => isLittle ? BinaryPrimitives.ReadUInt32LittleEndian(bytes) : BinaryPrimitives.ReadUInt32BigEndian(bytes);
}
