using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>Diffuse light in a layer that absorbs (K) and scatters (S): Kubelka and Munk (1931), one wavelength at a time.</summary>
public static class KubelkaMunk
{
    /// <summary>Below it t·coth t is taken from its series; the closed form would lose digits there.</summary>
    private const double SmallDepth = 1e-4;

    /// <summary>Above it coth t is 1 to double precision.</summary>
    private const double LargeDepth = 20;

    /// <summary>Reflectance of a layer so thick that nothing shows through.</summary>
    /// <param name="absorption">K; below 0 counts as 0.</param>
    /// <param name="scattering">S, in the same unit as K; 0 reflects nothing.</param>
    /// <returns>0 to 1.</returns>
    public static double Opaque(double absorption, double scattering)
    {
        if (scattering <= 0)
            return 0;
        var q = Math.Max(absorption, 0) / scattering;
        // Same value as 1 + q - sqrt(q² + 2q), without the cancellation.
        return 1 / (1 + q + Math.Sqrt(q * (q + 2)));
    }

    /// <summary>K/S of an opaque layer of the given reflectance; inverse of <see cref="Opaque(double, double)"/>.</summary>
    /// <param name="reflectance">Above 0, up to 1.</param>
    public static double RatioFromReflectance(double reflectance) => (1 - reflectance) * (1 - reflectance) / (2 * reflectance);

    /// <summary>Reflectance of a layer over something else.</summary>
    /// <param name="amount">Thickness in mm or load in mg/cm2; K and S are per this unit.</param>
    /// <param name="below">Reflectance of what lies under it, 0 to 1.</param>
    /// <remarks>Multiplied through by S·amount, so that nothing is ever divided by S, K or the amount.</remarks>
    public static double Layer(double absorption, double scattering, double amount, double below)
    {
        var k = Math.Max(absorption, 0);
        var depth = amount * Math.Sqrt(k * (k + 2 * scattering));
        var c = DepthTimesCoth(depth);
        var both = (k + scattering) * amount;
        var scattered = scattering * amount;
        return Math.Clamp((scattered - below * (both - c)) / (both - below * scattered + c), 0, 1);
    }

    public static Spectrum Opaque(Spectrum absorption, Spectrum scattering) =>
        Spectrum.From(band => Opaque(absorption[band], scattering[band]));

    public static Spectrum Opaque(KubelkaMunkSpectra material) => Opaque(material.Absorption, material.Scattering);

    public static Spectrum Layer(Spectrum absorption, Spectrum scattering, double amount, Spectrum below) =>
        Spectrum.From(band => Layer(absorption[band], scattering[band], amount, below[band]));

    private static double DepthTimesCoth(double depth) => depth switch
    {
        < SmallDepth => 1 + depth * depth / 3,
        > LargeDepth => depth,
        _ => depth / Math.Tanh(depth),
    };
}
