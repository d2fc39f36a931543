using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace YoungTinge.Core.Optics;

/// <summary>Dust stirred into a glaze: a colour coat of its own, duller the more powder is in it.</summary>
/// <param name="Optics">Of the dust mix, in cm2/mg. Its scattering inside the film is neglected.</param>
/// <param name="GPer10ml">Powder in 10 ml of glaze, 0 or more.</param>
public sealed record GlazeTint(KubelkaMunkSpectra Optics, double GPer10ml);

/// <summary>What one kind of glaze does to light.</summary>
/// <param name="Gloss">Share of the face that one coat makes glossy, 0 to 1.</param>
/// <param name="OuterReflection">Share of light turned back at the outer face, 0 to 1.</param>
/// <param name="InnerReflection">Share of light turned back inside the film, 0 to 1.</param>
/// <param name="WetMlPerCm2">Wet film of one coat.</param>
public readonly record struct GlazeOptics(double Gloss, double OuterReflection, double InnerReflection, double WetMlPerCm2);

/// <summary>
/// Clear or tinted coats over a face. Light that the film turns back inside strikes the colour again, so every glaze deepens
/// (the correction of Saunderson, 1942, for the share of the face that has become glossy).
/// </summary>
public sealed class GlazeFilm
{
    /// <summary>Powder in 10 ml that leaves 37 % of the gloss.</summary>
    private const double DullingGPer10ml = 0.50;

    private readonly double glossy;
    private readonly double passed;
    private readonly double inner;
    private readonly double mirrored;
    private readonly double[]? filter;

    /// <param name="coats">0 or more; 0 changes nothing.</param>
    /// <param name="mirrored">Share of light that the shine throws into the eye: 0 to leave it to the highlights.</param>
    public GlazeFilm(GlazeOptics glaze, int coats, GlazeTint? tint = null, double mirrored = 0)
    {
        if (tint is not null)
        {
            var loadMgPerCm2 = 100 * tint.GPer10ml * glaze.WetMlPerCm2 * coats;
            // Light goes through the tint on its way in and again on its way out.
            filter = [.. tint.Optics.Absorption.Values.ToArray().Select(k => Math.Exp(-2 * k * loadMgPerCm2))];
        }

        glossy = GlossyShare(glaze, coats, tint?.GPer10ml ?? 0);
        passed = (1 - glaze.OuterReflection) * (1 - glaze.InnerReflection);
        inner = glaze.InnerReflection;
        this.mirrored = mirrored;
    }

    /// <summary>Share of the face that shines afterwards, 0 to 1.</summary>
    /// <param name="tintGPer10ml">Powder stirred in; it takes from the shine.</param>
    public static double GlossyShare(GlazeOptics glaze, int coats, double tintGPer10ml) =>
        1 - Math.Pow(1 - glaze.Gloss * Math.Exp(-tintGPer10ml / DullingGPer10ml), coats);

    /// <param name="reflectance">0 to 1 in each band; changed in place.</param>
    public void LayOn(Span<double> reflectance)
    {
        var faces = MemoryMarshal.Cast<double, Vector256<double>>(reflectance);
        var filters = MemoryMarshal.Cast<double, Vector256<double>>(filter.AsSpan());
        for (var i = 0; i < faces.Length; i++)
        {
            var r = filter is null ? faces[i] : faces[i] * filters[i];
            faces[i] = (1 - glossy) * r + glossy * (Vector256.Create(mirrored) + passed * r / (Vector256<double>.One - inner * r));
        }
    }
}
