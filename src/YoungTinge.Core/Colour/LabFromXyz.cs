namespace YoungTinge.Core.Colour;

/// <summary>CIE 15: L*a*b* from tristimulus values, relative to a given white.</summary>
public static class LabFromXyz
{
    // The exact rational forms of the CIE constants, so that both branches meet.
    internal const double Epsilon = 216.0 / 24389.0;
    internal const double Kappa = 24389.0 / 27.0;

    public static Lab Convert(Xyz xyz, Xyz white)
    {
        var fx = F(xyz.X / white.X);
        var fy = F(xyz.Y / white.Y);
        var fz = F(xyz.Z / white.Z);
        return new Lab(116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz));
    }

    internal static double F(double t) => t > Epsilon ? Math.Cbrt(t) : (Kappa * t + 16) / 116;

    /// <summary>Slope of <see cref="F"/>, for solvers.</summary>
    internal static double FSlope(double t)
    {
        if (t <= Epsilon)
            return Kappa / 116;
        var root = Math.Cbrt(t);
        return 1 / (3 * root * root);
    }
}
