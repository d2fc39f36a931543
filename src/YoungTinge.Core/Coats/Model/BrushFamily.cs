using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Hues that may share a brush: what is left in it does not show in the next.</summary>
public enum BrushFamily
{
    White,
    Yellow,
    Orange,
    Pink,
    Violet,
    Blue,
    Green,
    Brown,
    Dark,
    Lustre,
}

public static class BrushFamilies
{
    private const double Colourless = 10;
    private const double PaleFrom = 72;
    private const double DarkBelow = 28;
    private const double BrownBelowL = 52;
    private const double BrownBelowChroma = 42;

    /// <summary>Upper ends of hue angles, in degrees; what lies beyond the last is pink again.</summary>
    private static readonly (double Degrees, BrushFamily Family)[] Hues =
        [(40, BrushFamily.Pink), (72, BrushFamily.Orange), (114, BrushFamily.Yellow), (190, BrushFamily.Green), (298, BrushFamily.Blue), (335, BrushFamily.Violet)];

    /// <param name="colour">Of the pot, under daylight.</param>
    public static BrushFamily Of(Lab colour)
    {
        if (colour.Chroma < Colourless)
            return colour.L >= PaleFrom ? BrushFamily.White : BrushFamily.Dark;
        if (colour.L < DarkBelow)
            return BrushFamily.Dark;
        var hue = Hues.FirstOrDefault(one => colour.HueDegrees < one.Degrees, (360, BrushFamily.Pink)).Family;
        return hue is BrushFamily.Orange or BrushFamily.Yellow && colour.L < BrownBelowL && colour.Chroma < BrownBelowChroma ? BrushFamily.Brown : hue;
    }
}
