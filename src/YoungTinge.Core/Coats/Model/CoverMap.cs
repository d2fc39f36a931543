using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>How much of any small part of a piece a painted detail hides: its shapes on a fine net, summed up so that a mean is quick.</summary>
public sealed class CoverMap
{
    /// <summary>Finer than the finest brush stroke.</summary>
    private const double CellMm = 0.1;

    private readonly int columns;
    private readonly int rows;
    private readonly double leftMm;

    /// <summary>Hidden cells left of and below each corner of the net, row by row.</summary>
    private readonly int[] sums;

    public CoverMap(IReadOnlyList<MarkShape> shapes, PieceShape piece)
    {
        columns = (int)Math.Ceiling(piece.WidthMm / CellMm);
        rows = (int)Math.Ceiling(piece.LengthMm / CellMm);
        leftMm = -columns * CellMm / 2;
        var hidden = new bool[rows * columns];
        foreach (var shape in shapes)
            Fill(hidden, shape);
        sums = new int[(rows + 1) * (columns + 1)];
        for (var row = 0; row < rows; row++)
        {
            var inRow = 0;
            var cells = hidden.AsSpan(row * columns, columns);
            var below = sums.AsSpan(row * (columns + 1), columns + 1);
            var above = sums.AsSpan((row + 1) * (columns + 1), columns + 1);
            for (var column = 0; column < columns; column++)
            {
                inRow += cells[column] ? 1 : 0;
                above[column + 1] = below[column + 1] + inRow;
            }
        }
    }

    /// <summary>That it takes in memory.</summary>
    public long Bytes => sizeof(int) * (long)sums.Length;

    /// <summary>Hidden share of a rectangle, 0 to 1; at least one cell of the net is looked at.</summary>
    /// <param name="xMm">Middle, across from the midrib.</param>
    /// <param name="yMm">Middle, along from the base.</param>
    public double ShareOf(double xMm, double yMm, double acrossMm, double alongMm)
    {
        var (left, right) = Span(xMm - leftMm, acrossMm, columns);
        var (low, high) = Span(yMm, alongMm, rows);
        var hidden = At(high, right) - At(low, right) - At(high, left) + At(low, left);
        return (double)hidden / ((right - left) * (high - low));
    }

    private int At(int row, int column) => sums[row * (columns + 1) + column];

    private static (int From, int To) Span(double middleMm, double sizeMm, int count)
    {
        var from = Math.Clamp((int)Math.Round((middleMm - sizeMm / 2) / CellMm), 0, count - 1);
        return (from, Math.Clamp((int)Math.Round((middleMm + sizeMm / 2) / CellMm), from + 1, count));
    }

    /// <summary>Even-odd along each line of cells, at their middles.</summary>
    private void Fill(bool[] hidden, MarkShape shape)
    {
        var ring = shape.Ring;
        var low = Math.Max(0, (int)Math.Floor(ring.Min(at => at.Y) / CellMm));
        var high = Math.Min(rows - 1, (int)Math.Ceiling(ring.Max(at => at.Y) / CellMm));
        var crossings = new List<double>();
        for (var row = low; row <= high; row++)
        {
            var y = (row + 0.5) * CellMm;
            crossings.Clear();
            for (var i = 0; i < ring.Count; i++)
            {
                var (a, b) = (ring[i], ring[(i + 1) % ring.Count]);
                if (a.Y > y != b.Y > y)
                    crossings.Add(a.X + (y - a.Y) / (b.Y - a.Y) * (b.X - a.X));
            }

            crossings.Sort();
            for (var i = 0; i + 1 < crossings.Count; i += 2)
            {
                var from = Math.Max(0, (int)Math.Ceiling((crossings[i] - leftMm) / CellMm - 0.5));
                var to = Math.Min(columns - 1, (int)Math.Floor((crossings[i + 1] - leftMm) / CellMm - 0.5));
                if (to >= from)
                    hidden.AsSpan(row * columns + from, to - from + 1).Fill(true);
            }
        }
    }
}
