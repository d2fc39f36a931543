using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>
/// A dust made ready to be laid at many loads over many faces, four bands at a time: the hot path of the colour field.
/// </summary>
public sealed class DustFilm
{
    private readonly double[] both = new double[SpectralGrid.Bands];
    private readonly double[] scattering = new double[SpectralGrid.Bands];
    private readonly double[] depthPerLoad = new double[SpectralGrid.Bands];

    /// <param name="optics">In cm2/mg.</param>
    public DustFilm(KubelkaMunkSpectra optics)
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
            faces[i] = SimdKubelkaMunk.LayerOver(depths[i] * loadMgPerCm2, scatterings[i] * loadMgPerCm2, boths[i] * loadMgPerCm2, faces[i]);
        }
    }
}
