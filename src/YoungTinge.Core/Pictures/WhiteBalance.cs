using YoungTinge.Core.Colour;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Pictures;

/// <summary>
/// Takes the cast of a picture's light away, so that what is white or grey in daylight comes out so: chromatic adaptation
/// (Bradford, Lam 1985) from the light as it was seen to that of the screen, and a gain for the exposure.
/// </summary>
public sealed class WhiteBalance
{
    private readonly Matrix3 toDaylight;

    private WhiteBalance(Matrix3 toDaylight, LinearRgb light) => (this.toDaylight, Light) = (toDaylight, light);

    /// <summary>A picture in true daylight, rightly exposed.</summary>
    public static WhiteBalance None { get; } = new(Matrix3.Diagonal(1, 1, 1), new LinearRgb(1, 1, 1));

    /// <summary>How the picture shows a neutral, brightest channel 1.</summary>
    public LinearRgb Light { get; }

    /// <summary>How strong the cast is: colourfulness (C*) that it gives to white.</summary>
    public double Strength => Look.Chroma;

    /// <summary>What white looks like in this light to an eye used to daylight.</summary>
    public Lab Look => Illuminant.D65.LabOf(Srgb.FromLinear(Light));

    /// <param name="neutral">How the picture shows something neutral; every channel above 0.</param>
    /// <param name="reflectance">What that thing reflects, 0 to 1; null if only its colour counts and the exposure is left as it is.</param>
    public static WhiteBalance From(LinearRgb neutral, double? reflectance = null)
    {
        var brightest = Math.Max(neutral.R, Math.Max(neutral.G, neutral.B));
        if (!(neutral.R > 0 && neutral.G > 0 && neutral.B > 0 && double.IsFinite(brightest)))
            throw new ArgumentOutOfRangeException(nameof(neutral), neutral, "A neutral needs some light in every channel.");
        var seen = ScreenWhite.XyzFromLinearRgb.Times(neutral.R, neutral.G, neutral.B);
        var white = new Xyz(100 * seen.X / seen.Y, 100, 100 * seen.Z / seen.Y);
        // Y is 1 for white in the screen's own matrix and 100 everywhere else.
        var gain = 100 * (reflectance is { } wanted ? wanted / seen.Y : 1);
        var adapt = ScreenWhite.LinearRgbFromXyz(white).Times(ScreenWhite.XyzFromLinearRgb);
        return new WhiteBalance(adapt.Times(Matrix3.Diagonal(gain, gain, gain)), new LinearRgb(neutral.R / brightest, neutral.G / brightest, neutral.B / brightest));
    }

    /// <summary>The light that the same thing would send back in daylight.</summary>
    public LinearRgb Apply(LinearRgb seen)
    {
        var (r, g, b) = toDaylight.Times(seen.R, seen.G, seen.B);
        return new LinearRgb(r, g, b);
    }

    public Lab LabOf(LinearRgb seen)
    {
        var light = Illuminant.D65;
        return LabFromXyz.Convert(light.XyzOf(Apply(seen)), light.White);
    }
}
