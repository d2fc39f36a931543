using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace YoungTinge.Core.Optics;

/// <summary>
/// Colour let down with spirit or water that soaks into the skin of a piece. The skin is treated as a material that looks like
/// the present face, so an empty wash changes nothing; on bare paste it is the paste itself.
/// </summary>
/// <param name="paste">K and S of the coloured paste of the piece, in 1/mm.</param>
/// <param name="colour">What the soaked skin takes up, in 1/mm, where the wash is full.</param>
/// <param name="depthMm">How deep it soaks in.</param>
public sealed class WashFilm(KubelkaMunkSpectra paste, KubelkaMunkSpectra colour, double depthMm)
{
    private readonly double[] pasteK = paste.Absorption.Values.ToArray();
    private readonly double[] pasteS = paste.Scattering.Values.ToArray();
    private readonly double[] colourK = colour.Absorption.Values.ToArray();
    private readonly double[] colourS = colour.Scattering.Values.ToArray();

    /// <summary>Keeps a black face out of the inverse, which has no end there.</summary>
    private const double DarkestFace = 1e-6;

    /// <param name="reflectance">36 values of the face, 0 to 1; changed in place.</param>
    /// <param name="share">How much of the wash lies here, 0 or more.</param>
    /// <param name="bare">Nothing but paste and other washes below.</param>
    public void LayOn(Span<double> reflectance, double share, bool bare)
    {
        if (share <= 0)
            return;
        var faces = MemoryMarshal.Cast<double, Vector256<double>>(reflectance);
        ReadOnlySpan<Vector256<double>> ownK = Fours(pasteK), ownS = Fours(pasteS), moreK = Fours(colourK), moreS = Fours(colourS);
        for (var i = 0; i < faces.Length; i++)
        {
            var lit = Vector256.Max(faces[i], Vector256.Create(DarkestFace));
            var dark = Vector256<double>.One - lit;
            // The inverse of Kubelka and Munk: K/S of what looks like the present face.
            var below = bare ? ownK[i] : dark * dark / (lit * 2) * ownS[i];
            var k = Vector256.Max(below + moreK[i] * share, Vector256<double>.Zero);
            var s = ownS[i] + moreS[i] * share;
            faces[i] = SimdKubelkaMunk.LayerOver(Vector256.Sqrt(k * (k + s * 2)) * depthMm, s * depthMm, (k + s) * depthMm, faces[i]);
        }
    }

    private static ReadOnlySpan<Vector256<double>> Fours(double[] bands) => MemoryMarshal.Cast<double, Vector256<double>>(bands.AsSpan());
}
