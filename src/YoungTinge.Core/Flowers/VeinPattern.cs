namespace YoungTinge.Core.Flowers;

/// <summary>How a veiner presses a piece.</summary>
public enum VeinPattern
{
    None,

    /// <summary>Lines from base to tip, as in petals.</summary>
    Fan,

    /// <summary>A midrib with side veins, as in most leaves.</summary>
    Feather,

    /// <summary>Veins from the foot into the lobes.</summary>
    Palm,
}

public static class VeinPatternExtensions
{
    /// <summary>How much more dust a ridge takes, and a groove less, than a smooth face.</summary>
    private const double Grip = 0.24;

    /// <summary>How much more of a wash a groove takes, and a ridge less. A house figure.</summary>
    private const double Pool = 0.36;

    /// <summary>Lines on each half of a fan.</summary>
    internal const int FanLinesEachSide = 6;
    /// <summary>Side veins that leave the midrib on each half.</summary>
    internal const int FeatherVeins = 8;

    /// <summary>How much farther along a side vein of a feather has come at the edge.</summary>
    internal const double FeatherSlant = 0.5;

    /// <summary>Spaces between the veins of a palm on each half.</summary>
    internal const int PalmVeins = 3;

    /// <summary>Where the veins of a palm part, below the base.</summary>
    internal const double PalmFoot = 0.05;

    /// <summary>Half width of the midrib, as a share of the way to the edge.</summary>
    private const double MidribAcross = 0.045;

    /// <summary>Share of a dust's load that a point of a veined piece takes; about 1 on average.</summary>
    public static double LoadShareAt(this VeinPattern veins, PiecePoint point) => veins switch
    {
        VeinPattern.Fan => 1 + Grip * Math.Cos(2 * Math.PI * FanLinesEachSide * point.Across) * Math.Sin(Math.PI * Math.Clamp(point.Along, 0, 1)),
        VeinPattern.Feather => 1 + Grip * Math.Max(Midrib(point), Ridge((point.Along - FeatherSlant * point.Across) * FeatherVeins)),
        VeinPattern.Palm => 1 + Grip * Math.Max(Midrib(point), Ridge(Math.Atan2(point.Across, point.Along + PalmFoot) / (Math.PI / 2) * PalmVeins)),
        _ => 1,
    };

    /// <summary>Share of a wash that a point of a veined piece takes: it runs off the ridges into the grooves, half as far again as dust keeps out of them.</summary>
    public static double PoolShareAt(this VeinPattern veins, PiecePoint point) => 1 - Pool / Grip * (veins.LoadShareAt(point) - 1);

    /// <summary>How far a point lies on a raised vein, 0 to 1; a piece without veins is one everywhere.</summary>
    public static double RidgeAt(this VeinPattern veins, PiecePoint point) =>
        veins == VeinPattern.None ? 1 : Math.Clamp((veins.LoadShareAt(point) - 1) / Grip, 0, 1);

    /// <summary>How far a point lies between the veins, 0 to 1; a piece without veins is there everywhere.</summary>
    public static double GrooveAt(this VeinPattern veins, PiecePoint point) => veins switch
    {
        VeinPattern.None => 1,
        // A petal's skin waves as far down as up; a leaf is flat between its ridges.
        VeinPattern.Fan => Math.Clamp((1 - veins.LoadShareAt(point)) / Grip, 0, 1),
        _ => 1 - veins.RidgeAt(point),
    };

    private static double Midrib(PiecePoint point) => point.Across < MidribAcross ? 1 : -1;

    /// <summary>Narrow ridges between wide shallow grooves, -0.3 to 1, one for each whole number.</summary>
    private static double Ridge(double position)
    {
        var wave = 0.5 + 0.5 * Math.Cos(2 * Math.PI * position);
        return 1.3 * Math.Pow(wave, 4) - 0.3;
    }
}
