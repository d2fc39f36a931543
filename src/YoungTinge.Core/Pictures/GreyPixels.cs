using YoungTinge.Core.Colour;

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

    /// <summary>How the picture shows neutral things; null if it has none to speak of.</summary>
    public static LinearRgb? Light(Photograph photo)
    {
        var small = Thumbnail.Of(photo, Longest);
        var greyness = new List<(double Index, int Cell)>();
        for (var row = Reach; row < small.Rows - Reach; row++)
        {
            for (var column = Reach; column < small.Columns - Reach; column++)
            {
                if (Index(small, column, row) is { } index)
                    greyness.Add((index, row * small.Columns + column));
            }
        }

        if (greyness.Count < 50)
            return null;
        var taken = greyness.OrderBy(grey => grey.Index).Take(Math.Max(20, (int)(Taken * greyness.Count))).Select(grey => small[grey.Cell]).ToList();
        // Of each channel's share in the light, the median: a few coloured cells among them do not pull it away.
        double Share(Func<LinearRgb, double> channel) => PatchReader.Median(taken.Select(cell => channel(cell) / (cell.R + cell.G + cell.B)));
        var light = new LinearRgb(Share(c => c.R), Share(c => c.G), Share(c => c.B));
        return CastRemoval.From(light).Strength <= MostCast ? light : null;
    }

    /// <summary>How far neutral things differ between the parts of a picture once its cast is removed, in a* and b*.</summary>
    public static double Disagreement(Photograph photo, CastRemoval cast)
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
            if (colour.L is > 35 and < 97 && Math.Abs(colour.A) < NearGreyA && Math.Abs(colour.B) < NearGreyB)
                tiles[row * TilesAcross / small.Rows * TilesAcross + column * TilesAcross / small.Columns].Add(colour);
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
