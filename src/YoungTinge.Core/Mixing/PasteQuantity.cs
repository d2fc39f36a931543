using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Mixing;

/// <summary>How much paste a batch of pieces takes. All must be mixed at once: a second batch never matches.</summary>
/// <param name="PieceG">One piece, with the ridge for its wire if it has one; of a covered core its skin, of what is bought nothing.</param>
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
        var pieceG = piece.Body switch
        {
            { Kind: BodyKind.Bought } => 0,
            { Kind: BodyKind.CoveredCore } body => SkinCm3(body) * PasteBase.DensityGPerCm3,
            _ => piece.Solid ? SolidCm3(piece) * PasteBase.DensityGPerCm3 : FlatG(piece),
        };
        var pieces = piece.ToMake(parts);
        if (pieceG <= 0)
            return new PasteQuantity(0, new BenchBall(0, 0), pieces, 0);
        var ball = BenchBall.For(pieceG);
        return new PasteQuantity(pieceG, ball, pieces, Math.Ceiling(pieces * Math.Max(pieceG * (1 + RollingLossShare), ball.LargestG) - 1e-9));
    }

    private static double FlatG(Piece piece)
    {
        var ridgeMm3 = piece.IsWired ? RidgeLengthShare * piece.LengthMm * RidgeWidthMm * RidgeHeightMm / 2 : 0;
        var nubG = piece.Cut.NubMm is { } nub ? BenchBall.GramsOf(nub) : 0;
        return nubG + (piece.Shape().SideCm2 * MeanMm(piece) / 10 + ridgeMm3 / 1000) * PasteBase.DensityGPerCm3;
    }

    /// <summary>A piece that is thinned to its rim falls off evenly from its innermost point.</summary>
    private static double MeanMm(Piece piece) =>
        piece.Cut.RimMm is { } rim ? rim + (piece.ThicknessMm - rim) * piece.Shape().MeanInwardShare : piece.ThicknessMm;

    /// <summary>A shell round a ball.</summary>
    private static double SkinCm3(PieceBody body) => Math.PI / 6 * (Math.Pow(body.CoreMm + 2 * body.SkinMm, 3) - Math.Pow(body.CoreMm, 3)) / 1000;

    /// <summary>The outline turned round its midrib.</summary>
    private static double SolidCm3(Piece piece)
    {
        const int slices = 200;
        var outline = OutlineLibrary.Get(piece.OutlineId);
        var mm3 = 0.0;
        for (var i = 0; i < slices; i++)
        {
            var (right, left) = (outline.HalfWidthAt((i + 0.5) / slices), outline.HalfWidthAt((i + 0.5) / slices, onLeft: true));
            mm3 += Math.PI / 2 * (right * right + left * left) * Math.Pow(piece.WidthMm / 2, 2) * piece.LengthMm / slices;
        }

        return mm3 / 1000;
    }
}
