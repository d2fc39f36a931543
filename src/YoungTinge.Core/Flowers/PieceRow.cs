namespace YoungTinge.Core.Flowers;

/// <summary>A line across a piece at one height. What is the same for all its points is worked out once.</summary>
public sealed class PieceRow
{
    private readonly PieceShape shape;
    private readonly double along;
    private readonly double yMm;
    private readonly IReadOnlyList<double> crossingsMm;

    /// <param name="crossingsMm">Where the line meets the right edge, across from the midrib.</param>
    internal PieceRow(PieceShape shape, double along, double yMm, double halfWidthMm, IReadOnlyList<double> crossingsMm) =>
        (this.shape, this.along, this.yMm, HalfWidthMm, this.crossingsMm) = (shape, along, yMm, halfWidthMm, crossingsMm);

    /// <summary>From the midrib to the outermost edge.</summary>
    public double HalfWidthMm { get; }

    /// <summary>Even-odd rule: a point is inside if an odd number of edges lies beyond it.</summary>
    /// <param name="xMm">Across from the midrib, to either side.</param>
    public bool Contains(double xMm)
    {
        var x = Math.Abs(xMm);
        var beyond = 0;
        foreach (var crossing in crossingsMm)
            beyond += x < crossing ? 1 : 0;
        return beyond % 2 == 1;
    }

    /// <summary>The point in piece coordinates, clamped to the piece if it lies beside it: so a picture has no fringe.</summary>
    /// <param name="withEdge">Whether the distance to the edge is wanted; it costs most of the work, and is 0 without.</param>
    public PiecePoint PointAt(double xMm, bool withEdge = true)
    {
        var x = Math.Abs(xMm);
        var across = HalfWidthMm > 0 ? Math.Min(x / HalfWidthMm, 1) : 1;
        return new PiecePoint(along, across, withEdge && Contains(x) ? shape.DistanceToEdge(x, yMm) : 0, xMm, yMm);
    }
}
