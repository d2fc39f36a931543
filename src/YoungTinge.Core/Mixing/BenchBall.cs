using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Mixing;

/// <summary>A ball of paste as it is held against a ruler: never smaller than what it has to hold.</summary>
/// <param name="Mm">Diameter, in whole millimetres, or half ones where it is small.</param>
/// <param name="InchParts">The same by a ruler in inches, in parts of <see cref="PartsOfInch"/>; for larger ones an even number, so that sixteenths do.</param>
public sealed record BenchBall(double Mm, int InchParts)
{
    public const int PartsOfInch = 32;

    private const double MmPerInch = 25.4;

    /// <summary>A ball below this is told apart in half steps.</summary>
    private const double SmallMm = 12;

    /// <summary>What a ball weighs at most, by whichever ruler it was measured, in g.</summary>
    public double LargestG => Math.Max(GramsOf(Mm), GramsOf(InchParts * MmPerInch / PartsOfInch));

    /// <param name="grams">Of paste that it has to hold, above 0.</param>
    public static BenchBall For(double grams)
    {
        var exactMm = DiameterMmOf(grams);
        var parts = (int)Math.Ceiling(exactMm / MmPerInch * PartsOfInch - 1e-9);
        return exactMm <= SmallMm
            ? new BenchBall(Math.Ceiling(2 * exactMm - 1e-9) / 2, parts)
            : new BenchBall(Math.Ceiling(exactMm - 1e-9), parts + parts % 2);
    }

    /// <summary>Diameter of a ball of paste of this mass, exact.</summary>
    public static double DiameterMmOf(double grams) => 10 * Math.Cbrt(6 * grams / (Math.PI * PasteBase.DensityGPerCm3));

    public static double GramsOf(double diameterMm) => Math.PI / 6 * Math.Pow(diameterMm / 10, 3) * PasteBase.DensityGPerCm3;
}
