namespace YoungTinge.Core.Flowers;

/// <summary>What the inside of a piece is.</summary>
public enum BodyKind
{
    /// <summary>Rolled or modelled of paste all through.</summary>
    Paste,

    /// <summary>A core of something light with a skin of paste.</summary>
    CoveredCore,

    /// <summary>Bought ready-made: no paste, no shaping.</summary>
    Bought,
}

/// <summary>What a piece is made of.</summary>
/// <param name="CoreMm">Diameter of a round core; 0 for the rest.</param>
/// <param name="SkinMm">Thickness of the paste over it; 0 for the rest.</param>
/// <param name="MaterialId">Of the cabinet, that bought pieces are taken from; null for the first that does.</param>
public sealed record PieceBody(BodyKind Kind, double CoreMm = 0, double SkinMm = 0, string? MaterialId = null)
{
    public const double ThickestSkinMm = 20;

    public static PieceBody Paste { get; } = new(BodyKind.Paste);

    public static PieceBody Bought { get; } = new(BodyKind.Bought);
}
