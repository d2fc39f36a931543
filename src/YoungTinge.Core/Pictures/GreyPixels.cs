using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Pictures;

/// <summary>
/// Finds what is neutral in a picture without being told: where a surface is grey, light and shade change all three channels by
/// the same factor, whatever the colour of the light (the grey-pixel idea of Yang, Gao and Li 2015).
/// </summary>
internal static class GreyPixels
{
    private const int Longest = 200;
    private const int Reach = 2;

    /// <summary>Share of the cells that are taken as grey, the greyest first.</summary>
    private const double Taken = 0.02;

    // Too dark is noise, too bright is cut off.
    private const double Darkest = 0.02;
    private const double Brightest = 0.95;

    /// <summary>A picture's own camera has mostly done its work: only casts up to this strength (C* of white) are believed.</summary>
    private const double MostCast = 40;

    /// <summary>How far from grey a thing may seem and still be called neutral: lamps and windows differ from blue to yellow, hardly from green to red.</summary>
    private const double NearGreyA = 12;
    private const double NearGreyB = 26;

    private const int TilesAcross = 3;

    /// <summary>Only so far in from the edge: what lies in the middle is the flower, and a pale petal is not a grey thing in another light.</summary>
    private const double FrameShare = 0.16;

    /// <summary>Parts of the picture that have to hold something neutral for an estimate: one surface alone is no witness.</summary>
    private const int LeastTiles = 3;

    /// <summary>However well they agree, what is taken for grey is never quite (CIEDE2000).</summary>
    private const double NeverNearer = 1.5;

    /// <summary>
    /// How the picture shows neutral things, and how far (CIEDE2000) white may be off with it; null if it has none to speak of. Shade
    /// changes all channels alike on a strongly coloured thing too: what is far from any lamp's white is no witness, however even, and
    /// one thing alone is none either.
    /// </summary>
    public static (LinearRgb Light, double UnsureDeltaE)? Light(Photograph photo)
    {
        var small = Thumbnail.Of(photo, Longest);
        var greyness = new List<(double Index, int Cell)>();
        for (var row = Reach; row < small.Rows - Reach; row++)
        {
            for (var column = Reach; column < small.Columns - Reach; column++)
            {
                if (IsNearGrey(WhiteBalance.None.LabOf(small.At(column, row))) && Index(small, column, row) is { } index)
                    greyness.Add((index, row * small.Columns + column));
            }
        }

        if (greyness.Count < 50 || greyness.Count < LeastShare * small.Cells)
            return null;
        var taken = greyness.OrderBy(grey => grey.Index).Take(Math.Max(50, (int)(Taken * small.Cells))).Select(grey => grey.Cell).ToList();
        if (AreIslands(small, taken))
            return null;
        var light = MedianOf(taken.Select(cell => small[cell]));
        var tiles = taken.GroupBy(cell => TileOf(small, cell)).Where(tile => tile.Count() >= LeastOfTaken * taken.Count).Select(tile => MedianOf(tile.Select(cell => small[cell]))).ToList();
        if (tiles.Count < LeastTiles || WhiteBalance.From(light).Strength > MostCast)
            return null;
        var white = WhiteBalance.From(light).Look;
        return (light, Math.Max(NeverNearer, tiles.Max(tile => DeltaE2000.Between(white, WhiteBalance.From(tile).Look))));
    }

    // Of all cells, near grey; and of those taken, in one part of the picture.
    private const double LeastShare = 0.01;
    private const double LeastOfTaken = 0.04;

    /// <summary>So much of the witnesses in pieces that stand by themselves: pale petals perhaps, and not what lies all round.</summary>
    private const double IslandShare = 0.7;

    private static bool AreIslands(Thumbnail small, IReadOnlyList<int> witnesses)
    {
        var pieceOf = new Dictionary<int, int>();
        var sides = new List<HashSet<char>>();
        foreach (var start in witnesses)
        {
            if (pieceOf.ContainsKey(start))
                continue;
            var (number, touched) = (sides.Count, new HashSet<char>());
            sides.Add(touched);
            var waiting = new Stack<int>([start]);
            pieceOf[start] = number;
            while (waiting.TryPop(out var cell))
            {
                int column = cell % small.Columns, row = cell / small.Columns;
                foreach (var (x, y, side) in new[] { (column - 1, row, 'l'), (column + 1, row, 'r'), (column, row - 1, 't'), (column, row + 1, 'b') })
                {
                    if (x < 0 || y < 0 || x >= small.Columns || y >= small.Rows)
                    {
                        touched.Add(side);
                        continue;
                    }

                    var next = y * small.Columns + x;
                    if (pieceOf.ContainsKey(next) || !IsNearGrey(WhiteBalance.None.LabOf(small[next])))
                        continue;
                    pieceOf[next] = number;
                    waiting.Push(next);
                }
            }
        }

        return witnesses.Count(cell => sides[pieceOf[cell]].Count < 2) > IslandShare * witnesses.Count;
    }

    /// <summary>Of each channel's share in the light, the median: a few coloured cells among them do not pull it away.</summary>
    private static LinearRgb MedianOf(IEnumerable<LinearRgb> cells)
    {
        var all = cells.ToList();
        double Share(Func<LinearRgb, double> channel) => PatchReader.Median(all.Select(cell => channel(cell) / (cell.R + cell.G + cell.B)));
        return new LinearRgb(Share(c => c.R), Share(c => c.G), Share(c => c.B));
    }

    private static bool IsNearGrey(Lab colour) => Math.Abs(colour.A) < NearGreyA && Math.Abs(colour.B) < NearGreyB;

    private static int TileOf(Thumbnail small, int cell) =>
        cell / small.Columns * TilesAcross / small.Rows * TilesAcross + cell % small.Columns * TilesAcross / small.Columns;

    /// <summary>How far neutral things differ between the parts of a picture once its cast is removed, in a* and b*.</summary>
    public static double Disagreement(Photograph photo, WhiteBalance cast)
    {
        var small = Thumbnail.Of(photo, Longest);
        var tiles = new List<Lab>[TilesAcross * TilesAcross];
        for (var i = 0; i < tiles.Length; i++)
            tiles[i] = [];
        for (var cell = 0; cell < small.Cells; cell++)
        {
            var (column, row) = (cell % small.Columns, cell / small.Columns);
            if (!InFrame(column, small.Columns) && !InFrame(row, small.Rows))
                continue;
            var colour = cast.LabOf(small[cell]);
            if (colour.L is > 35 and < 97 && IsNearGrey(colour))
                tiles[TileOf(small, cell)].Add(colour);
        }

        var means = tiles.Where(tile => tile.Count > LeastOfTile * small.Cells / tiles.Length)
            .Select(tile => (A: PatchReader.Median(tile.Select(c => c.A)), B: PatchReader.Median(tile.Select(c => c.B)))).ToList();
        return means.Count < 2 ? 0 : means.Max(one => means.Max(other => Math.Sqrt(Math.Pow(one.A - other.A, 2) + Math.Pow(one.B - other.B, 2))));
    }

    private const double LeastOfTile = 0.12;

    private static bool InFrame(int at, int size) => at < FrameShare * size || at >= (1 - FrameShare) * size;

    /// <summary>How unlike the three channels change round a cell, over how bright it is; null where nothing changes or it cannot be told.</summary>
    private static double? Index(Thumbnail small, int column, int row)
    {
        var middle = small.At(column, row);
        if (Math.Min(middle.R, Math.Min(middle.G, middle.B)) < Darkest / 4 || Math.Max(middle.R, Math.Max(middle.G, middle.B)) is > Brightest or < Darkest)
            return null;
        double red = 0, green = 0, blue = 0;
        foreach (var (x, y) in new[] { (-Reach, 0), (Reach, 0), (0, -Reach), (0, Reach) })
        {
            var near = small.At(column + x, row + y);
            red += Math.Abs(Math.Log(Math.Max(near.R, 1e-4) / middle.R));
            green += Math.Abs(Math.Log(Math.Max(near.G, 1e-4) / middle.G));
            blue += Math.Abs(Math.Log(Math.Max(near.B, 1e-4) / middle.B));
        }

        var mean = (red + green + blue) / 3;
        if (mean < LeastChange)
            return null;
        var spread = Math.Sqrt((Math.Pow(red - mean, 2) + Math.Pow(green - mean, 2) + Math.Pow(blue - mean, 2)) / 3);
        return spread / mean / Math.Pow((middle.R + middle.G + middle.B) / 3, 0.33);
    }

    private const double LeastChange = 0.02;
}
