using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Planning;

/// <summary>One dust of a mix, for a whole batch of pieces.</summary>
public sealed record DustAmount(string DustId, double Grams);

/// <summary>What the coats of a batch of pieces take.</summary>
public static class CoatAmounts
{
    /// <summary>Points along and across for the mean of a mask; the mean is then within about 1 %.</summary>
    private const int Grid = 40;

    /// <summary>Share of a glaze that ends up on the piece: much of a spray passes by, a dip and a brush lose little.</summary>
    private const double SprayShare = 0.4;
    private const double OtherShare = 0.8;

    /// <summary>Dust mix for one coat on all pieces, in g, as each portion.</summary>
    public static IReadOnlyList<DustAmount> Dust(DustCoat coat, PieceShape shape, int pieces)
    {
        var grams = DustLoad.MixG(coat, shape.AreaCm2, MeanShare(coat.Place, shape), pieces);
        var parts = coat.Mix.Sum(portion => portion.Parts);
        return [.. coat.Mix.Select(portion => new DustAmount(portion.DustId, grams * portion.Parts / parts))];
    }

    /// <summary>Glaze for one of the coats on all pieces, in ml.</summary>
    public static double GlazeMlPerCoat(GlazeCoat coat, PieceShape shape, int pieces, Materials materials)
    {
        var glaze = materials.Get<Glaze>(coat.GlazeId);
        return pieces * coat.Sides.Count() * shape.AreaCm2 * glaze.WetMlPerCm2 / (glaze.Label.Form == "spray" ? SprayShare : OtherShare);
    }

    private static double MeanShare(Place place, PieceShape shape)
    {
        double sum = 0, inside = 0;
        for (var row = 0; row < Grid; row++)
        {
            var across = shape.RowAtMm((row + 0.5) / Grid * shape.LengthMm);
            for (var column = 0; column < Grid; column++)
            {
                var x = (column + 0.5) / Grid * shape.WidthMm / 2;
                if (!across.Contains(x))
                    continue;
                inside++;
                sum += place.MaskAt(across.PointAt(x, place.Kind == PlaceKind.Rim));
            }
        }

        return inside > 0 ? sum / inside : 0;
    }
}
