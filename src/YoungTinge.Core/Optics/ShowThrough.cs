using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>A wire seen through the paste that covers it.</summary>
/// <param name="OverWire">Reflectance of the paste where the wire runs.</param>
/// <param name="Plain">Reflectance of the same paste where nothing lies below.</param>
public sealed record ShowThrough(Spectrum OverWire, Spectrum Plain)
{
    /// <summary>CIEDE2000 between the two.</summary>
    public double DeltaE(Illuminant light) => DeltaE2000.Between(light.LabOf(Plain), light.LabOf(OverWire));

    /// <param name="paste">K and S of the coloured paste, in 1/mm.</param>
    /// <param name="coverMm">Paste over the wire, 0 or more.</param>
    public static ShowThrough Of(KubelkaMunkSpectra paste, double coverMm, Spectrum wire) => new(
        KubelkaMunk.Layer(paste.Absorption, paste.Scattering, coverMm, wire),
        KubelkaMunk.Opaque(paste));
}
