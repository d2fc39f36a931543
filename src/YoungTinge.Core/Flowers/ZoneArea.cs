namespace YoungTinge.Core.Flowers;

/// <summary>A spot of a zone, with the size of the cell that it stands for.</summary>
public readonly record struct ZoneSample(PiecePoint Point, double CellAcrossMm, double CellAlongMm);

/// <summary>
/// The small area in which a zone's colour is judged, in piece coordinates; an area and not a point, so that veins and
/// fades average out as they do for an eye at arm's length.
/// </summary>
public sealed record ZoneArea(Side Side, double AlongFrom, double AlongTo, double AcrossFrom, double AcrossTo)
{
    private const int StepsAlong = 5;

    /// <summary>Enough to fall on ridges and grooves of the finest veins alike.</summary>
    private const int StepsAcross = 12;

    public static ZoneArea Of(Zone zone, PieceBuild build = PieceBuild.Flat) => (zone, build) switch
    {
        // A ball has no edge: its rim is its girdle, its tip the crown, and its back the side turned away.
        (Zone.Rim, PieceBuild.Solid) => new ZoneArea(Side.Face, 0.40, 0.62, 0.60, 0.92),
        (Zone.Tip, PieceBuild.Solid) => new ZoneArea(Side.Face, 0.88, 0.97, 0, 0.55),
        // The rim of a tube is its lip, all round the mouth; its heart the throat.
        (Zone.Rim, PieceBuild.Tube) => new ZoneArea(Side.Face, 0.90, 0.955, 0, 0.95),
        (Zone.Tip, PieceBuild.Tube) => new ZoneArea(Side.Face, 0.72, 0.86, 0, 0.80),
        (Zone.Rim, _) => new ZoneArea(Side.Face, 0.35, 0.80, 0.93, 0.99),
        (Zone.Tip, _) => new ZoneArea(Side.Face, 0.93, 0.985, 0, 0.60),
        (Zone.Heart, _) => new ZoneArea(Side.Face, 0.34, 0.50, 0, 0.35),
        (Zone.Base, _) => new ZoneArea(Side.Face, 0.03, 0.13, 0, 0.70),
        (Zone.Back, _) => new ZoneArea(Side.Back, 0.20, 0.80, 0, 0.80),
        _ => throw new ArgumentOutOfRangeException(nameof(zone), zone, "Unknown zone."),
    };

    /// <summary>Turn by turn on the right and the left half, so that what lies on one half only counts as half.</summary>
    /// <param name="stepsAlong">Fewer than usual for a quick look.</param>
    /// <param name="stepsAcross">Fewer than usual for a quick look.</param>
    public IEnumerable<ZoneSample> Samples(PieceShape shape, int stepsAlong = StepsAlong, int stepsAcross = StepsAcross) =>
        from i in Enumerable.Range(0, stepsAlong)
        from j in Enumerable.Range(0, stepsAcross)
        let point = shape.PointAt(Between(AlongFrom, AlongTo, (i + 0.5) / stepsAlong), Between(AcrossFrom, AcrossTo, (j + 0.5) / stepsAcross), onLeft: (i + j) % 2 != 0)
        select new ZoneSample(
            point,
            (AcrossTo - AcrossFrom) / stepsAcross * (point.Across > 0 ? Math.Abs(point.XMm) / point.Across : 0),
            (AlongTo - AlongFrom) / stepsAlong * shape.LengthMm);

    private static double Between(double from, double to, double share) => from + (to - from) * share;
}
