using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Mixing;

/// <summary>A piece sized by the paste that it is made of: a ball of so many grams. Its proportions and its thickness stay.</summary>
public static class BallSize
{
    private const int Halvings = 60;

    /// <param name="grams">One piece, above 0.</param>
    /// <returns>Null if no size that can be is made of so much.</returns>
    public static Piece? Of(Piece piece, double grams)
    {
        if (piece.Body.Kind == BodyKind.Bought || !(grams > 0))
            return null;
        // Grams rise with the size, so one size fits.
        double low = PieceCheck.SmallestMm / Math.Min(piece.LengthMm, piece.WidthMm), high = PieceCheck.LargestMm / Math.Max(piece.LengthMm, piece.WidthMm);
        if (piece.Body is { Kind: BodyKind.CoveredCore } body)
            high = Math.Min(high, PieceBody.ThickestSkinMm / body.SkinMm);
        if (!(GramsAt(low) <= grams && grams <= GramsAt(high)))
            return null;
        for (var i = 0; i < Halvings; i++)
        {
            var middle = (low + high) / 2;
            if (GramsAt(middle) < grams)
                low = middle;
            else
                high = middle;
        }

        return Sized(piece, high);

        double GramsAt(double scale) => PasteQuantity.For(Sized(piece, scale), 1).PieceG;
    }

    /// <summary>Over a core that stays as it is, only the skin grows.</summary>
    private static Piece Sized(Piece piece, double scale)
    {
        if (piece.Body is { Kind: BodyKind.CoveredCore } body)
        {
            var skinMm = scale * body.SkinMm;
            return piece with
            {
                LengthMm = body.CoreMm + 2 * skinMm,
                WidthMm = body.CoreMm + 2 * skinMm,
                Form = piece.Form with { Body = body with { SkinMm = skinMm } },
            };
        }

        // A solid piece has no thickness of its own: it goes with its width.
        var sized = piece with { LengthMm = scale * piece.LengthMm, WidthMm = scale * piece.WidthMm };
        return piece.Solid ? sized with { ThicknessMm = Math.Clamp(scale * piece.ThicknessMm, PieceCheck.ThinnestMm, PieceCheck.ThickestMm) } : sized;
    }
}
