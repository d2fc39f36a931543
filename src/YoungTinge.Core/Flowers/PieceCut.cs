namespace YoungTinge.Core.Flowers;

/// <summary>How a piece differs from one that is cut by itself from an even sheet.</summary>
/// <param name="RimMm">Thickness at its rim, if it is thinned towards it; null for as thick as in the middle.</param>
/// <param name="Lobes">So many are cut in one, joined at their bases: its size is that of one of them. 1 for a piece by itself.</param>
/// <param name="NubMm">Across a ball of paste that is left under the middle, as under a calyx; null for none.</param>
/// <param name="InBothHands">Every second one is cut the other way round.</param>
public sealed record PieceCut(double? RimMm = null, int Lobes = 1, double? NubMm = null, bool InBothHands = false)
{
    public const double ThinnestRimMm = 0.05;
    public const int MostLobes = 12;
    public const double LargestNubMm = 40;

    public static PieceCut Plain { get; } = new();
}
