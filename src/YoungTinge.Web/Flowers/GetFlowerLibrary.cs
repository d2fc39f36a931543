using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>What a flower can begin from: outlines to cut, and flowers and leaves that are made of them.</summary>
public static class GetFlowerLibrary
{
    /// <summary>Outlines are shown in a box as wide as this many mm for their usual proportions.</summary>
    private const double BoxMm = 40;

    /// <param name="Path">SVG path in a box of 40 by 40, tip up.</param>
    /// <param name="Form">As a piece of this outline mostly stands: a leaf as a leaf.</param>
    public sealed record OutlineView(string Id, string Path, bool IsLeaf, bool IsTube, VeinPattern Veins, PieceForm Form);

    /// <param name="OutlinePath">SVG path in a box of width by length millimetres, tip up.</param>
    /// <param name="Zones">Colours to begin from, by zone.</param>
    public sealed record LibraryPieceView(Piece Piece, string OutlinePath, IReadOnlyDictionary<Zone, string> Zones);

    /// <param name="Bloom">As the flower is known by its picture: from above, from the front or from the side.</param>
    public sealed record LibraryFlowerView(string Id, string Name, bool IsFoliage, IReadOnlyList<LibraryPieceView> Pieces, IReadOnlyList<BloomPiece> Bloom);

    /// <param name="UsualForms">How a piece of each kind mostly stands.</param>
    public sealed record Answer(IReadOnlyList<OutlineView> Outlines, IReadOnlyList<LibraryFlowerView> Flowers, IReadOnlyList<PieceForm> UsualForms);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/flower-library", () => TypedResults.Ok(Shipped.Value)).KeepsShipped().WithName("getFlowerLibrary").Produces<Answer>().ProducesProblems();

    private static readonly Lazy<Answer> Shipped = new(() => new Answer(
            [.. OutlineLibrary.All.Select(outline => new OutlineView(outline.Id, new PieceShape(outline, BoxMm, BoxMm).SvgPath(), outline.IsLeaf, outline.IsTube, outline.Veins,
                PieceForm.Usual(PieceForm.RoleOf(outline.Id, PartOf.Flower, solid: false))))],
            [.. FlowerLibrary.All.Select(View)],
            [.. Enum.GetValues<PieceRole>().Select(PieceForm.Usual)]));

    private static LibraryFlowerView View(LibraryFlower flower) => new(
        flower.Id, flower.Name, flower.IsFoliage,
        [.. flower.Pieces.Select(piece => new LibraryPieceView(
            piece.Piece, piece.Piece.Shape().SvgPath(), NewPlan.TargetsFor(piece.Colouring).ToDictionary(target => target.Key, target => ColourView.From(target.Value.Colour).Hex)))],
        Bloom.Of([.. flower.Pieces.Select(piece => piece.Piece)], flower.KnownFrom));
}
