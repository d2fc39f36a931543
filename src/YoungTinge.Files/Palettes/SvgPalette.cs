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

    internal static Palette? Read(string text)
    {
        try
        {
            // No outside parts, no entities that grow.
            using var reader = XmlReader.Create(new StringReader(text), new XmlReaderSettings { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null });
            var root = XDocument.Load(reader).Root;
            if (root?.Name.LocalName != "svg")
                return null;
            var colours = root.Descendants().Where(element => Shapes.Contains(element.Name.LocalName))
                .Select(element => (Name: TitleOf(element), Fill: FillOf(element)))
                .Where(one => one.Fill is not null).Take(Palette.MostColours)
                .Select(one => new PaletteColour(Palette.Short(one.Name), one.Fill!.Value)).ToList();
            return new Palette(Palette.Short(TitleOf(root)), colours);
        }
        catch (XmlException)
        {
            return null;
        }
    }

    private static string TitleOf(XElement element) => element.Elements().FirstOrDefault(child => child.Name.LocalName == "title")?.Value ?? "";

    private static Srgb? FillOf(XElement element)
    {
        var fill = element.Attribute("fill")?.Value ?? (element.Attribute("style") is { } style && FillInStyle().Match(style.Value) is { Success: true } match ? match.Groups[1].Value : "");
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
