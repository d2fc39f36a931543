namespace YoungTinge.Core.Colour;

/// <summary>CIE 15: tristimulus values from L*a*b*, relative to a given white. Inverse of <see cref="LabFromXyz"/>.</summary>
public static class XyzFromLab
{
    public static Xyz Convert(Lab lab, Xyz white)
    {
        var fy = (lab.L + 16) / 116;
        var fx = fy + lab.A / 500;
        var fz = fy - lab.B / 200;
        return new Xyz(white.X * Inverse(fx), white.Y * Inverse(fy), white.Z * Inverse(fz));
    }

    private static double Inverse(double f)
    {
        var cube = f * f * f;
        return cube > LabFromXyz.Epsilon ? cube : (116 * f - 16) / LabFromXyz.Kappa;
    }
}
