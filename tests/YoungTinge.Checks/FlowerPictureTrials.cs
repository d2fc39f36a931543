using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Pictures;
using YoungTinge.Core.Targets;
using YoungTinge.Devices;
using YoungTinge.Files.Pictures;

namespace YoungTinge.Checks;

/// <param name="Misses">CIEDE2000 between a zone as read where it was proposed and as it really is; null if it was not proposed.</param>
/// <param name="LightDoubts">Doubts about the light, which in the light box is even.</param>
public sealed record FlowerPictureTrial(int Seed, IReadOnlyDictionary<Zone, double?> Misses, int LightDoubts);

/// <summary>Whole flowers in the light box: photographed, cast removed by the card, zones proposed and read, against what was put in.</summary>
public static class FlowerPictureTrials
{
    private static readonly string[] Outlines = ["broad-sepal", "round-petal", "pointed-petal"];

    public static IReadOnlyList<FlowerPictureTrial> Run(int trials, Func<int, LitFlower> flower) =>
        [.. Enumerable.Range(1, trials).AsParallel().AsOrdered().Select(seed => One(seed, flower(seed)))];

    /// <summary>Five colours a zone apart from the next, as natural flowers have: near in hue, unlike in depth.</summary>
    public static LitFlower Random(int seed)
    {
        var chance = new Random(seed);
        double hue = 360 * chance.NextDouble(), chroma = 8 + 50 * chance.NextDouble(), lightness = 45 + 40 * chance.NextDouble();
        var zones = Enum.GetValues<Zone>().ToDictionary(zone => zone, _ =>
        {
            var h = hue + 50 * (chance.NextDouble() - 0.5);
            var c = chroma * (0.5 + chance.NextDouble());
            return OnScreen(Lab.OfHue(Math.Clamp(lightness + 40 * (chance.NextDouble() - 0.5), 20, 93), c, h));
        });
        return new LitFlower(zones, Outlines[seed % Outlines.Length], 5 + seed % 4);
    }

    /// <summary>How many natural colourings there are to photograph.</summary>
    public static int Library => Natural.Count;

    private static IReadOnlyList<StartingPoint> Natural { get; } = [.. StartingPoints.All.Where(one => one.Kind == StartingPointKind.Natural)];

    /// <summary>A flower or leaf of the library, grown a little otherwise. Colours that a picture file cannot hold are calmed.</summary>
    public static LitFlower OfLibrary(int seed)
    {
        var natural = Natural[(seed - 1) % Natural.Count];
        var colours = natural.Targets.ToDictionary(target => target.Key, target => target.Value.Colour);
        var grown = new LitFlower(colours, natural.IsLeaf ? "heart-leaf" : Outlines[seed % Outlines.Length], natural.IsLeaf ? 1 : 5 + seed % 4).Grown(seed);
        return grown with { Zones = grown.Zones.ToDictionary(zone => zone.Key, zone => OnScreen(zone.Value)) };
    }

    /// <summary>What a picture file can hold, with a little room for the cast.</summary>
    private static Lab OnScreen(Lab colour)
    {
        for (var share = 1.0; ; share -= 0.05)
        {
            var nearer = colour with { A = share * colour.A, B = share * colour.B };
            var rgb = Illuminant.D65.LinearRgbOf(nearer);
            if (Math.Min(rgb.R, Math.Min(rgb.G, rgb.B)) > 0.004 && rgb.IsOnScreen)
                return nearer;
        }
    }

    private static FlowerPictureTrial One(int seed, LitFlower flower)
    {
        var shot = new LightBoxCamera(new FlowerScene(flower), seed).TakeAsync(default).Result;
        var photo = ((PictureResult.Read)PictureFile.Read(shot.Jpeg)).Photo;
        var light = LightReading.Of(photo, new PictureLight(shot.Card, NeutralKind.WhiteCard));
        var division = FlowerDivision.Of(photo, light, flower.Petals > 1 ? SeenAs.Bloom : SeenAs.Piece, card: shot.Card);
        return new FlowerPictureTrial(seed, Enum.GetValues<Zone>().ToDictionary(zone => zone, zone =>
            division.Zones.FirstOrDefault(one => one.Zone == zone) is { } found ? DeltaE2000.Between(flower.Zones[zone], found.Reading.Colour) : (double?)null), light.Doubts.Count);
    }
}
