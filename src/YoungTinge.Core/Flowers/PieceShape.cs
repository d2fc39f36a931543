using System.Globalization;
using System.Text;

namespace YoungTinge.Core.Flowers;

/// <summary>How a piece is made, which decides where its zones lie.</summary>
public enum PieceBuild
{
    /// <summary>Cut from a sheet.</summary>
    Flat,

    /// <summary>Rolled from a ball or cone.</summary>
    Solid,

    /// <summary>A sheet rolled to a tube: its face is the inside, its tip the mouth.</summary>
    Tube,
}

/// <summary>An outline at its size: what is cut, in millimetres.</summary>
public sealed class PieceShape
{
    private readonly (double X, double Y)[] half;
    private readonly (double X, double Y)[] left;
    private readonly Lazy<double> meanInward;

    /// <summary>Waves along the edge of a frilled piece, and how deep they are at most, as a share of its half width.</summary>
    private const int FrillWaves = 11;
    private const double FrillDepth = 0.07;

    /// <summary>Cells each way for a mean over the piece.</summary>
    private const int InwardCells = 40;

    /// <param name="solid">Rolled from a ball, not cut from a sheet.</param>
    /// <param name="form">Its frill and its veins; null for a plain edge and the outline's own veins.</param>
    /// <exception cref="ArgumentOutOfRangeException">A length or width that is not above 0.</exception>
    public PieceShape(Outline outline, double lengthMm, double widthMm, bool solid = false, PieceForm? form = null)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(lengthMm);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(widthMm);
        (Outline, LengthMm, WidthMm) = (outline, lengthMm, widthMm);
        Veins = form?.Veins ?? outline.Veins;
        Build = solid ? PieceBuild.Solid : outline.IsTube ? PieceBuild.Tube : PieceBuild.Flat;
        var depth = FrillDepth * (form?.Frill ?? 0);
        half = Sized(outline.Half);
        left = outline.IsHanded ? Sized(outline.LeftHalf) : half;
        AreaCm2 = (AreaMm2(half) + AreaMm2(left)) / 100;
        SideCm2 = (form?.Cut?.Lobes ?? 1) * Build switch
        {
            // The outline of a tube shows half its girth.
            PieceBuild.Tube => 2 * AreaCm2,
            PieceBuild.Solid => (TurnedMm2(half) + TurnedMm2(left)) / 400,
            _ => AreaCm2,
        };
        meanInward = new(MeanInward);

        (double X, double Y)[] Sized(IReadOnlyList<(double Across, double Along)> of) => [.. of.Select(p => (Frilled(p.Across, p.Along, depth) * widthMm / 2, p.Along * lengthMm))];
    }

    public VeinPattern Veins { get; }

    public PieceBuild Build { get; }

    /// <summary>An edge waves inward only, so that the piece keeps its size; less towards its base.</summary>
    private static double Frilled(double across, double along, double depth) =>
        across * (1 - depth * along * (1 - Math.Cos(2 * Math.PI * FrillWaves * along)));

    public Outline Outline { get; }

    public double LengthMm { get; }

    public double WidthMm { get; }

    /// <summary>The outline as it lies flat, integrated from its own edge.</summary>
    public double AreaCm2 { get; }

    /// <summary>
    /// One side as a brush meets it, with all lobes that are cut in one: of a flat piece its outline, of a tube all round it, of a solid
    /// one half of its round surface.
    /// </summary>
    public double SideCm2 { get; }

    /// <summary>How far in from the edge the piece lies in the mean, 0 to 1 for as far as its innermost point.</summary>
    public double MeanInwardShare => meanInward.Value;

    /// <summary>A point given in piece coordinates.</summary>
    /// <param name="along">0 to 1.</param>
    /// <param name="across">0 to 1.</param>
    public PiecePoint PointAt(double along, double across, bool onLeft = false)
    {
        var x = (onLeft ? -1 : 1) * across * Outline.HalfWidthAt(along, onLeft) * WidthMm / 2;
        return new PiecePoint(along, across, DistanceToEdge(x, along * LengthMm), x, along * LengthMm);
    }

    /// <summary>A line across the piece, to take many points from.</summary>
    /// <param name="yMm">Along from the base.</param>
    public PieceRow RowAtMm(double yMm)
    {
        var along = Math.Clamp(yMm / LengthMm, 0, 1);
        var right = new PieceRow.Half(Outline.HalfWidthAt(along) * WidthMm / 2, Crossings(half, yMm));
        return new PieceRow(this, along, yMm, right, Outline.IsHanded ? new PieceRow.Half(Outline.HalfWidthAt(along, onLeft: true) * WidthMm / 2, Crossings(left, yMm)) : right);
    }

    private static List<double> Crossings((double X, double Y)[] half, double yMm)
    {
        var crossings = new List<double>();
        for (var i = 1; i < half.Length; i++)
        {
            var (a, b) = (half[i - 1], half[i]);
            if (a.Y > yMm != b.Y > yMm)
                crossings.Add(a.X + (yMm - a.Y) / (b.Y - a.Y) * (b.X - a.X));
        }

        return crossings;
    }

    /// <summary>Middles of a net of so many cells each way, those that lie on the piece, on both halves.</summary>
    /// <param name="withEdge">Whether the distance to the edge is wanted.</param>
    public IEnumerable<PiecePoint> Cells(int each, bool withEdge)
    {
        for (var row = 0; row < each; row++)
        {
            var across = RowAtMm((row + 0.5) / each * LengthMm);
            for (var column = 0; column < each; column++)
            {
                var x = ((column + 0.5) / each - 0.5) * WidthMm;
                if (across.Contains(x))
                    yield return across.PointAt(x, withEdge);
            }
        }
    }

    /// <summary>The whole edge as an SVG path in millimetres, tip up: x to the right from the left edge, y down from the tip.</summary>
    public string SvgPath()
    {
        var path = new StringBuilder();
        Append(path, Ring());
        return path.ToString();
    }

    /// <summary>Closed shapes on the piece as one SVG path, in the same box as the edge.</summary>
    /// <param name="shapes">x across from the midrib, y along from the base, in mm.</param>
    public string SvgPathOf(IEnumerable<IReadOnlyList<(double X, double Y)>> shapes)
    {
        var path = new StringBuilder();
        foreach (var shape in shapes)
            Append(path, shape);
        return path.ToString();
    }

    private void Append(StringBuilder path, IEnumerable<(double X, double Y)> ring)
    {
        path.Append('M');
        foreach (var (x, y) in ring)
            path.Append(CultureInfo.InvariantCulture, $"{WidthMm / 2 + x:0.##} {LengthMm - y:0.##}L");
        path[^1] = 'Z';
    }

    private static double AreaMm2((double X, double Y)[] half)
    {
        // Shoelace over one half, closed along the midrib.
        var twice = 0.0;
        for (var i = 0; i < half.Length; i++)
        {
            var (a, b) = (half[i], half[(i + 1) % half.Length]);
            twice += a.X * b.Y - b.X * a.Y;
        }

        return Math.Abs(twice) / 2;
    }

    private double MeanInward()
    {
        var inward = Cells(InwardCells, withEdge: true).Select(point => point.EdgeMm).ToList();
        return inward.Average() / inward.Max();
    }

    /// <summary>Of the outline turned round its midrib: rings between its points, each a cut cone.</summary>
    private static double TurnedMm2((double X, double Y)[] half)
    {
        var sum = 0.0;
        for (var i = 1; i < half.Length; i++)
        {
            var (a, b) = (half[i - 1], half[i]);
            sum += Math.PI * (a.X + b.X) * Math.Sqrt((b.X - a.X) * (b.X - a.X) + (b.Y - a.Y) * (b.Y - a.Y));
        }

        return sum;
    }

    /// <summary>The whole edge, round from the base up the right side; x across from the midrib, y along from the base, in mm.</summary>
    internal IEnumerable<(double X, double Y)> Ring() => half.Concat(left.Reverse().Skip(1).Select(p => (X: -p.X, p.Y)));

    internal double DistanceToEdge(double xMm, double y)
    {
        var (edge, x) = (xMm < 0 ? left : half, Math.Abs(xMm));
        var nearest = double.PositiveInfinity;
        for (var i = 1; i < edge.Length; i++)
        {
            var (a, b) = (edge[i - 1], edge[i]);
            double dx = b.X - a.X, dy = b.Y - a.Y, length = dx * dx + dy * dy;
            var share = length > 0 ? Math.Clamp(((x - a.X) * dx + (y - a.Y) * dy) / length, 0, 1) : 0;
            double ex = x - a.X - share * dx, ey = y - a.Y - share * dy;
            nearest = Math.Min(nearest, ex * ex + ey * ey);
        }

        return Math.Sqrt(nearest);
    }
}
