namespace YoungTinge.Core.Flowers;

/// <summary>A line across a piece at one height. What is the same for all its points is worked out once.</summary>
public sealed class PieceRow
{
    private readonly PieceShape shape;
    private readonly double along;
    private readonly double yMm;
    private readonly Half right;
    private readonly Half left;

    internal PieceRow(PieceShape shape, double along, double yMm, Half right, Half left) =>
        (this.shape, this.along, this.yMm, this.right, this.left) = (shape, along, yMm, right, left);

    /// <param name="WidthMm">From the midrib to the outermost edge.</param>
    /// <param name="CrossingsMm">Where the line meets the edge, across from the midrib.</param>
    internal sealed record Half(double WidthMm, IReadOnlyList<double> CrossingsMm);

    /// <summary>From the midrib to the outermost edge, of the wider half.</summary>
    public double HalfWidthMm => Math.Max(right.WidthMm, left.WidthMm);

    /// <summary>Even-odd rule: a point is inside if an odd number of edges lies beyond it.</summary>
    /// <param name="xMm">Across from the midrib, to either side.</param>
    public bool Contains(double xMm)
    {
        var x = Math.Abs(xMm);
        var beyond = 0;
        foreach (var crossing in HalfOf(xMm).CrossingsMm)
            beyond += x < crossing ? 1 : 0;
        return beyond % 2 == 1;
    }

    /// <summary>The point in piece coordinates, clamped to the piece if it lies beside it: so a picture has no fringe.</summary>
    /// <param name="withEdge">Whether the distance to the edge is wanted; it costs most of the work, and is 0 without.</param>
    public PiecePoint PointAt(double xMm, bool withEdge = true)
    {
        var x = Math.Abs(xMm);
        var widthMm = HalfOf(xMm).WidthMm;
        var across = widthMm > 0 ? Math.Min(x / widthMm, 1) : 1;
        return new PiecePoint(along, across, withEdge && Contains(xMm) ? shape.DistanceToEdge(xMm, yMm) : 0, xMm, yMm);
    }

    private Half HalfOf(double xMm) => xMm < 0 ? left : right;
}
