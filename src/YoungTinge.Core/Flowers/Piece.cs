using System.Text.Json.Serialization;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Flowers;

/// <summary>Whether a piece is one of every open flower or of every bud.</summary>
public enum PartOf
{
    Flower,
    Bud,
}

/// <summary>A kind of piece: a whorl of petals, a leaf, a stamen.</summary>
/// <param name="ThicknessMm">Rolled thickness of a flat piece; a solid one has none.</param>
/// <param name="Solid">Rolled from a ball or cone, not cut from a sheet.</param>
/// <param name="PerPart">How many one flower (or bud) has.</param>
/// <param name="SpareShare">Spares as a share of the number needed, 0 to 2: thin dry sugar breaks.</param>
public sealed record Piece(
    string Name, string OutlineId, double LengthMm, double WidthMm, double ThicknessMm, bool Solid, PartOf PartOf, int PerPart, double SpareShare)
{
    private static readonly Recent<(string OutlineId, double LengthMm, double WidthMm, bool Solid, PieceForm Form), PieceShape> Shapes =
        new(200, of => new PieceShape(OutlineLibrary.Get(of.OutlineId), of.LengthMm, of.WidthMm, of.Solid, of.Form));

    /// <summary>How it is shaped and stands in the flower.</summary>
    public PieceForm Form { get; init; } = PieceForm.Usual(PieceForm.RoleOf(OutlineId, PartOf, Solid));

    /// <summary>The same one for all pieces that are shaped alike: much is worked out from it.</summary>
    public PieceShape Shape() => Shapes[(OutlineId, LengthMm, WidthMm, Solid, Form)];

    /// <summary>What it is made of: as its maker says, or else as the house would, who buys stamens on their threads.</summary>
    [JsonIgnore]
    public PieceBody Body => Form.Body ?? (Form.Role == PieceRole.Stamen && OutlineId == "stamen" ? PieceBody.Bought : PieceBody.Paste);

    /// <summary>How it is cut.</summary>
    [JsonIgnore]
    public PieceCut Cut => Form.Cut ?? PieceCut.Plain;

    /// <summary>Petals that are seen of it in a flower: lobes of what is cut in one count for themselves.</summary>
    [JsonIgnore]
    public int SeenPerPart => PerPart * Cut.Lobes;

    /// <summary>So many petals to a flower are glued on as they are, not wired one by one. House rule.</summary>
    private const int MostWiredPetals = 9;

    /// <summary>Whether a wire carries it: as its maker says, or else as the house would.</summary>
    [JsonIgnore]
    public bool IsWired => Body.Kind != BodyKind.Bought && (Form.IsWired ?? Form.Role switch
    {
        PieceRole.Calyx or PieceRole.Stem => false,
        _ when Cut.Lobes > 1 => false,
        PieceRole.Petal => PerPart <= MostWiredPetals,
        _ => true,
    });

    /// <summary>Pieces without spares.</summary>
    /// <param name="parts">Flowers or buds of the design.</param>
    public int Needed(int parts) => PerPart * parts;

    /// <summary>What goes to the stem: pieces without spares, or groups of them.</summary>
    public int Groups(int parts) => (Needed(parts) + (Form.GatheredBy ?? 1) - 1) / (Form.GatheredBy ?? 1);

    /// <summary>Pieces to make, with spares.</summary>
    public int ToMake(int parts) => (int)Math.Ceiling(Needed(parts) * (1 + SpareShare) - 1e-9);
}
