using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>A piece as it stands on the stem: its size, how many, and its finished colour in every zone.</summary>
/// <param name="OutlinePath">SVG path in a box of width by length millimetres, tip up.</param>
/// <param name="Finished">By zone.</param>
/// <param name="Piece">As it is edited.</param>
/// <param name="Version">To send with a change of it.</param>
/// <param name="Spares">How many of the pieces to make are spares.</param>
public sealed record PieceView(
    Guid Id, string Name, string OutlinePath, double LengthMm, double WidthMm, double ThicknessMm, bool Solid, PartOf PartOf,
    int ToMake, int Spares, double PieceG, BenchBall Ball, double BatchG, IReadOnlyDictionary<Zone, string> Finished,
    Piece Piece, PieceBuild Build, int Version)
{
    public static PieceView From(PlannedPiece planned, Materials materials)
    {
        var piece = planned.Piece;
        var shape = piece.Shape();
        var quantity = PasteQuantity.For(piece, planned.Parts);
        return new PieceView(
            planned.Id, piece.Name, shape.SvgPath(), piece.LengthMm, piece.WidthMm, piece.ThicknessMm, piece.Solid, piece.PartOf,
            quantity.Pieces, quantity.Pieces - piece.Needed(planned.Parts), quantity.PieceG, quantity.Ball, quantity.BatchG,
            BuildUp.Of(planned.Resolve(materials), shape).ToDictionary(zone => zone.Zone, zone => ColourView.From(zone.Finished).Hex),
            piece, shape.Build, planned.Version);
    }
}
