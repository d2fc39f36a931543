using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Mixing;

/// <summary>How much paste a batch of pieces takes. All must be mixed at once: a second batch never matches.</summary>
/// <param name="PieceG">One piece, with the ridge for its wire.</param>
/// <param name="Ball">That makes one piece.</param>
/// <param name="BatchG">All pieces, as balls or with what rolling loses, whichever is more, rounded up to whole grams.</param>
public sealed record PasteQuantity(double PieceG, BenchBall Ball, int Pieces, double BatchG)
{
    /// <summary>Offcuts that have been re-kneaded too often and are thrown away, as a share of the pieces' mass.</summary>
    public const double RollingLossShare = 0.12;

    // The ridge that holds the wire: a low triangle along the lower part of a flat piece.
    private const double RidgeLengthShare = 0.6;
    private const double RidgeWidthMm = 3;
    internal const double RidgeHeightMm = 1;

    public static PasteQuantity For(Piece piece, int parts)
    {
        var pieceG = piece.Solid ? SolidCm3(piece) * PasteBase.DensityGPerCm3 : FlatG(piece);
        var pieces = piece.ToMake(parts);
        var ball = BenchBall.For(pieceG);
        return new PasteQuantity(pieceG, ball, pieces, Math.Ceiling(pieces * Math.Max(pieceG * (1 + RollingLossShare), ball.LargestG) - 1e-9));
    }

    private static double FlatG(Piece piece)
    {
        var ridgeMm3 = RidgeLengthShare * piece.LengthMm * RidgeWidthMm * RidgeHeightMm / 2;
        return (piece.Shape().AreaCm2 * piece.ThicknessMm / 10 + ridgeMm3 / 1000) * PasteBase.DensityGPerCm3;
    }

    /// <summary>The outline turned round its midrib.</summary>
    private static double SolidCm3(Piece piece)
    {
        const int slices = 200;
        var outline = OutlineLibrary.Get(piece.OutlineId);
        var mm3 = 0.0;
        for (var i = 0; i < slices; i++)
        {
            var radius = outline.HalfWidthAt((i + 0.5) / slices) * piece.WidthMm / 2;
            mm3 += Math.PI * radius * radius * piece.LengthMm / slices;
        }

        return mm3 / 1000;
    }
}
