using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>Coats as they lie on a piece: how much of each is where. Worked out once for all points.</summary>
public sealed class LaidCoats
{
    private readonly VeinPattern veins;
    private readonly PaintedDetail?[] details;
    private readonly IReadOnlyList<Reach?>? reach;

    /// <param name="standing">How the piece stands in its flower; null for a loose one.</param>
    public LaidCoats(IReadOnlyList<Coat> coats, PieceShape shape, StandingPiece? standing = null)
    {
        Coats = coats;
        reach = standing is null || standing.FirstOf(coats) == coats.Count ? null : standing.ReachOf(coats);
        veins = shape.Veins;
        details = [.. coats.Select(coat => coat.DetailOn(shape))];
        var places = coats.OfType<IPlacedCoat>().Select(coat => coat.Place).ToList();
        NeedsEdge = places.Any(place => place.NeedsEdge);
        IsLopsided = places.Any(place => place.Parts.Any(part => part.Half != PieceHalf.Both));
    }

    public IReadOnlyList<Coat> Coats { get; }

    /// <summary>Whether any coat asks how far the edge is.</summary>
    public bool NeedsEdge { get; }

    /// <summary>Whether the two halves differ, painted details apart.</summary>
    public bool IsLopsided { get; }

    /// <summary>Painted details, by their place among the coats.</summary>
    public IEnumerable<int> Marked => Enumerable.Range(0, Coats.Count).Where(i => details[i] is not null);

    /// <param name="coat">Place of a painted detail among the coats.</param>
    public string SvgPathOf(int coat) => details[coat]!.SvgPath;

    /// <summary>Hidden share of a rectangle round a point, 0 to 1.</summary>
    /// <param name="coat">Place of a painted detail among the coats.</param>
    public double CoverRound(int coat, PiecePoint point, double acrossMm, double alongMm) => details[coat]!.Cover.ShareOf(point.XMm, point.YMm, acrossMm, alongMm);

    /// <summary>How the coats lie on a small part of the piece, as an eye sees it that does not tell strokes apart.</summary>
    public PointLoads At(PiecePoint point, double cellAcrossMm, double cellAlongMm) => new(this, point, cellAcrossMm, cellAlongMm, PointLoads.AllMarks);

    /// <summary>How the coats lie at a point where one painted detail is, or none.</summary>
    /// <param name="marked">Place of the detail among the coats; null for none.</param>
    public PointLoads At(PiecePoint point, int? marked) => new(this, point, 0, 0, marked ?? PointLoads.NoMarks);

    /// <summary>How much of each coat lies at one spot.</summary>
    public readonly struct PointLoads(LaidCoats laid, PiecePoint point, double cellAcrossMm, double cellAlongMm, int marks) : ILayerCoverage
    {
        internal const int AllMarks = -1;
        internal const int NoMarks = -2;

        // The same for every dust at this point.
        private readonly double dustShare = laid.veins.LoadShareAt(point);

        public double ShareOf(int layer) => laid.Coats[layer].ShareAt(point, laid.veins, dustShare) * (laid.reach?[layer]?.ShareAt(point) ?? 1);

        public double CoverOf(int layer)
        {
            if (laid.details[layer]?.Cover is not { } cover)
                return 1;
            return marks == AllMarks ? cover.ShareOf(point.XMm, point.YMm, cellAcrossMm, cellAlongMm) : marks == layer ? 1 : 0;
        }
    }
}
