using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Colour;

/// <summary>OKLab (Ottosson 2020): L 0 to 1, a and b about -0.4 to 0.4. Used to find the nearest colour a screen can show.</summary>
public readonly record struct OkLab(double L, double A, double B)
{
    public static OkLab FromLinearRgb(LinearRgb rgb)
    {
        var cone = ConeFromRgb.Times(rgb.R, rgb.G, rgb.B);
        // Cbrt, not Pow: colours outside the screen's range have negative parts.
        var (l, a, b) = LabFromCone.Times(Math.Cbrt(cone.X), Math.Cbrt(cone.Y), Math.Cbrt(cone.Z));
        return new OkLab(l, a, b);
    }

    public LinearRgb ToLinearRgb()
    {
        var (l, m, s) = ConeFromLab.Times(L, A, B);
        var (r, g, b) = RgbFromCone.Times(l * l * l, m * m * m, s * s * s);
        return new LinearRgb(r, g, b);
    }

    // The refined matrices, whose white is exactly L = 1, a = b = 0.
    private static readonly Matrix3 ConeFromRgb = new(
        0.412221469470763, 0.5363325372617348, 0.0514459932675022,
        0.2119034958178252, 0.6806995506452344, 0.1073969535369406,
        0.0883024591900564, 0.2817188391361215, 0.6299787016738222);

    private static readonly Matrix3 LabFromCone = new(
        0.210454268309314, 0.7936177747023054, -0.0040720430116193,
        1.9779985324311684, -2.4285922420485799, 0.450593709617411,
        0.0259040424655478, 0.7827717124575296, -0.8086757549230774);

    private static readonly Matrix3 RgbFromCone = ConeFromRgb.Inverse();
    private static readonly Matrix3 ConeFromLab = LabFromCone.Inverse();
}
