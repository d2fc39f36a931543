using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace YoungTinge.Core.Optics;

/// <summary>
/// The skin of a piece with the colour that washes let into it. It is treated as a material that looks like the face before they came, so
/// an empty wash changes nothing; on bare paste it is the paste itself. Washes with nothing laid between them share it: their colours add
/// up, at the largest of their depths.
/// </summary>
/// <param name="paste">K and S of the coloured paste of the piece, in 1/mm.</param>
public sealed class SoakedSkin(KubelkaMunkSpectra paste)
{
    private readonly double[] pasteK = paste.Absorption.Values.ToArray();
    private readonly double[] pasteS = paste.Scattering.Values.ToArray();

    /// <summary>Keeps a black face out of the inverse, which has no end there.</summary>
    private const double DarkestFace = 1e-6;

    /// <param name="below">36 values of the face before the washes, 0 to 1.</param>
    /// <param name="colourK">What the skin has taken up, in 1/mm; 36 values.</param>
    /// <param name="colourS">In 1/mm; 36 values.</param>
    /// <param name="depthMm">How deep it is soaked; 0 changes nothing.</param>
    /// <param name="isBare">Nothing but paste below.</param>
    /// <param name="reflectance">Becomes the face with the soaked skin; may be the same as that below.</param>
    public void LayOver(ReadOnlySpan<double> below, ReadOnlySpan<double> colourK, ReadOnlySpan<double> colourS, double depthMm, bool isBare, Span<double> reflectance)
    {
        var faces = MemoryMarshal.Cast<double, Vector256<double>>(reflectance);
        ReadOnlySpan<Vector256<double>> belows = Fours(below), ownK = Fours(pasteK), ownS = Fours(pasteS), moreK = Fours(colourK), moreS = Fours(colourS);
        for (var i = 0; i < faces.Length; i++)
        {
            var lit = Vector256.Max(belows[i], Vector256.Create(DarkestFace));
            var dark = Vector256<double>.One - lit;
            // The inverse of Kubelka and Munk: K/S of what looks like the face below.
            var skinK = isBare ? ownK[i] : dark * dark / (lit * 2) * ownS[i];
            var k = Vector256.Max(skinK + moreK[i], Vector256<double>.Zero);
            var s = ownS[i] + moreS[i];
            faces[i] = SimdKubelkaMunk.LayerOver(Vector256.Sqrt(k * (k + s * 2)) * depthMm, s * depthMm, (k + s) * depthMm, belows[i]);
        }
    }

    /// <summary>A single wash on a face, in place.</summary>
    public void LayOn(Span<double> reflectance, WashLayer wash, bool isBare) =>
        LayOver(reflectance, wash.Colour.Absorption.Values, wash.Colour.Scattering.Values, wash.DepthMm, isBare, reflectance);

    private static ReadOnlySpan<Vector256<double>> Fours(ReadOnlySpan<double> bands) => MemoryMarshal.Cast<double, Vector256<double>>(bands);
}
