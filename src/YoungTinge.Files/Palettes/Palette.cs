using YoungTinge.Core.Colour;

namespace YoungTinge.Files.Palettes;

/// <summary>A colour of a palette file; what a screen can show of it.</summary>
public sealed record PaletteColour(string Name, Srgb Colour);

/// <summary>Colours with names, in order.</summary>
public sealed record Palette(string Name, IReadOnlyList<PaletteColour> Colours)
{
    public const int MostColours = 256;
    public const int LargestBytes = 512 * 1024;
    public const int LongestName = 120;

    /// <summary>Reads a plain-text palette (GPL) or the filled shapes of an SVG.</summary>
    /// <returns>Null if it is neither, or holds no colour.</returns>
    public static Palette? Read(byte[] file)
    {
        if (file.Length > LargestBytes || Tables.TextFile.Decode(file) is not { } text)
            return null;
        var palette = text.TrimStart().StartsWith("GIMP Palette", StringComparison.Ordinal) ? GplPalette.Read(text)
            : text.TrimStart().StartsWith('<') ? SvgPalette.Read(text) : null;
        return palette is { Colours.Count: > 0 } ? palette : null;
    }

    internal static string Short(string name) => name.Trim() is var plain && plain.Length > LongestName ? plain[..LongestName] : plain;
}
