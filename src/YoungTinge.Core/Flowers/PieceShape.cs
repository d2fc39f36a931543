using System.Globalization;
using System.Text;

namespace YoungTinge.Core.Flowers;

/// <summary>An outline at its size: what is cut, in millimetres.</summary>
public sealed class PieceShape
{
    private readonly (double X, double Y)[] half;

    /// <exception cref="ArgumentOutOfRangeException">A length or width that is not above 0.</exception>
    public PieceShape(Outline outline, double lengthMm, double widthMm)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(lengthMm);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(widthMm);
        (Outline, LengthMm, WidthMm) = (outline, lengthMm, widthMm);
        half = [.. outline.Half.Select(p => (p.Across * widthMm / 2, p.Along * lengthMm))];
        AreaCm2 = AreaMm2() / 100;
    }

    public Outline Outline { get; }

    public double LengthMm { get; }

    public double WidthMm { get; }

    /// <summary>One side of the piece, integrated from its own outline.</summary>
    public double AreaCm2 { get; }

    /// <summary>A point given in piece coordinates.</summary>
    /// <param name="along">0 to 1.</param>
    /// <param name="across">0 to 1.</param>
    public PiecePoint PointAt(double along, double across)
    {
        var x = across * Outline.HalfWidthAt(along) * WidthMm / 2;
        return new PiecePoint(along, across, DistanceToEdge(x, along * LengthMm));
    }

    /// <summary>A line across the piece, to take many points from.</summary>
    /// <param name="yMm">Along from the base.</param>
    public PieceRow RowAtMm(double yMm)
    {
        var along = Math.Clamp(yMm / LengthMm, 0, 1);
        var crossings = new List<double>();
        for (var i = 1; i < half.Length; i++)
        {
            var (a, b) = (half[i - 1], half[i]);
            if (a.Y > yMm != b.Y > yMm)
                crossings.Add(a.X + (yMm - a.Y) / (b.Y - a.Y) * (b.X - a.X));
        }

        return new PieceRow(this, along, yMm, Outline.HalfWidthAt(along) * WidthMm / 2, crossings);
    }

    /// <summary>The whole edge as an SVG path in millimetres, tip up: x to the right from the left edge, y down from the tip.</summary>
    public string SvgPath()
    {
        var path = new StringBuilder("M");
        var ring = half.Concat(half.Reverse().Skip(1).Select(p => (X: -p.X, p.Y)));
        foreach (var (x, y) in ring)
            path.Append(CultureInfo.InvariantCulture, $"{WidthMm / 2 + x:0.##} {LengthMm - y:0.##}L");
        path[^1] = 'Z';
        return path.ToString();
    }

    private double AreaMm2()
    {
        // Shoelace over the right half, closed along the midrib, twice.
        var twice = 0.0;
        for (var i = 0; i < half.Length; i++)
        {
            var (a, b) = (half[i], half[(i + 1) % half.Length]);
            twice += a.X * b.Y - b.X * a.Y;
        }

        return Math.Abs(twice);
    }

    internal double DistanceToEdge(double x, double y)
    {
        var nearest = double.PositiveInfinity;
        for (var i = 1; i < half.Length; i++)
        {
            var (a, b) = (half[i - 1], half[i]);
            double dx = b.X - a.X, dy = b.Y - a.Y, length = dx * dx + dy * dy;
            var share = length > 0 ? Math.Clamp(((x - a.X) * dx + (y - a.Y) * dy) / length, 0, 1) : 0;
            double ex = x - a.X - share * dx, ey = y - a.Y - share * dy;
            nearest = Math.Min(nearest, ex * ex + ey * ey);
        }

        return Math.Sqrt(nearest);
    }
}
