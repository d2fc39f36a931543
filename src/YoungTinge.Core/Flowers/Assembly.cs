namespace YoungTinge.Core.Flowers;

/// <summary>How a stage holds.</summary>
public enum Joining
{
    Taped,
    Glued,

    /// <summary>Glued half way up, and held up until it has set.</summary>
    HalfGlued,

    /// <summary>Set on the hooked end of its wire.</summary>
    Hooked,
}

/// <summary>How dry the new pieces are when they go on.</summary>
public enum Dryness
{
    /// <summary>They still bend: a window that closes.</summary>
    Leathery,
    Firm,
    BoneDry,
}

/// <summary>How a flower dries after a stage.</summary>
public enum DryingPose
{
    Standing,

    /// <summary>Head down.</summary>
    Hanging,
}

/// <summary>What a stage of the house puts on; its maker may call it something else.</summary>
public enum StageKind
{
    Centre,
    Stamens,
    Whorl,
    Calyx,
    Bud,
    Own,
}

/// <param name="PerFlower">Of these pieces, 1 or more.</param>
public sealed record StagePart(Guid PieceId, int PerFlower);

/// <summary>One step of putting a flower together.</summary>
/// <param name="Name">In the maker's words; empty for those of the house.</param>
/// <param name="Onto">The stage whose flower it goes onto; null for one that begins.</param>
/// <param name="OneRowAtATime">With a wait between rows, not all together.</param>
public sealed record AssemblyStage(
    Guid Id, StageKind Kind, string Name, IReadOnlyList<StagePart> Parts, Guid? Onto, Joining Joining, Dryness Dryness, bool OneRowAtATime, DryingPose Pose);

/// <summary>Whether the coats of a flower's pieces go on before it is put together or after.</summary>
public enum Dusting
{
    /// <summary>What a plan says is for the standing flower comes after it, all else before.</summary>
    AsPlanned,
    BeforeAssembly,
    AfterAssembly,
}

/// <summary>How a flower is put together.</summary>
/// <param name="Stages">In any order: each says what it goes onto.</param>
public sealed record AssemblyPlan(IReadOnlyList<AssemblyStage> Stages, Dusting Dusting)
{
    /// <summary>Flowers gathered in groups of so many, as florets are, before they go to the stem; null for one by one.</summary>
    public int? GroupOf { get; init; }

    public const int MaxGroup = 60;
    public const int MostStages = 40;
    public const int LongestName = 120;
}
