using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Work;

/// <summary>What a coat takes for all pieces and all its layers.</summary>
/// <param name="Powders">What is weighed: dusts, colours, crumbs; in g.</param>
/// <param name="LiquidId">The thinner or the glaze; null if it takes none.</param>
/// <param name="Ml">Of the liquid; null if it takes none.</param>
public sealed record CoatAmount(IReadOnlyList<MaterialAmount> Powders, string? LiquidId = null, double? Ml = null);

/// <summary>What the coats of a batch of pieces take.</summary>
public static class CoatAmounts
{
    /// <summary>Points along and across for the mean of a mask; the mean is then within about 1 %.</summary>
    private const int Grid = 60;

    /// <summary>Share of a glaze that ends up on the piece: much of a spray passes by, a dip and a brush lose little.</summary>
    private const double SprayShare = 0.4;
    private const double OtherShare = 0.8;

    /// <summary>A brush keeps some of a wash, and some dries in the dish.</summary>
    private const double WashShare = 0.5;

    /// <summary>Less than this cannot be mixed in a dish, in ml.</summary>
    private const double SmallestWashMl = 1;

    /// <summary>Crumbs in one layer; what sheds is brushed up and used again.</summary>
    private const double CrumbMgPerCm2 = 25;

    public static CoatAmount Of(Coat coat, PieceShape shape, int pieces, Materials materials) => coat switch
    {
        DustCoat dust => new CoatAmount(Dust(dust, shape, pieces)),
        WashCoat wash => new CoatAmount(Paint(wash, shape, pieces), wash.ThinnerId, WashMl(wash, shape, pieces)),
        GlazeCoat glaze => new CoatAmount(
            [.. Tint(glaze, shape, pieces, materials).Select(amount => amount with { Grams = glaze.Coats * amount.Grams })],
            glaze.GlazeId, glaze.Coats * GlazeMlPerCoat(glaze, shape, pieces, materials)),
        PollenCoat pollen => new CoatAmount([new MaterialAmount(pollen.CrumbId, CrumbG(pollen, shape, pieces))]),
        _ => new CoatAmount([]),
    };

    /// <summary>Dust mix for one coat on all pieces, in g, as each portion.</summary>
    public static IReadOnlyList<MaterialAmount> Dust(DustCoat coat, PieceShape shape, int pieces) =>
        Portion.Of(coat.Mix, DustLoad.MixG(coat, shape.AreaCm2, MeanShare(coat, shape), pieces));

    /// <summary>Glaze for one of the coats on all pieces, in ml.</summary>
    public static double GlazeMlPerCoat(GlazeCoat coat, PieceShape shape, int pieces, Materials materials)
    {
        var glaze = materials.Get<Glaze>(coat.GlazeId);
        return pieces * coat.Sides.Count() * shape.AreaCm2 * glaze.WetMlPerCm2 / (glaze.IsSprayed ? SprayShare : OtherShare);
    }

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
        return shape.Cells(Grid, coat.Place.NeedsEdge).Select(point => cover?.ShareOf(point.XMm, point.YMm, cellAcrossMm, cellAlongMm) ?? coat.Place.MaskAt(point, shape.Veins))
            .DefaultIfEmpty(0).Average();
    }
}
