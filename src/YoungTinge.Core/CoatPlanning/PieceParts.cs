using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>How much of a piece each of its zones speaks for: the paste is chosen for the largest part of it, not for its foot.</summary>
internal static class PieceParts
{
    private const int Grid = 24;

    /// <summary>Up to here along the piece it is its foot, from there its tip; within so much of its width from the edge its rim.</summary>
    private const double FootTo = 0.2;
    private const double TipFrom = 0.85;
    private const double RimShare = 0.08;

    /// <returns>Shares that add up to 1; face and back count alike.</returns>
    public static IReadOnlyDictionary<Zone, double> Of(PieceShape shape)
    {
        var rimMm = RimShare * shape.WidthMm;
        var cells = shape.Cells(Grid, withEdge: true).Select(point => point switch
        {
            { Along: < FootTo } => Zone.Base,
            { Along: > TipFrom } => Zone.Tip,
            _ => point.EdgeMm < rimMm ? Zone.Rim : Zone.Heart,
        }).ToList();
        return Enum.GetValues<Zone>().ToDictionary(zone => zone, zone => zone == Zone.Back ? 0.5 : 0.5 * cells.Count(cell => cell == zone) / Math.Max(1, cells.Count));
    }
}
