using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Work;

/// <summary>How many spares a kind of piece usually needs: the farther it spans for its thickness, the more of it breaks. House rules.</summary>
public static class SparesAdvice
{
    private const double OfSolid = 0.05;

    /// <summary>Horns and long buds snap where they are thin.</summary>
    private const double OfSlenderSolid = 0.15;
    private const double OfThinnest = 0.33;

    /// <summary>Longer than so many times its width breaks across.</summary>
    private const double Slender = 1.8;
    private const double Strap = 3;
    private const double MoreForStrap = 0.05;

    /// <summary>Up to a span of so many thicknesses, the share to add.</summary>
    private static readonly (double Spans, double Share)[] Flat = [(40, 0.10), (65, 0.15), (95, 0.20), (130, 0.25)];

    /// <returns>As a share of the number needed, 0.05 to 0.38.</returns>
    public static double ShareFor(Piece piece)
    {
        var slenderness = Math.Max(piece.LengthMm, piece.WidthMm) / Math.Min(piece.LengthMm, piece.WidthMm);
        if (piece.Solid)
            return slenderness >= Slender ? OfSlenderSolid : OfSolid;
        var spans = Math.Max(piece.LengthMm, piece.WidthMm) / piece.ThicknessMm;
        var share = Flat.Where(one => spans <= one.Spans).Select(one => one.Share).FirstOrDefault(OfThinnest);
        return share + (slenderness >= Strap ? MoreForStrap : 0);
    }
}
