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

/// <summary>A flower in a picture, divided into its main colours, with a proposal for each zone to accept or to move.</summary>
/// <param name="Parts">Most of the area first.</param>
/// <param name="Zones">Without a back if none lies apart in the picture; empty if nothing stands out.</param>
public sealed record FlowerDivision(IReadOnlyList<ColourPart> Parts, IReadOnlyList<ZoneProposal> Zones)
{
    private const int Longest = 200;
    private const int Groups = 6;

    /// <summary>Groups nearer than this (CIEDE2000) are one colour to a maker.</summary>
    private const double Alike = 6;

    private const double SmallestPart = 0.03;

    /// <param name="within">Where to look; null for the whole picture.</param>
    /// <param name="card">Marked as neutral: no part of the flower.</param>
    public static FlowerDivision Of(Photograph photo, CastRemoval cast, SeenAs seenAs, Box? within = null, Box? card = null)
    {
        var small = Thumbnail.Of(photo, Longest);
        var colours = Enumerable.Range(0, small.Cells).Select(cell => cast.LabOf(small[cell])).ToArray();
        var foreground = Foreground.Of(colours, small.Columns, small.Rows, cell => !Covers(within, cell, small, true) || Covers(card, cell, small, false));
        if (foreground.Components.Count == 0)
            return new FlowerDivision([], []);

        var main = foreground.Components[0];
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

        if (foreground.Components.Skip(1).FirstOrDefault(other => IsOfItsSize(other, main)) is { } apart
            && (foreground.IsOnPlainMat || !IsLeafBesideFlower(apart, main, colours)))
            zones.Add(Propose(Zone.Back, Spot(apart.Cells, small), !IsLeafBesideFlower(apart, main, colours)));
        return new FlowerDivision(PartsOf(middles, groupOf), [.. zones.OrderBy(zone => zone.Zone)]);

        ZoneProposal Propose(Zone zone, Box box, bool isOneColour)
        {
            var reading = PatchReader.Read(photo, box, cast);
            return new ZoneProposal(zone, box, reading, isOneColour && reading.Doubts.Count == 0);
        }
    }

    private static bool Covers(Box? box, int cell, Thumbnail small, bool none)
    {
        if (box is not { } b)
            return none;
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
