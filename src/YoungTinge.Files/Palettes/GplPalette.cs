using System.Globalization;
using System.Text;
using YoungTinge.Core.Colour;

namespace YoungTinge.Files.Palettes;

/// <summary>The plain-text palette (.gpl) that free drawing programs share: three numbers 0 to 255 and a name a line.</summary>
public static class GplPalette
{
    public static string Write(Palette palette)
    {
        var text = new StringBuilder("GIMP Palette\n");
        text.Append(CultureInfo.InvariantCulture, $"Name: {OneLine(palette.Name)}\nColumns: 5\n#\n");
        foreach (var (name, colour) in palette.Colours)
            text.Append(CultureInfo.InvariantCulture, $"{Srgb.Byte(colour.R),3} {Srgb.Byte(colour.G),3} {Srgb.Byte(colour.B),3}\t{OneLine(name)}\n");
        return text.ToString();
    }

    internal static Palette Read(string text)
    {
        var name = "";
        var colours = new List<PaletteColour>();
        foreach (var line in text.Split('\n').Skip(1).Select(line => line.Trim()))
        {
            if (line.StartsWith("Name:", StringComparison.OrdinalIgnoreCase))
                name = Palette.Short(line[5..]);
            var words = line.Split((char[])[' ', '\t'], 4, StringSplitOptions.RemoveEmptyEntries);
            if (colours.Count < Palette.MostColours && words.Length >= 3 && words.Take(3).All(word => byte.TryParse(word, out _)))
            {
                var parts = words.Take(3).Select(word => byte.Parse(word, CultureInfo.InvariantCulture) / 255.0).ToArray();
                colours.Add(new PaletteColour(Palette.Short(words.Length > 3 ? words[3] : ""), new Srgb(parts[0], parts[1], parts[2])));
            }
        }

        return new Palette(name, colours);
    }

    private static string OneLine(string name) => string.Join(' ', name.Split((char[])['\r', '\n', '\t'], StringSplitOptions.RemoveEmptyEntries));
}
