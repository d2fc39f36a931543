namespace YoungTinge.Core.Flowers;

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
