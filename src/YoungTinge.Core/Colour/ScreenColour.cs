namespace YoungTinge.Core.Colour;

/// <summary>The colour to paint on a screen: same lightness and hue, only as colourful as the screen can be.</summary>
public static class ScreenColour
{
    /// <summary>Halvings of the chroma interval; 2^-18 of it is far under one step of an 8 bit screen.</summary>
    private const int Halvings = 18;

    public static Srgb From(LinearRgb rgb)
    {
        if (rgb.IsOnScreen)
            return Srgb.FromLinear(rgb);
        var wanted = OkLab.FromLinearRgb(rgb);
        var lightness = Math.Clamp(wanted.L, 0, 1);
        double inside = 0, outside = 1;
        for (var i = 0; i < Halvings; i++)
        {
            var middle = (inside + outside) / 2;
            if (At(middle).IsOnScreen)
                inside = middle;
            else
                outside = middle;
        }

        return Srgb.FromLinear(At(inside));

        LinearRgb At(double share) => new OkLab(lightness, wanted.A * share, wanted.B * share).ToLinearRgb();
    }

    public static Srgb From(Lab lab, Illuminant light) => From(light.LinearRgbOf(lab));
}
