using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Pictures;

/// <summary>Where the zones of a flower or a piece lie in its picture, by its shape alone.</summary>
internal static class ZonePlaces
{
    private const int Angles = 72;

    /// <summary>Where petals begin, as a share of the way from a bloom's middle to their ends.</summary>
    private const double FootOfPetals = 0.16;

    /// <summary>Across a piece, as a share of its half width.</summary>
    private const double ClearOfEdge = 0.97;

    /// <summary>Where the zones of a face are judged: there their colours are read too.</summary>
    private static readonly Dictionary<Zone, ZoneArea> Areas = new[] { Zone.Rim, Zone.Tip, Zone.Heart, Zone.Base }.ToDictionary(zone => zone, zone => ZoneArea.Of(zone));

    /// <summary>A flower seen from above: outward from its middle; stamens and what covers the very middle are left out.</summary>
    public static IReadOnlyList<(Zone Zone, IReadOnlyList<int> Cells)> OfBloom(Foreground foreground, Foreground.Component main)
    {
        double middleX = main.Cells.Average(cell => cell % foreground.Columns), middleY = main.Cells.Average(cell => cell / foreground.Columns);
        (double Radius, int Angle) Polar(int cell)
        {
            double x = cell % foreground.Columns - middleX, y = cell / foreground.Columns - middleY;
            return (Math.Sqrt(x * x + y * y), (int)((Math.Atan2(y, x) + Math.PI) / (2 * Math.PI) * Angles) % Angles);
        }

        var reach = new double[Angles];
        foreach (var cell in main.Cells)
        {
            var (radius, angle) = Polar(cell);
            reach[angle] = Math.Max(reach[angle], radius);
        }

        var furthest = PatchReader.Median(reach);
        var edge = EdgeDistance(foreground, main);
        double Furthest(int angle, int near) => Enumerable.Range(angle - near, 2 * near + 1).Max(one => reach[(one + Angles) % Angles]);
        var ends = Enumerable.Range(0, Angles).Select(angle => reach[angle] >= 0.97 * Furthest(angle, 4)).ToArray();

        return Sorted(main, cell =>
        {
            var (radius, angle) = Polar(cell);
            var outward = radius / Math.Max(1, reach[angle]);
            var isAtEnd = ends[angle] || ends[(angle + 1) % Angles] || ends[(angle + Angles - 1) % Angles];
            // Beside the very end a petal is shorter: what is nearly at its edge there is rim, not tip.
            if (isAtEnd && radius / Furthest(angle, 1) is > 0.92 and < 0.975)
                return Zone.Tip;
            if (!isAtEnd && outward > 0.5 && edge[cell] is >= 1 and var far && far < 0.06 * furthest + 1)
                return Zone.Rim;
            // Between the edge and the middle it is as along a petal, whose foot stands outside the very middle.
            var along = (outward - FootOfPetals) / (1 - FootOfPetals);
            if (IsAlong(Zone.Base, along))
                return Zone.Base;
            return IsAlong(Zone.Heart, along) && edge[cell] > 0.1 * furthest ? Zone.Heart : null;
        });
    }

    /// <summary>One petal or leaf with its foot down.</summary>
    public static IReadOnlyList<(Zone Zone, IReadOnlyList<int> Cells)> OfPiece(Foreground foreground, Foreground.Component main)
    {
        var columns = foreground.Columns;
        int top = main.Cells.Min(cell => cell / columns), bottom = main.Cells.Max(cell => cell / columns);
        var rows = main.Cells.GroupBy(cell => cell / columns).ToDictionary(row => row.Key, row => (Left: row.Min(cell => cell % columns), Right: row.Max(cell => cell % columns)));
        return Sorted(main, cell =>
        {
            var (left, right) = rows[cell / columns];
            var along = (bottom + 1.0 - (cell / columns + 0.5)) / (bottom - top + 1);
            var across = right > left ? Math.Abs(2.0 * (cell % columns - left) / (right - left) - 1) : 0;
            foreach (var (zone, area) in Areas)
            {
                if (IsIn(area, along, across))
                    return zone;
            }

            return null;
        });
    }

    private static bool IsAlong(Zone zone, double along) => Areas[zone] is var area && along > area.AlongFrom && along < area.AlongTo;

    /// <summary>Where the zone is judged, less the very edge: there a picture shows what lies behind as well.</summary>
    private static bool IsIn(ZoneArea area, double along, double across) =>
        along > area.AlongFrom && along < area.AlongTo && across >= area.AcrossFrom && across < Math.Min(area.AcrossTo, ClearOfEdge);

    private static IReadOnlyList<(Zone Zone, IReadOnlyList<int> Cells)> Sorted(Foreground.Component main, Func<int, Zone?> zoneOf)
    {
        var cells = main.Cells.Select(cell => (Cell: cell, Zone: zoneOf(cell))).Where(one => one.Zone is not null).ToLookup(one => one.Zone!.Value, one => one.Cell);
        return [.. Areas.Keys.Select(zone => (zone, (IReadOnlyList<int>)[.. cells[zone]]))];
    }

    /// <summary>Cells from each cell to the nearest one outside, straight or across (3-4 chamfer).</summary>
    private static Dictionary<int, double> EdgeDistance(Foreground foreground, Foreground.Component main)
    {
        int columns = foreground.Columns, rows = foreground.Rows;
        var distance = new double[columns * rows];
        foreach (var cell in main.Cells)
            distance[cell] = double.MaxValue / 4;
        double At(int column, int row) => column < 0 || row < 0 || column >= columns || row >= rows ? 0 : distance[row * columns + column];
        var order = main.Cells.Order().ToList();
        foreach (var cell in order)
        {
            int column = cell % columns, row = cell / columns;
            distance[cell] = Math.Min(Math.Min(At(column - 1, row), At(column, row - 1)) + 1, Math.Min(At(column - 1, row - 1), At(column + 1, row - 1)) + 4.0 / 3);
        }

        foreach (var cell in Enumerable.Reverse(order))
        {
            int column = cell % columns, row = cell / columns;
            distance[cell] = Math.Min(distance[cell], Math.Min(
                Math.Min(At(column + 1, row), At(column, row + 1)) + 1, Math.Min(At(column + 1, row + 1), At(column - 1, row + 1)) + 4.0 / 3));
        }

        return main.Cells.ToDictionary(cell => cell, cell => distance[cell] - 1);
    }
}
