namespace YoungTinge.Core.Colour;

/// <summary>Linear light in the sRGB primaries. 0 to 1 is what a screen can show; outside is kept, not clipped.</summary>
public readonly record struct LinearRgb(double R, double G, double B)
{
    /// <summary>Rounding must not make a perfect white or black count as outside.</summary>
    private const double Slack = 1e-9;

    public bool IsOnScreen => Fits(R) && Fits(G) && Fits(B);

    private static bool Fits(double part) => part is >= -Slack and <= 1 + Slack;
}
