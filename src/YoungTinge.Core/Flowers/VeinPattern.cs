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

    private const int FanLinesEachSide = 6;
    private const double FeatherVeins = 8;
    private const double PalmVeins = 3;

    /// <summary>Half width of the midrib, as a share of the way to the edge.</summary>
    private const double MidribAcross = 0.045;

    /// <summary>Share of a dust's load that a point of a veined piece takes; about 1 on average.</summary>
    public static double LoadShareAt(this VeinPattern veins, PiecePoint point) => veins switch
    {
        VeinPattern.Fan => 1 + Grip * Math.Cos(2 * Math.PI * FanLinesEachSide * point.Across) * Math.Sin(Math.PI * Math.Clamp(point.Along, 0, 1)),
        VeinPattern.Feather => 1 + Grip * Math.Max(Midrib(point), Ridge((point.Along - 0.5 * point.Across) * FeatherVeins)),
        VeinPattern.Palm => 1 + Grip * Math.Max(Midrib(point), Ridge(Math.Atan2(point.Across, point.Along + 0.05) / (Math.PI / 2) * PalmVeins)),
        _ => 1,
    };

    /// <summary>Share of a wash that a point of a veined piece takes: it runs off the ridges into the grooves, half as far again as dust keeps out of them.</summary>
    public static double PoolShareAt(this VeinPattern veins, PiecePoint point) => 1 - Pool / Grip * (veins.LoadShareAt(point) - 1);

    private static double Midrib(PiecePoint point) => point.Across < MidribAcross ? 1 : -1;

    /// <summary>Narrow ridges between wide shallow grooves, -0.3 to 1, one for each whole number.</summary>
    private static double Ridge(double position)
    {
        var wave = 0.5 + 0.5 * Math.Cos(2 * Math.PI * position);
        return 1.3 * Math.Pow(wave, 4) - 0.3;
    }
}
