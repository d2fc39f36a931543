using System.Text;

namespace YoungTinge.Files.Tables;

/// <summary>Text from a file in any of the encodings that spreadsheets write.</summary>
public static class TextFile
{
    private const int Looked = 4096;

    static TextFile() => Encoding.RegisterProvider(CodePagesEncodingProvider.Instance);

    /// <returns>Null if it is no text.</returns>
    public static string? Decode(byte[] file)
    {
        if (file is [0xFF, 0xFE, ..])
            return Clean(Encoding.Unicode.GetString(file, 2, file.Length - 2));
        if (file is [0xFE, 0xFF, ..])
            return Clean(Encoding.BigEndianUnicode.GetString(file, 2, file.Length - 2));
        if (file.AsSpan(0, Math.Min(file.Length, Looked)).Contains((byte)0))
            return null;
        var start = file is [0xEF, 0xBB, 0xBF, ..] ? 3 : 0;
        try
        {
            return Clean(new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(file, start, file.Length - start));
        }
        catch (DecoderFallbackException)
        {
            // What older spreadsheets write in western Europe.
            return Clean(Encoding.GetEncoding(1252).GetString(file));
        }
    }

    /// <summary>Odd control letters may stand in what people paste into a note; nothing that is text holds this one.</summary>
    private static string? Clean(string text) => text.Contains('\0') ? null : text;
}
