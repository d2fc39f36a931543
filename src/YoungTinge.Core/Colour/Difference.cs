namespace YoungTinge.Core.Colour;

/// <summary>In which way a result misses its target.</summary>
public enum DifferenceWay
{
    Darker,
    Paler,
    Duller,
    Stronger,
    Warmer,
    Cooler,
    Redder,
    Greener,
}

/// <summary>How much a result misses its target, in steps that an eye tells apart.</summary>
public enum DifferenceSize
{
    There,
    Touch,
    Shade,
    Clear,
    Far,
}

/// <summary>A result against its target, as facts for a sentence: "a touch too dark".</summary>
/// <param name="DeltaE">CIEDE2000.</param>
/// <param name="Way">The aspect that accounts for most of it.</param>
public sealed record Difference(double DeltaE, DifferenceSize Size, DifferenceWay Way)
{
    /// <summary>Under this delta E a piece counts as there: hardly seen across a seam, not at all across a petal.</summary>
    public const double ThereBelow = 1.5;

    private const double TouchBelow = 3;
    private const double ShadeBelow = 6;
    private const double ClearBelow = 12;

    /// <summary>Hue angle of glowing orange, the middle of the warm colours.</summary>
    internal const double WarmestHueDegrees = 55;

    public static Difference Of(Lab result, Lab target)
    {
        var (lightness, chroma, hue) = DeltaE2000.Terms(target, result);
        var deltaE = DeltaE2000.Between(target, result);
        return new Difference(deltaE, SizeOf(deltaE), WayOf(result, target, lightness, chroma, hue));
    }

    private static DifferenceSize SizeOf(double deltaE) => deltaE switch
    {
        < ThereBelow => DifferenceSize.There,
        < TouchBelow => DifferenceSize.Touch,
        < ShadeBelow => DifferenceSize.Shade,
        < ClearBelow => DifferenceSize.Clear,
        _ => DifferenceSize.Far,
    };

    private static DifferenceWay WayOf(Lab result, Lab target, double lightness, double chroma, double hue)
    {
        if (Math.Abs(lightness) >= Math.Max(Math.Abs(chroma), Math.Abs(hue)))
            return lightness < 0 ? DifferenceWay.Darker : DifferenceWay.Paler;
        if (Math.Abs(chroma) >= Math.Abs(hue))
            return chroma < 0 ? DifferenceWay.Duller : DifferenceWay.Stronger;

        // Along a hue that runs neither to orange nor to blue, "warmer" says nothing: then red or green does.
        double alongA = result.A - target.A, alongB = result.B - target.B;
        var towardsWarm = alongA * Math.Cos(WarmestHueDegrees * Math.PI / 180) + alongB * Math.Sin(WarmestHueDegrees * Math.PI / 180);
        var towardsRed = alongA * Math.Sin(WarmestHueDegrees * Math.PI / 180) - alongB * Math.Cos(WarmestHueDegrees * Math.PI / 180);
        return Math.Abs(towardsWarm) >= Math.Abs(towardsRed)
            ? towardsWarm > 0 ? DifferenceWay.Warmer : DifferenceWay.Cooler
            : towardsRed > 0 ? DifferenceWay.Redder : DifferenceWay.Greener;
    }
}
