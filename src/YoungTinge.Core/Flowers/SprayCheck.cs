namespace YoungTinge.Core.Flowers;

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
