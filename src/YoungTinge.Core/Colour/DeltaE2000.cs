namespace YoungTinge.Core.Colour;

/// <summary>
/// CIEDE2000 (CIE 142:2001), following the notes of Sharma, Wu and Dalal (2005). About 1 is a difference just seen when
/// two colours touch.
/// </summary>
public static class DeltaE2000
{
    private const double DegreesPerRadian = 180 / Math.PI;
    private static readonly double Pow25To7 = Math.Pow(25, 7);

    public static double Between(Lab reference, Lab sample)
    {
        var (lightness, chroma, hue) = Terms(reference, sample);
        return Math.Sqrt(lightness * lightness + chroma * chroma + hue * hue);
    }

    /// <summary>
    /// The difference as three signed parts whose squares add up to delta E squared, so that a least-squares solver can
    /// work on it directly. The rotation term of the formula is shared into the second and third part.
    /// </summary>
    public static (double Lightness, double Chroma, double Hue) Terms(Lab reference, Lab sample)
    {
        var meanC = (reference.Chroma + sample.Chroma) / 2;
        var g = 0.5 * (1 - Math.Sqrt(Pow7(meanC) / (Pow7(meanC) + Pow25To7)));
        var one = reference with { A = (1 + g) * reference.A };
        var two = sample with { A = (1 + g) * sample.A };
        double c1 = one.Chroma, c2 = two.Chroma, h1 = one.HueDegrees, h2 = two.HueDegrees;

        var deltaHue = 0.0;
        var meanHue = h1 + h2;
        if (c1 * c2 != 0)
        {
            var apart = h2 - h1;
            deltaHue = apart > 180 ? apart - 360 : apart < -180 ? apart + 360 : apart;
            meanHue = Math.Abs(h1 - h2) <= 180 ? (h1 + h2) / 2 : h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
        }

        var bigH = 2 * Math.Sqrt(c1 * c2) * Math.Sin(deltaHue / 2 / DegreesPerRadian);
        var meanCPrime = (c1 + c2) / 2;
        var offL = (one.L + two.L) / 2 - 50;
        var t = 1 - 0.17 * Cos(meanHue - 30) + 0.24 * Cos(2 * meanHue) + 0.32 * Cos(3 * meanHue + 6) - 0.20 * Cos(4 * meanHue - 63);
        var sL = 1 + 0.015 * offL * offL / Math.Sqrt(20 + offL * offL);
        var sC = 1 + 0.045 * meanCPrime;
        var sH = 1 + 0.015 * meanCPrime * t;
        var bump = (meanHue - 275) / 25;
        var turn = 30 * Math.Exp(-bump * bump);
        var rotation = -2 * Math.Sqrt(Pow7(meanCPrime) / (Pow7(meanCPrime) + Pow25To7)) * Math.Sin(2 * turn / DegreesPerRadian);

        double l = (two.L - one.L) / sL, c = (c2 - c1) / sC, h = bigH / sH;
        // c² + h² + R·c·h written as a sum of two squares; |R| stays below 2, so the root is real.
        return (l, c + rotation / 2 * h, h * Math.Sqrt(1 - rotation * rotation / 4));
    }

    private static double Cos(double degrees) => Math.Cos(degrees / DegreesPerRadian);

    private static double Pow7(double x)
    {
        var cube = x * x * x;
        return cube * cube * x;
    }
}
