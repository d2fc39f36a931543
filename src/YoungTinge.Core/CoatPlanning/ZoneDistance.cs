using YoungTinge.Core.Colour;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>A colour difference as three parts that a solver can work on: Lab turned and stretched round the target as CIE 1994 does.</summary>
internal readonly struct ZoneDistance(Lab target)
{
    public const int Parts = 3;

    private const double Grey = 1e-6;

    /// <summary>A grey has no hue to go by; any direction does for it.</summary>
    private readonly (double A, double B) hue = target.Chroma > Grey ? (target.A / target.Chroma, target.B / target.Chroma) : (1, 0);

    private readonly double perChroma = 1 / (1 + 0.045 * target.Chroma);
    private readonly double perHue = 1 / (1 + 0.015 * target.Chroma);

    /// <param name="parts">Room for three; their squares add up to about the square of the CIEDE2000.</param>
    public void Put(Lab colour, Span<double> parts)
    {
        double a = colour.A - target.A, b = colour.B - target.B;
        parts[0] = colour.L - target.L;
        parts[1] = perChroma * (a * hue.A + b * hue.B);
        parts[2] = perHue * (b * hue.A - a * hue.B);
    }
}
