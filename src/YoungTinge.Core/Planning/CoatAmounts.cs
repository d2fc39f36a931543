using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Planning;

/// <summary>What the coats of a batch of pieces take.</summary>
public static class CoatAmounts
{
    /// <summary>Points along and across for the mean of a mask; the mean is then within about 1 %.</summary>
    private const int Grid = 40;

    /// <summary>Share of a glaze that ends up on the piece: much of a spray passes by, a dip and a brush lose little.</summary>
    private const double SprayShare = 0.4;
    private const double OtherShare = 0.8;

    /// <summary>Dust mix for one coat on all pieces, in g, as each portion.</summary>
    public static IReadOnlyList<MaterialAmount> Dust(DustCoat coat, PieceShape shape, int pieces) =>
        Portion.Of(coat.Mix, DustLoad.MixG(coat, shape.AreaCm2, MeanShare(coat.Place, shape), pieces));

    /// <summary>Glaze for one of the coats on all pieces, in ml.</summary>
    public static double GlazeMlPerCoat(GlazeCoat coat, PieceShape shape, int pieces, Materials materials)
    {
        var glaze = materials.Get<Glaze>(coat.GlazeId);
        return pieces * coat.Sides.Count() * shape.AreaCm2 * glaze.WetMlPerCm2 / (glaze.IsSprayed ? SprayShare : OtherShare);
    }

    /// <summary>A brush keeps some of a wash, and some dries in the dish.</summary>
    private const double WashShare = 0.5;

    /// <summary>Less than this cannot be mixed in a dish, in ml.</summary>
    private const double SmallestWashMl = 1;

    /// <summary>Crumbs in one layer; what sheds is brushed up and used again.</summary>
    private const double CrumbMgPerCm2 = 25;

    /// <summary>Thinner for a wash on all pieces, in ml.</summary>
    public static double WashMl(WashCoat coat, PieceShape shape, int pieces) =>
        Math.Max(SmallestWashMl, pieces * coat.Sides.Count() * shape.AreaCm2 * MeanShare(coat.Place, shape) * coat.WetMlPerCm2 / WashShare);

    /// <summary>Each colour of a wash on all pieces, in g.</summary>
    public static IReadOnlyList<MaterialAmount> Paint(WashCoat coat, PieceShape shape, int pieces) => Portion.Of(coat.Mix, WashMl(coat, shape, pieces) * coat.GPerMl);

    /// <summary>Powder in the glaze for one of the coats on all pieces, in g, as each portion; empty for a clear glaze.</summary>
    public static IReadOnlyList<MaterialAmount> Tint(GlazeCoat coat, PieceShape shape, int pieces, Materials materials) =>
        coat.Tint is { } tint ? Portion.Of(tint.Mix, tint.GPer10ml * GlazeMlPerCoat(coat, shape, pieces, materials) / 10) : [];

    /// <summary>Crumbs on all pieces, in g.</summary>
    public static double CrumbG(PollenCoat coat, PieceShape shape, int pieces) =>
        pieces * coat.Sides.Count() * shape.AreaCm2 * MeanShare(coat.Place, shape) * coat.Coverage * CrumbMgPerCm2 / 1000;

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
