using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Colour;

/// <summary>
/// A light, ready to see with: its power in each band combined with the CIE 1931 2 degree observer. Plain 10 nm sums, no
/// interpolation, so the white points differ in the second decimal from the textbook's 1 nm ones.
/// </summary>
public sealed class Illuminant
{
    private static readonly SpectralTable Observer = SpectralTable.Load("cie-1931-2deg.csv");
    private static readonly SpectralTable Lights = SpectralTable.Load("illuminants.csv");

    private readonly double[] x;
    private readonly double[] y;
    private readonly double[] z;

    private Illuminant(string column)
    {
        var power = Lights[column];
        var scale = 100 / Enumerable.Range(0, SpectralGrid.Bands).Sum(band => power[band] * Observer["ybar"][band]);
        double[] Weights(string observer) => [.. power.Select((p, band) => scale * p * Observer[observer][band])];
        (x, y, z) = (Weights("xbar"), Weights("ybar"), Weights("zbar"));
        White = new Xyz(x.Sum(), y.Sum(), z.Sum());
        XyzForScreen = ScreenWhite.LinearRgbFromXyz(White);
    }

    /// <summary>Average daylight, 6504 K.</summary>
    public static Illuminant D65 { get; } = new("D65");

    /// <summary>Horizon daylight, 5003 K.</summary>
    public static Illuminant D50 { get; } = new("D50");

    /// <summary>A filament lamp, 2856 K.</summary>
    public static Illuminant A { get; } = new("A");

    /// <summary>A three-band fluorescent tube, 4000 K.</summary>
    public static Illuminant F11 { get; } = new("F11");

    /// <summary>A warm white LED, 3000 K; synthetic, not a measured lamp.</summary>
    public static Illuminant WarmLed { get; } = new("LED3000");

    /// <summary>Candle light, 1900 K.</summary>
    public static Illuminant Candle { get; } = new("candle");

    /// <summary>The perfect diffuser under this light; Y is 100.</summary>
    public Xyz White { get; }

    /// <summary>Takes tristimulus values under this light to linear sRGB, with the eye adapted (Bradford) to the screen.</summary>
    internal Matrix3 XyzForScreen { get; }

    internal ReadOnlySpan<double> XWeights => x;
    internal ReadOnlySpan<double> YWeights => y;
    internal ReadOnlySpan<double> ZWeights => z;

    public Xyz XyzOf(Spectrum reflectance) => XyzOf(reflectance.Values);

    /// <param name="reflectance">36 values, 0 to 1.</param>
    public Xyz XyzOf(ReadOnlySpan<double> reflectance)
    {
        ReadOnlySpan<Vector256<double>> xs = Vectors(x), ys = Vectors(y), zs = Vectors(z), values = Vectors(reflectance);
        var (sumX, sumY, sumZ) = (Vector256<double>.Zero, Vector256<double>.Zero, Vector256<double>.Zero);
        for (var i = 0; i < values.Length; i++)
        {
            sumX += xs[i] * values[i];
            sumY += ys[i] * values[i];
            sumZ += zs[i] * values[i];
        }

        return new Xyz(Vector256.Sum(sumX), Vector256.Sum(sumY), Vector256.Sum(sumZ));

        static ReadOnlySpan<Vector256<double>> Vectors(ReadOnlySpan<double> of) => MemoryMarshal.Cast<double, Vector256<double>>(of);
    }

    public Lab LabOf(Spectrum reflectance) => LabFromXyz.Convert(XyzOf(reflectance), White);

    public LinearRgb LinearRgbOf(Xyz xyz)
    {
        var (r, g, b) = XyzForScreen.Times(xyz.X, xyz.Y, xyz.Z);
        return new LinearRgb(r, g, b);
    }

    public LinearRgb LinearRgbOf(Lab lab) => LinearRgbOf(XyzFromLab.Convert(lab, White));

    public Xyz XyzOf(LinearRgb rgb)
    {
        var (x1, y1, z1) = XyzForScreen.Inverse().Times(rgb.R, rgb.G, rgb.B);
        return new Xyz(x1, y1, z1);
    }

    public Lab LabOf(Srgb colour) => LabFromXyz.Convert(XyzOf(colour.ToLinear()), White);
}
