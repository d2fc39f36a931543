using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml;
using System.Xml.Linq;
using YoungTinge.Core.Colour;

namespace YoungTinge.Files.Palettes;

/// <summary>A palette as a sheet of labelled fields in SVG; reading takes the fill of every shape, with its title.</summary>
public static partial class SvgPalette
{
    private const int FieldWidth = 120;
    private const int FieldHeight = 80;
    private const int LineHeight = 22;
    private const int PerRow = 5;

    private const int MostDepth = 64;
    private const int MostElements = 20_000;
    private const int LongestStyle = 2000;

    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";
    private static readonly string[] Shapes = ["rect", "circle", "ellipse", "path", "polygon"];

    public static string Write(Palette palette)
    {
        var rows = (palette.Colours.Count + PerRow - 1) / PerRow;
        var (width, height) = (PerRow * FieldWidth, rows * (FieldHeight + LineHeight));
        var root = new XElement(
            Svg + "svg", new XAttribute("viewBox", $"0 0 {width} {height}"), new XAttribute("width", width), new XAttribute("height", height),
            new XElement(Svg + "title", palette.Name));
        foreach (var (i, (name, colour)) in palette.Colours.Index())
        {
            var (x, y) = (i % PerRow * FieldWidth, i / PerRow * (FieldHeight + LineHeight));
            root.Add(
                new XElement(
                    Svg + "rect", new XAttribute("x", x), new XAttribute("y", y), new XAttribute("width", FieldWidth), new XAttribute("height", FieldHeight),
                    new XAttribute("fill", colour.ToHex()), new XElement(Svg + "title", name)),
                new XElement(Svg + "text", new XAttribute("x", x + 4), new XAttribute("y", y + FieldHeight + 15), new XAttribute("font-size", 11), new XAttribute("font-family", "sans-serif"), name));
        }

        return new XDocument(root).ToString();
    }

    /// <returns>Null if it is no SVG, or one that nobody has drawn: nested deeper or with more in it than any drawing.</returns>
    internal static Palette? Read(string text)
    {
        try
        {
            // No outside parts, no entities that grow.
            using var reader = XmlReader.Create(new StringReader(text), new XmlReaderSettings { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null });
            return Read(reader);
        }
        catch (XmlException)
        {
            return null;
        }
    }

    /// <summary>Once through from the beginning to the end, whatever stands in it.</summary>
    private static Palette? Read(XmlReader reader)
    {
        var (name, colours, elements) = ("", new List<PaletteColour>(), 0);
        // By depth: which colour the element there is, or none.
        var shapeAt = new int?[MostDepth + 1];
        (int Depth, string Text)? title = null;
        while (reader.Read())
        {
            if (reader.NodeType is XmlNodeType.Element)
            {
                if (reader.Depth >= MostDepth || ++elements > MostElements || (reader.Depth == 0 && reader.LocalName != "svg"))
                    return null;
                if (reader.LocalName == "title" && title is null && !reader.IsEmptyElement)
                    title = (reader.Depth, "");
                shapeAt[reader.Depth] = null;
                if (Shapes.Contains(reader.LocalName) && colours.Count < Palette.MostColours && FillOf(reader) is { } fill)
                {
                    shapeAt[reader.Depth] = colours.Count;
                    colours.Add(new PaletteColour("", fill));
                }
            }
            else if (reader.NodeType is XmlNodeType.Text or XmlNodeType.CDATA or XmlNodeType.SignificantWhitespace && title is { Text.Length: < Palette.LongestName } open)
            {
                title = (open.Depth, open.Text + reader.Value[..Math.Min(reader.Value.Length, Palette.LongestName)]);
            }
            else if (reader.NodeType is XmlNodeType.EndElement && title is { } ended && ended.Depth == reader.Depth)
            {
                title = null;
                if (ended.Depth == 1 && name == "")
                    name = Palette.Short(ended.Text);
                else if (ended.Depth > 1 && shapeAt[ended.Depth - 1] is { } shape && colours[shape].Name == "")
                    colours[shape] = colours[shape] with { Name = Palette.Short(ended.Text) };
            }
        }

        return new Palette(name, colours);
    }

    private static Srgb? FillOf(XmlReader element)
    {
        var fill = element.GetAttribute("fill") ?? (element.GetAttribute("style") is { Length: < LongestStyle } style && FillInStyle().Match(style) is { Success: true } match ? match.Groups[1].Value : "");
        if (fill.Length > LongestStyle)
            return null;
        if (ThreeParts().Match(fill) is { Success: true } parts)
        {
            var numbers = Enumerable.Range(1, 3).Select(i => Math.Min(255, int.Parse(parts.Groups[i].Value, CultureInfo.InvariantCulture)) / 255.0).ToArray();
            return new Srgb(numbers[0], numbers[1], numbers[2]);
        }

        return fill.StartsWith('#') && Srgb.TryParseHex(fill, out var colour) ? colour : null;
    }

    [GeneratedRegex(@"(?:^|;)\s*fill\s*:\s*([^;]+)")]
    private static partial Regex FillInStyle();

    [GeneratedRegex(@"^\s*rgb\(\s*(\d{1,3})\s*,\s*(\d{1,3})\s*,\s*(\d{1,3})\s*\)\s*$")]
    private static partial Regex ThreeParts();
}
