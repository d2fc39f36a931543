using System.Text.Json.Serialization;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Pictures;

/// <summary>What a picture shows.</summary>
public enum SeenAs
{
    /// <summary>A flower from above: its petals run outward from the middle.</summary>
    Bloom,

    /// <summary>One petal or leaf with its foot down.</summary>
    Piece,
}

/// <summary>One of the few main colours of what stands in a picture.</summary>
/// <param name="Share">Of its area, 0 to 1.</param>
public sealed record ColourPart(Lab Colour, double Share);

/// <summary>Where a zone may lie in a picture.</summary>
/// <param name="IsSure">False if the place holds several colours, or cannot be trusted.</param>
public sealed record ZoneProposal(Zone Zone, Box Box, PatchReading Reading, bool IsSure);

/// <summary>Which flower of a picture is meant.</summary>
/// <param name="Tap">A point on it, in shares of the picture's width and height; null if it was drawn round.</param>
/// <param name="Loop">Points of a line round it, closed by itself; empty if it was tapped.</param>
public sealed record MeantFlower(PicturePoint? Tap, IReadOnlyList<PicturePoint> Loop)
{
    public const int FewestPoints = 3;
    public const int MostPoints = 500;

    public bool IsPossible => (Tap is { IsInPicture: true } && Loop.Count == 0)
        || (Tap is null && Loop.Count is >= FewestPoints and <= MostPoints && Loop.All(point => point.IsInPicture));

    /// <summary>Whether a point lies within the loop (even-odd rule); everything does if there is none.</summary>
    internal bool Encloses(double x, double y)
    {
        if (Loop.Count == 0)
            return true;
        var inside = false;
        for (int i = 0, j = Loop.Count - 1; i < Loop.Count; j = i++)
        {
            var (one, other) = (Loop[i], Loop[j]);
            if (one.Y > y != other.Y > y && x < (other.X - one.X) * (y - one.Y) / (other.Y - one.Y) + one.X)
                inside = !inside;
        }

        return inside;
    }
}

/// <summary>A point in shares of a picture's width and height.</summary>
public readonly record struct PicturePoint([property: JsonRequired] double X, [property: JsonRequired] double Y)
{
    [JsonIgnore]
    public bool IsInPicture => X is >= 0 and <= 1 && Y is >= 0 and <= 1;
}

/// <summary>A flower in a picture, divided into its main colours, with a proposal for each zone to accept or to move.</summary>
/// <param name="Parts">Most of the area first.</param>
/// <param name="Zones">All of one flower; without a back if none lies apart on a plain mat; empty if nothing stands out.</param>
/// <param name="IsClear">Whether it is clear which flower is meant: it was pointed at, or lies alone on a plain ground. If not, nothing is sure.</param>
public sealed record FlowerDivision(IReadOnlyList<ColourPart> Parts, IReadOnlyList<ZoneProposal> Zones, bool IsClear)
{
    /// <summary>Another thing as large as this share of the flower may be the one that is meant.</summary>
    private const double Rival = 0.35;

    /// <summary>A flower that fills more of the picture's edge than this has taken what lies behind it along.</summary>
    private const double MostOfBorder = 0.2;

    private const int Longest = 200;
    private const int Groups = 6;

    /// <summary>Groups nearer than this (CIEDE2000) are one colour to a maker.</summary>
    private const double Alike = 6;

    private const double SmallestPart = 0.03;

    /// <param name="meant">Which flower; null for whatever stands out.</param>
    /// <param name="card">Marked as neutral: no part of the flower.</param>
    public static FlowerDivision Of(Photograph photo, LightReading light, SeenAs seenAs, MeantFlower? meant = null, Box? card = null)
    {
        var small = Thumbnail.Of(photo, Longest);
        var colours = Enumerable.Range(0, small.Cells).Select(cell => light.Cast.LabOf(small[cell])).ToArray();
        var foreground = Foreground.Of(colours, small.Columns, small.Rows, cell => !IsMeant(cell) || Covers(card, cell, small));
        if (foreground.Components.Count == 0)
            return new FlowerDivision([], [], true);

        var main = foreground.Components[0];
        if (meant?.Tap is { } tap)
        {
            var tapped = (int)Math.Min(small.Rows - 1, tap.Y * small.Rows) * small.Columns + (int)Math.Min(small.Columns - 1, tap.X * small.Columns);
            main = foreground.Components.FirstOrDefault(one => foreground.Contains(one, tapped % small.Columns, tapped / small.Columns)) ?? foreground.Around(tapped, colours);
        }

        // With a line round it, what stands in the line may be in pieces: all of it is the flower.
        if (meant is { Loop.Count: > 0 })
            main = main with { Cells = [.. foreground.Components.SelectMany(one => one.Cells)] };
        var isWhole = BorderShareOf(main, small) <= MostOfBorder;
        var apart = foreground.IsOnPlainMat && meant is null ? foreground.Components.FirstOrDefault(other => other != main && IsOfItsSize(other, main) && (seenAs == SeenAs.Piece || !IsRival(other))) : null;
        var isClear = meant is not null || (foreground.IsOnPlainMat && !foreground.Components.Any(other => other != main && other != apart && IsRival(other)));

        var (middles, groupOf) = ColourGroups.Of([.. main.Cells.Select(cell => colours[cell])], Groups);
        var group = main.Cells.Zip(groupOf).ToDictionary(pair => pair.First, pair => pair.Second);
        var places = seenAs == SeenAs.Bloom ? ZonePlaces.OfBloom(foreground, main) : ZonePlaces.OfPiece(foreground, main);
        var zones = new List<ZoneProposal>();
        foreach (var (zone, cells) in places)
        {
            if (cells.Count == 0)
                continue;
            var common = cells.CountBy(cell => group[cell]).MaxBy(count => count.Value);
            var spot = Spot([.. cells.Where(cell => group[cell] == common.Key)], small);
            zones.Add(Propose(zone, spot, common.Value > 0.5 * cells.Count));
        }

        if (apart is not null)
            zones.Add(Propose(Zone.Back, Spot(apart.Cells, small), !IsLeafBesideFlower(apart, main, colours)));
        return new FlowerDivision(PartsOf(middles, groupOf), [.. zones.OrderBy(zone => zone.Zone)], isClear);

        bool IsRival(Foreground.Component other) => other.Cells.Count > Rival * main.Cells.Count;

        bool IsMeant(int cell) => meant?.Encloses((cell % small.Columns + 0.5) / small.Columns, (cell / small.Columns + 0.5) / small.Rows) ?? true;

        ZoneProposal Propose(Zone zone, Box box, bool isOneColour)
        {
            var reading = light.Read(photo, box);
            return new ZoneProposal(zone, box, reading, isClear && isWhole && isOneColour && reading.Doubts.Count == 0);
        }
    }

    /// <summary>Of the picture's edge, what a thing fills.</summary>
    private static double BorderShareOf(Foreground.Component component, Thumbnail small)
    {
        var edge = component.Cells.Count(cell => cell % small.Columns is var column && cell / small.Columns is var row
            && (column == 0 || row == 0 || column == small.Columns - 1 || row == small.Rows - 1));
        return edge / (2.0 * (small.Columns + small.Rows) - 4);
    }

    private static bool Covers(Box? box, int cell, Thumbnail small)
    {
        if (box is not { } b)
            return false;
        double across = (cell % small.Columns + 0.5) / small.Columns, down = (cell / small.Columns + 0.5) / small.Rows;
        return across >= b.Left && across <= b.Left + b.Width && down >= b.Top && down <= b.Top + b.Height;
    }

    private static IReadOnlyList<ColourPart> PartsOf(List<Lab> middles, int[] groupOf)
    {
        var parts = middles.Select((colour, i) => new ColourPart(colour, (double)groupOf.Count(group => group == i) / groupOf.Length)).ToList();
        while (parts.Count > 1)
        {
            var (one, other, apart) = (from a in parts from b in parts where parts.IndexOf(a) < parts.IndexOf(b) select (a, b, DeltaE2000.Between(a.Colour, b.Colour))).MinBy(pair => pair.Item3);
            if (apart >= Alike)
                break;
            parts.Remove(one);
            parts.Remove(other);
            parts.Add(new ColourPart(ColourGroups.Mix(one.Colour, one.Share, other.Colour, other.Share), one.Share + other.Share));
        }

        return [.. parts.Where(part => part.Share >= SmallestPart).OrderByDescending(part => part.Share)];
    }

    private static bool IsOfItsSize(Foreground.Component other, Foreground.Component main) => other.Cells.Count >= 0.05 * main.Cells.Count;

    /// <summary>What is green beside a flower that is not may be a leaf. On a mat somebody laid it there, so it is asked about; elsewhere it just grew there.</summary>
    private static bool IsLeafBesideFlower(Foreground.Component other, Foreground.Component main, IReadOnlyList<Lab> colours)
    {
        bool IsGreen(Foreground.Component one) => Middle(one) is { L: < 70, Chroma: > 12, HueDegrees: > 108 and < 175 };
        return IsGreen(other) && !IsGreen(main);

        Lab Middle(Foreground.Component one) => new(
            PatchReader.Median(one.Cells.Select(cell => colours[cell].L)), PatchReader.Median(one.Cells.Select(cell => colours[cell].A)), PatchReader.Median(one.Cells.Select(cell => colours[cell].B)));
    }

    /// <summary>The largest even square among these cells, as a box that keeps off their edge.</summary>
    private static Box Spot(IReadOnlyList<int> cells, Thumbnail small)
    {
        var inside = cells.ToHashSet();
        var (best, size) = (cells[cells.Count / 2], 0);
        foreach (var cell in cells)
        {
            var reach = 0;
            while (reach < MostReach && Filled(cell, reach + 1))
                reach++;
            if (reach > size)
                (best, size) = (cell, reach);
        }

        var half = Math.Max(0.5, 0.7 * size);
        return Box.Around((best % small.Columns + 0.5) / small.Columns, (best / small.Columns + 0.5) / small.Rows, 2 * half / small.Columns, 2 * half / small.Rows);

        bool Filled(int cell, int reach)
        {
            int column = cell % small.Columns, row = cell / small.Columns;
            for (var y = row - reach; y <= row + reach; y++)
            {
                for (var x = column - reach; x <= column + reach; x++)
                {
                    if (x < 0 || x >= small.Columns || !inside.Contains(y * small.Columns + x))
                        return false;
                }
            }

            return true;
        }
    }

    private const int MostReach = 7;
}
