namespace YoungTinge.Core.Flowers;

/// <summary>What a piece is of its flower.</summary>
public enum PieceRole
{
    Petal,
    Centre,
    Stamen,
    Calyx,
    Bud,
    Leaf,
    Berry,
    Stem,
}

/// <summary>How the pieces of a kind stand round the stem.</summary>
public enum Arrangement
{
    /// <summary>Evenly round; the next whorl stands over the gaps.</summary>
    Ring,

    /// <summary>Each a golden angle on from the last, as florets and scales grow.</summary>
    Spiral,

    /// <summary>All to one side, as the fall of an iris or the lip of an orchid.</summary>
    OneSide,
}

/// <summary>How a piece is shaped and put into its flower.</summary>
/// <param name="OpenDegrees">Between the stem and the piece: 0 for upright, 90 for flat, more for bent back. 0 to 150.</param>
/// <param name="InsetMm">From the middle of the flower to the base of the piece, 0 to 100.</param>
/// <param name="Cup">How far it is hollowed, 0 to 1.</param>
/// <param name="Frill">How far its edge is waved, 0 to 1.</param>
/// <param name="Veins">Another veiner than the outline's own; null for that.</param>
public sealed record PieceForm(PieceRole Role, Arrangement Arrangement, double OpenDegrees, double InsetMm, double Cup, double Frill, VeinPattern? Veins)
{
    /// <summary>What it is made of; null for as the house would.</summary>
    public PieceBody? Body { get; init; }

    /// <summary>Whether a wire carries it, or glue; null for as the house would.</summary>
    public bool? IsWired { get; init; }

    /// <summary>Standard wire gauge of the maker's own choice, 14 to 36; null for what carries it.</summary>
    public int? Gauge { get; init; }

    /// <summary>What is particular about its cutting; null for nothing.</summary>
    public PieceCut? Cut { get; init; }

    /// <summary>Gathered in groups of so many before they go to the stem: leaves of a compound leaf, berries of a bunch; null for one by one.</summary>
    public int? GatheredBy { get; init; }

    public const int MostGathered = 30;

    public const double MostOpenDegrees = 150;
    public const double MostInsetMm = 100;

    /// <summary>As such a piece mostly stands.</summary>
    public static PieceForm Usual(PieceRole role) => role switch
    {
        PieceRole.Petal => new(role, Arrangement.Ring, 70, 2, 0.3, 0, null),
        PieceRole.Centre => new(role, Arrangement.Ring, 0, 0, 0, 0, null),
        PieceRole.Stamen => new(role, Arrangement.Ring, 35, 1.5, 0, 0, null),
        PieceRole.Calyx => new(role, Arrangement.Ring, 100, 2, 0, 0, null),
        PieceRole.Leaf => new(role, Arrangement.Spiral, 95, 12, 0.1, 0, null),
        PieceRole.Berry => new(role, Arrangement.Spiral, 60, 6, 0, 0, null),
        _ => new(role, Arrangement.Ring, 0, 0, 0, 0, null),
    };

    /// <summary>What a piece most likely is, going by its outline and what it belongs to.</summary>
    public static PieceRole RoleOf(string outlineId, PartOf partOf, bool solid) => partOf == PartOf.Bud ? PieceRole.Bud
        : OutlineLibrary.Find(outlineId) is { IsLeaf: true } ? PieceRole.Leaf
        : outlineId is "stamen" or "horn" ? PieceRole.Stamen
        : solid ? PieceRole.Centre : PieceRole.Petal;
}
