using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>What a dab of a material looks like, as reflectance.</summary>
public static class DabColour
{
    /// <param name="colour">In 1/mm for each g per 100 g; rested.</param>
    public static Spectrum InPaste(KubelkaMunkSpectra colour, double gPer100g, KubelkaMunkSpectra paste) => Spectrum.From(band => KubelkaMunk.Opaque(
        paste.Absorption[band] + gPer100g * colour.Absorption[band], paste.Scattering[band] + gPer100g * colour.Scattering[band]));

    /// <param name="dust">In cm2/mg; not steamed.</param>
    /// <param name="below">Reflectance of the face that it is rubbed out on.</param>
    public static Spectrum RubbedOut(KubelkaMunkSpectra dust, double loadMgPerCm2, Spectrum below) => KubelkaMunk.Layer(dust.Absorption, dust.Scattering, loadMgPerCm2, below);
}
