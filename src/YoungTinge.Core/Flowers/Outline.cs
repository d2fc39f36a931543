namespace YoungTinge.Core.Flowers;

/// <summary>A node of an outline: how far from the midrib and along it. A corner is sharp, other nodes are rounded.</summary>
public readonly record struct OutlineNode(double Across, double Along, bool IsCorner = false);

/// <summary>
/// The closed edge of a kind of petal or leaf, without size: across runs from -1 (left edge) over 0 (midrib) to 1, along from
/// 0 (base) to 1 (tip). Given as its right half, from base to tip, and mirrored, unless it has a left half of its own.
/// </summary>
public sealed class Outline
{
    private const int PointsPerSpan = 12;

    /// <param name="half">From the base on the midrib, up the right side, to the tip on the midrib; across at most 1.</param>
    /// <exception cref="ArgumentException">Fewer than three nodes, or the ends are not on the midrib.</exception>
    public Outline(string id, VeinPattern veins, params OutlineNode[] half) : this(id, veins, half, null)
    {
    }

    /// <param name="left">Its left half as if it were a right one; null for the right half mirrored.</param>
    /// <exception cref="ArgumentException">Fewer than three nodes, or the ends are not on the midrib.</exception>
    public Outline(string id, VeinPattern veins, OutlineNode[] half, OutlineNode[]? left)
    {
        foreach (var nodes in new[] { half, left ?? half })
        {
            if (nodes.Length < 3 || nodes[0].Across != 0 || nodes[^1].Across != 0)
                throw new ArgumentException("An outline runs from the midrib over the side back to the midrib.", nameof(half));
        }

        Id = id;
        Veins = veins;
        Half = Smooth(half);
        LeftHalf = left is null ? Half : Smooth(left);
    }

    public string Id { get; }

    /// <summary>Veined as a leaf is; everything else is part of a flower.</summary>
    public bool IsLeaf => Veins is VeinPattern.Feather or VeinPattern.Palm;

    public VeinPattern Veins { get; }

    /// <summary>Rolled to a tube: its face is the inside, its tip the mouth.</summary>
    public bool IsTube { get; init; }

    /// <summary>The right half as a fine chain of points, base to tip.</summary>
    internal IReadOnlyList<(double Across, double Along)> Half { get; }

    /// <summary>The left half as if it were a right one: the very same chain if both are alike.</summary>
    internal IReadOnlyList<(double Across, double Along)> LeftHalf { get; }

    /// <summary>Its two halves differ: turned over it is another.</summary>
    public bool IsHanded => !ReferenceEquals(Half, LeftHalf);

    /// <summary>Distance from the midrib to the outermost edge, 0 to 1, at a height along the piece.</summary>
    public double HalfWidthAt(double along, bool onLeft = false)
    {
        var half = onLeft ? LeftHalf : Half;
        var widest = 0.0;
        for (var i = 1; i < half.Count; i++)
        {
            var (a, b) = (half[i - 1], half[i]);
            if ((a.Along - along) * (b.Along - along) > 0)
                continue;
            var share = a.Along == b.Along ? 1 : (along - a.Along) / (b.Along - a.Along);
            widest = Math.Max(widest, a.Across + share * (b.Across - a.Across));
        }

        return widest;
    }

    /// <summary>Cubic Hermite spans with Catmull-Rom tangents over the whole mirrored ring; a corner has no tangent.</summary>
    private static List<(double Across, double Along)> Smooth(OutlineNode[] half)
    {
        var points = new List<(double Across, double Along)>();
        for (var i = 0; i + 1 < half.Length; i++)
        {
            for (var step = 0; step < PointsPerSpan; step++)
                points.Add(Hermite(Node(i), Tangent(i), Node(i + 1), Tangent(i + 1), (double)step / PointsPerSpan));
        }

        points.Add((half[^1].Across, half[^1].Along));
        // Rounding a curve may bulge a hair past the midrib or the extremes.
        return points.ConvertAll(p => (Math.Clamp(p.Across, 0, 1), Math.Clamp(p.Along, 0, 1)));

        // Past either end the ring goes on with the mirrored left side.
        OutlineNode Node(int i) => i < 0 ? Mirror(half[-i]) : i < half.Length ? half[i] : Mirror(half[2 * half.Length - 2 - i]);

        (double Across, double Along) Tangent(int i) => Node(i).IsCorner
            ? (0, 0)
            : ((Node(i + 1).Across - Node(i - 1).Across) / 2, (Node(i + 1).Along - Node(i - 1).Along) / 2);
    }

    private static OutlineNode Mirror(OutlineNode node) => node with { Across = -node.Across };

    private static (double, double) Hermite(OutlineNode a, (double Across, double Along) ta, OutlineNode b, (double Across, double Along) tb, double t)
    {
        double t2 = t * t, t3 = t2 * t;
        double h00 = 2 * t3 - 3 * t2 + 1, h10 = t3 - 2 * t2 + t, h01 = -2 * t3 + 3 * t2, h11 = t3 - t2;
        return (
            h00 * a.Across + h10 * ta.Across + h01 * b.Across + h11 * tb.Across,
            h00 * a.Along + h10 * ta.Along + h01 * b.Along + h11 * tb.Along);
    }
}
