using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Colour;

/// <summary>From a light's own white to the white of an sRGB screen (Bradford adaptation, Lam 1985).</summary>
internal static class ScreenWhite
{
    /// <summary>Linear sRGB to XYZ with Y = 1 (IEC 61966-2-1, exact rational form).</summary>
    public static readonly Matrix3 XyzFromLinearRgb = new(
        506752.0 / 1228815, 87881.0 / 245763, 12673.0 / 70218,
        87098.0 / 409605, 175762.0 / 245763, 12673.0 / 175545,
        7918.0 / 409605, 87881.0 / 737289, 1001167.0 / 1053270);

    private static readonly Matrix3 Bradford = new(
        0.8951, 0.2664, -0.1614,
        -0.7502, 1.7135, 0.0367,
        0.0389, -0.0685, 1.0296);

    /// <summary>
    /// For D65 too: its table white is not quite the screen's, and with the adaptation a perfect white is exactly (1, 1, 1)
    /// and greys are exactly neutral.
    /// </summary>
    /// <param name="white">The light's white, Y = 100.</param>
    public static Matrix3 LinearRgbFromXyz(Xyz white)
    {
        var from = Bradford.Times(white.X / 100, white.Y / 100, white.Z / 100);
        var screen = XyzFromLinearRgb.Times(1, 1, 1);
        var to = Bradford.Times(screen.X, screen.Y, screen.Z);
        var adapt = Bradford.Inverse()
            .Times(Matrix3.Diagonal(to.X / from.X / 100, to.Y / from.Y / 100, to.Z / from.Z / 100))
            .Times(Bradford);
        return XyzFromLinearRgb.Inverse().Times(adapt);
    }
}
