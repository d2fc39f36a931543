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
