using System.Buffers.Binary;
using System.IO.Hashing;

namespace YoungTinge.Files.Tests;

/// <summary>A PNG (8 bits, RGB) written by hand, with whatever in it.</summary>
internal static class PngFile
{
    /// <param name="packed">Its rows, as zlib packs them.</param>
    public static byte[] Write(int width, int height, byte[] packed, bool interlaced)
    {
        using var file = new MemoryStream();
        file.Write([0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A]);
        var head = new byte[13];
        BinaryPrimitives.WriteInt32BigEndian(head, width);
        BinaryPrimitives.WriteInt32BigEndian(head.AsSpan(4), height);
        (head[8], head[9], head[12]) = (8, 2, (byte)(interlaced ? 1 : 0));
        Chunk(file, "IHDR"u8, head);
        Chunk(file, "IDAT"u8, packed);
        Chunk(file, "IEND"u8, []);
        return file.ToArray();
    }

    private static void Chunk(MemoryStream file, ReadOnlySpan<byte> name, byte[] data)
    {
        var number = new byte[4];
        BinaryPrimitives.WriteInt32BigEndian(number, data.Length);
        file.Write(number);
        byte[] body = [.. name, .. data];
        file.Write(body);
        BinaryPrimitives.WriteUInt32BigEndian(number, Crc32.HashToUInt32(body));
        file.Write(number);
    }
}
