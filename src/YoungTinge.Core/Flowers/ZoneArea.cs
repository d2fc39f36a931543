namespace YoungTinge.Core.Flowers;

/// <summary>
/// The small area in which a zone's colour is judged, in piece coordinates; an area and not a point, so that veins and
/// fades average out as they do for an eye at arm's length.
/// </summary>
public sealed record ZoneArea(Side Side, double AlongFrom, double AlongTo, double AcrossFrom, double AcrossTo)
{
    private const int StepsAlong = 5;

    /// <summary>Enough to fall on ridges and grooves of the finest veins alike.</summary>
    private const int StepsAcross = 12;

    public static ZoneArea Of(Zone zone) => zone switch
    {
        Zone.Rim => new ZoneArea(Side.Face, 0.35, 0.80, 0.93, 0.99),
        Zone.Tip => new ZoneArea(Side.Face, 0.93, 0.985, 0, 0.60),
        Zone.Heart => new ZoneArea(Side.Face, 0.34, 0.50, 0, 0.35),
        Zone.Base => new ZoneArea(Side.Face, 0.03, 0.13, 0, 0.70),
        Zone.Back => new ZoneArea(Side.Back, 0.20, 0.80, 0, 0.80),
        _ => throw new ArgumentOutOfRangeException(nameof(zone), zone, "Unknown zone."),
    };

    public IEnumerable<PiecePoint> Samples(PieceShape shape) =>
        from i in Enumerable.Range(0, StepsAlong)
        from j in Enumerable.Range(0, StepsAcross)
        select shape.PointAt(Between(AlongFrom, AlongTo, (i + 0.5) / StepsAlong), Between(AcrossFrom, AcrossTo, (j + 0.5) / StepsAcross));

    private static double Between(double from, double to, double share) => from + (to - from) * share;
}
