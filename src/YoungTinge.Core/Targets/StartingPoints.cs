using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Targets;

/// <summary>
/// Our own library: natural colourings of common flowers and leaves, from general knowledge of how they grow, and fantasy palettes.
/// Colours are of the face under daylight; a real flower differs by a shade or two.
/// </summary>
public static class StartingPoints
{
    private static readonly Zone[] InOrder = [Zone.Base, Zone.Heart, Zone.Rim, Zone.Tip, Zone.Back];

    public static IReadOnlyList<StartingPoint> All { get; } =
    [
        .. Rows("natural-colourings.csv").Select(Natural),
        .. Rows("fantasy-palettes.csv").Select(Fantasy),
    ];

    private static StartingPoint Natural(IReadOnlyList<string> row)
    {
        var (plant, part, variant) = (row[0], row[1], row[2]);
        var finish = part == "leaf" && variant.Contains("gloss") ? Finish.Gloss : Finish.Matt;
        return new StartingPoint(
            IdOf($"{plant} {part} {variant}"), StartingPointKind.Natural, plant, part, variant, $"{row[3]}, {row[4]}",
            InOrder.Zip(row.Skip(5)).ToDictionary(pair => pair.First, pair => Target.Of(Colour(pair.Second)) with { Finish = finish }));
    }

    private static StartingPoint Fantasy(IReadOnlyList<string> row) => new(
        IdOf(row[0]), StartingPointKind.Fantasy, row[0], "", "", row[1],
        InOrder.Zip(row.Skip(2).Chunk(2)).ToDictionary(
            pair => pair.First, pair => Target.Of(Colour(pair.Second[0])) with { Finish = Enum.Parse<Finish>(pair.Second[1], ignoreCase: true) }));

    private static string IdOf(string words) => MaterialId.From(words, _ => false);

    private static Lab Colour(string hex) =>
        Srgb.TryParseHex(hex, out var colour) ? Illuminant.D65.LabOf(colour) : throw new InvalidDataException($"'{hex}' is no colour.");

    /// <summary>Lines with commas; words in quotes may hold commas.</summary>
    private static IEnumerable<IReadOnlyList<string>> Rows(string name) => Shipped.Text(name).Split('\n', StringSplitOptions.RemoveEmptyEntries).Skip(1)
        .Select(line => (IReadOnlyList<string>)[.. line.Split('"').SelectMany((part, i) => i % 2 == 1 ? [part] : part.Trim(',').Split(','))]);
}
