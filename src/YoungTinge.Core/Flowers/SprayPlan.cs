namespace YoungTinge.Core.Flowers;

/// <summary>What hangs on the stem of a spray.</summary>
public enum SprayPart
{
    Buds,
    Flowers,

    /// <summary>Leaves or berries, or groups of them.</summary>
    Leaves,
}

/// <summary>Some of a kind, one below the other along the stem of a spray.</summary>
/// <param name="PieceId">Of leaves and berries; null for flowers and buds.</param>
/// <param name="Count">In one spray: flowers, buds, leaves, or groups where these are gathered.</param>
/// <param name="DistanceMm">Along the stem, from what comes before to each of them.</param>
public sealed record SprayItem(SprayPart Part, Guid FlowerId, Guid? PieceId, int Count, double DistanceMm);

/// <summary>How flowers, buds and leaves are wired to sprays, the last stage of a commission.</summary>
/// <param name="Sprays">That are all alike.</param>
/// <param name="Items">From the end of the stem down.</param>
public sealed record SprayPlan(int Sprays, IReadOnlyList<SprayItem> Items)
{
    public const int MaxSprays = 100;
    public const int MaxItems = 60;
    public const int MaxCount = 400;
    public const double MaxDistanceMm = 300;
}

/// <summary>What there is to make sprays of.</summary>
/// <param name="Made">Without spares; groups where they are gathered.</param>
/// <param name="ReachMm">How large one is, from its middle or its foot to its farthest tip.</param>
public sealed record SprayStock(SprayPart Part, Guid FlowerId, Guid? PieceId, int Made, double ReachMm)
{
    /// <param name="pieces">Of one flower, with how many flowers or buds they are for.</param>
    public static IEnumerable<SprayStock> Of(Guid flowerId, IReadOnlyList<PieceOfFlower> pieces)
    {
        var buds = pieces.Where(piece => piece.Piece.PartOf == PartOf.Bud && piece.Parts > 0).ToList();
        if (buds.Count > 0)
            yield return new SprayStock(SprayPart.Buds, flowerId, null, buds[0].Parts, buds.Max(piece => piece.Piece.LengthMm));
        var open = pieces.Where(piece => piece.Parts > 0 && HouseAssembly.InFlower(piece.Piece)).ToList();
        if (open.Count > 0)
            yield return new SprayStock(SprayPart.Flowers, flowerId, null, open[0].Parts, Bloom.ReachMm([.. open.Select(piece => piece.Piece)]));
        foreach (var leaf in pieces.Where(piece => piece.Parts > 0 && piece.Piece.PartOf == PartOf.Flower && piece.Piece.Form.Role is PieceRole.Leaf or PieceRole.Berry))
            yield return new SprayStock(SprayPart.Leaves, flowerId, leaf.PieceId, leaf.Piece.Groups(leaf.Parts), leaf.Piece.LengthMm);
    }
}

/// <summary>How the house would wire a spray: the smallest bud at the end, then ever larger ones, flowers by their size, leaves between them.</summary>
public static class HouseSpray
{
    /// <summary>Flowers that stand so near each other, in shares of their reach, hide no foot and show no wire. House figure.</summary>
    private const double ApartReaches = 0.8;
    private const double NearestMm = 10;
    private const double FarthestMm = 80;
    private const double LeavesMm = 10;

    /// <param name="stock">Of all flowers of a commission.</param>
    public static SprayPlan For(IReadOnlyList<SprayStock> stock)
    {
        var items = new List<SprayItem>();
        var leaves = new Queue<SprayStock>(stock.Where(one => one.Part == SprayPart.Leaves && one.Made > 0));
        var heads = stock.Where(one => one.Part != SprayPart.Leaves && one.Made > 0).OrderBy(one => one.Part).ThenBy(one => one.ReachMm).ToList();
        foreach (var (at, head) in heads.Index())
        {
            items.Add(new SprayItem(head.Part, head.FlowerId, null, Math.Min(SprayPlan.MaxCount, head.Made), items.Count == 0 ? 0 : Math.Round(Math.Clamp(ApartReaches * head.ReachMm, NearestMm, FarthestMm))));
            // Leaves are shared out between what hangs on the stem, the last with what is left.
            var share = at == heads.Count - 1 ? leaves.Count : (int)Math.Ceiling(leaves.Count / (double)(heads.Count - at));
            for (var i = 0; i < share; i++)
                items.Add(Leaves(leaves.Dequeue()));
        }

        items.AddRange(leaves.Select(Leaves));
        return new SprayPlan(1, [.. items.Take(SprayPlan.MaxItems)]);

        static SprayItem Leaves(SprayStock leaf) => new(leaf.Part, leaf.FlowerId, leaf.PieceId, Math.Min(SprayPlan.MaxCount, leaf.Made), LeavesMm);
    }

    /// <summary>As its maker says, unless what it is made of has gone; else as the house would.</summary>
    public static SprayPlan InForce(SprayPlan? own, IReadOnlyList<SprayStock> stock) => own is not null && SprayCheck.Problems(own, stock).Count == 0 ? own : For(stock);
}

public enum SprayProblemCode
{
    SpraysOutOfRange,
    TooManyItems,
    CountOutOfRange,
    DistanceOutOfRange,

    /// <summary>It is not of this commission.</summary>
    UnknownPart,

    /// <summary>All sprays together have more of them than are made.</summary>
    MoreThanMade,
}

/// <param name="Path">Within the plan: <c>items[1].count</c>.</param>
public sealed record SprayProblem(string Path, SprayProblemCode Code, double? Limit = null);

/// <summary>What cannot be in the wiring of sprays.</summary>
public static class SprayCheck
{
    public static IReadOnlyList<SprayProblem> Problems(SprayPlan plan, IReadOnlyList<SprayStock> stock)
    {
        var found = new List<SprayProblem>();
        if (plan.Sprays is < 1 or > SprayPlan.MaxSprays)
            found.Add(new("sprays", SprayProblemCode.SpraysOutOfRange, SprayPlan.MaxSprays));
        if (plan.Items.Count > SprayPlan.MaxItems)
            return [.. found, new("items", SprayProblemCode.TooManyItems, SprayPlan.MaxItems)];
        foreach (var (i, item) in plan.Items.Index())
        {
            if (!(item.DistanceMm is >= 0 and <= SprayPlan.MaxDistanceMm))
                found.Add(new($"items[{i}].distanceMm", SprayProblemCode.DistanceOutOfRange, SprayPlan.MaxDistanceMm));
            if (item.Count is < 1 or > SprayPlan.MaxCount)
                found.Add(new($"items[{i}].count", SprayProblemCode.CountOutOfRange, SprayPlan.MaxCount));
            else if (stock.FirstOrDefault(one => IsSame(one, item)) is not { } made)
                found.Add(new($"items[{i}].count", SprayProblemCode.UnknownPart));
            else if ((long)plan.Sprays * plan.Items.Take(i + 1).Where(other => IsSame(made, other)).Sum(other => (long)other.Count) > made.Made)
                found.Add(new($"items[{i}].count", SprayProblemCode.MoreThanMade, made.Made));
        }

        return found;
    }

    private static bool IsSame(SprayStock stock, SprayItem item) => (stock.Part, stock.FlowerId, stock.PieceId) == (item.Part, item.FlowerId, item.PieceId);
}
