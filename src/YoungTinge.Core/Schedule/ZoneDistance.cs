using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Schedule;

/// <summary>A colour difference as three parts that a solver can work on: Lab turned and stretched round the target as CIE 1994 does.</summary>
internal readonly struct ZoneDistance(Lab target)
{
    public const int Parts = 3;

    private readonly double chroma = Math.Max(target.Chroma, 1e-9);
    private readonly double perChroma = 1 / (1 + 0.045 * target.Chroma);
    private readonly double perHue = 1 / (1 + 0.015 * target.Chroma);

    /// <param name="parts">Room for three; their squares add up to about the square of the CIEDE2000.</param>
    public void Put(Lab colour, Span<double> parts)
    {
        double a = colour.A - target.A, b = colour.B - target.B;
        parts[0] = colour.L - target.L;
        parts[1] = perChroma * (a * target.A + b * target.B) / chroma;
        parts[2] = perHue * (b * target.A - a * target.B) / chroma;
    }
}
