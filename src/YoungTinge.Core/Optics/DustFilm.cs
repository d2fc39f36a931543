using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>
/// A dust made ready to be laid at many loads over many faces: the hot path of the colour field. It answers as
/// <see cref="KubelkaMunk.Layer(double, double, double, double)"/> does, four bands at a time and without allocating.
/// </summary>
public sealed class DustFilm
{
    /// <summary>Below this depth the series to t⁶ is exact to 1e-16; above it 1 - exp(-2t) keeps 14 digits.</summary>
    private const double SeriesBelow = 0.02;

    private readonly double[] both = new double[SpectralGrid.Bands];
    private readonly double[] scattering = new double[SpectralGrid.Bands];
    private readonly double[] depthPerLoad = new double[SpectralGrid.Bands];

    /// <param name="optics">In cm2/mg.</param>
    public DustFilm(Scatterer optics)
    {
        for (var band = 0; band < SpectralGrid.Bands; band++)
        {
            double k = Math.Max(optics.Absorption[band], 0), s = optics.Scattering[band];
            both[band] = k + s;
            scattering[band] = s;
            depthPerLoad[band] = Math.Sqrt(k * (k + 2 * s));
        }
    }

    /// <summary>Lays the dust on a face, in place.</summary>
    /// <param name="loadMgPerCm2">0 or more; 0 changes nothing.</param>
    /// <param name="reflectance">36 values of the face below, 0 to 1; becomes the face with the dust on it.</param>
    public void LayOn(Span<double> reflectance, double loadMgPerCm2)
    {
        if (loadMgPerCm2 <= 0)
            return;
        var faces = MemoryMarshal.Cast<double, Vector256<double>>(reflectance);
        var boths = MemoryMarshal.Cast<double, Vector256<double>>(both);
        var scatterings = MemoryMarshal.Cast<double, Vector256<double>>(scattering);
        var depths = MemoryMarshal.Cast<double, Vector256<double>>(depthPerLoad);
        for (var i = 0; i < faces.Length; i++)
        {
            var depth = depths[i] * loadMgPerCm2;
            var square = depth * depth;
            var series = Vector256<double>.One + square * (Vector256.Create(1.0 / 3)
                + square * (Vector256.Create(-1.0 / 45) + square * (2.0 / 945)));
            var decay = Vector256.Exp(depth * -2);
            var closed = depth * (Vector256<double>.One + decay) / (Vector256<double>.One - decay);
            var c = Vector256.ConditionalSelect(Vector256.LessThan(depth, Vector256.Create(SeriesBelow)), series, closed);

            var scattered = scatterings[i] * loadMgPerCm2;
            var total = boths[i] * loadMgPerCm2;
            var face = (scattered - faces[i] * (total - c)) / (total - faces[i] * scattered + c);
            faces[i] = Vector256.Min(Vector256.Max(face, Vector256<double>.Zero), Vector256<double>.One);
        }
    }
}
