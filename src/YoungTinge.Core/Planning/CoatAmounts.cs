using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Planning;

/// <summary>What the coats of a batch of pieces take.</summary>
public static class CoatAmounts
{
    /// <summary>Points along and across for the mean of a mask; the mean is then within about 1 %.</summary>
    private const int Grid = 60;

    /// <summary>Share of a glaze that ends up on the piece: much of a spray passes by, a dip and a brush lose little.</summary>
    private const double SprayShare = 0.4;
    private const double OtherShare = 0.8;

    /// <summary>Dust mix for one coat on all pieces, in g, as each portion.</summary>
    public static IReadOnlyList<MaterialAmount> Dust(DustCoat coat, PieceShape shape, int pieces) =>
        Portion.Of(coat.Mix, DustLoad.MixG(coat, shape.AreaCm2, MeanShare(coat, shape), pieces));

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
        Math.Max(SmallestWashMl, pieces * coat.Sides.Count() * shape.AreaCm2 * MeanShare(coat, shape) * coat.WetMlPerCm2 / WashShare);

    /// <summary>Each colour of a wash on all pieces, in g.</summary>
    public static IReadOnlyList<MaterialAmount> Paint(WashCoat coat, PieceShape shape, int pieces) => Portion.Of(coat.Mix, WashMl(coat, shape, pieces) * coat.GPerMl);

    /// <summary>Powder in the glaze for one of the coats on all pieces, in g, as each portion; empty for a clear glaze.</summary>
    public static IReadOnlyList<MaterialAmount> Tint(GlazeCoat coat, PieceShape shape, int pieces, Materials materials) =>
        coat.Tint is { } tint ? Portion.Of(tint.Mix, tint.GPer10ml * GlazeMlPerCoat(coat, shape, pieces, materials) / 10) : [];

    /// <summary>Crumbs on all pieces, in g.</summary>
    public static double CrumbG(PollenCoat coat, PieceShape shape, int pieces) =>
        pieces * coat.Sides.Count() * shape.AreaCm2 * MeanShare(coat, shape) * coat.Coverage * CrumbMgPerCm2 / 1000;

    /// <summary>Of a coat over one side: mean of where it is full, or the share that its strokes hide.</summary>
    private static double MeanShare(IPlacedCoat coat, PieceShape shape)
    {
        var cover = coat is WashCoat { Marking: { } marking } ? new CoverMap(MarkingShapes.Of(marking, coat.Place, shape), shape) : null;
        var (cellAcrossMm, cellAlongMm) = (shape.WidthMm / Grid, shape.LengthMm / Grid);
        var needsEdge = coat.Place.Parts.Any(place => place.Kind == PlaceKind.Rim);
        double sum = 0, inside = 0;
        for (var row = 0; row < Grid; row++)
        {
            var across = shape.RowAtMm((row + 0.5) * cellAlongMm);
            for (var column = 0; column < Grid; column++)
            {
                var x = (column + 0.5) * cellAcrossMm - shape.WidthMm / 2;
                if (!across.Contains(x))
                    continue;
                inside++;
                sum += cover?.ShareOf(x, (row + 0.5) * cellAlongMm, cellAcrossMm, cellAlongMm)
                    ?? coat.Place.MaskAt(across.PointAt(x, needsEdge), shape.Veins);
            }
        }

        return inside > 0 ? sum / inside : 0;
    }
}
