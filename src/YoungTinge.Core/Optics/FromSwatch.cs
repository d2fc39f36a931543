using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>A rough model of a material of which only one colour is known, such as that on its label.</summary>
public static class FromSwatch
{
    /// <summary>A dye that gives a paste this colour at a known dose; taken not to scatter.</summary>
    /// <param name="reflectance">Of the coloured paste, above 0 up to 1.</param>
    /// <param name="gPer100g">Above 0.</param>
    /// <returns>In 1/mm for each g per 100 g. A swatch lighter than the paste gives none.</returns>
    public static KubelkaMunkSpectra Colourant(Spectrum reflectance, double gPer100g, KubelkaMunkSpectra paste)
    {
        RefuseNotAbove0(gPer100g);
        return new KubelkaMunkSpectra(
            Spectrum.From(band => Math.Max(0, (KubelkaMunk.RatioFromReflectance(reflectance[band]) * paste.Scattering[band] - paste.Absorption[band]) / gPer100g)),
            Spectrum.From(_ => 0));
    }

    /// <summary>A dust that is this colour where it lies so thick that nothing shows through.</summary>
    /// <param name="reflectance">Above 0 up to 1.</param>
    /// <param name="scatteringCm2PerMg">Assumed, alike in all bands.</param>
    public static KubelkaMunkSpectra Dust(Spectrum reflectance, double scatteringCm2PerMg = 1.0)
    {
        RefuseNotAbove0(scatteringCm2PerMg);
        return new KubelkaMunkSpectra(
            reflectance.Map(r => KubelkaMunk.RatioFromReflectance(r) * scatteringCm2PerMg),
            Spectrum.From(_ => scatteringCm2PerMg));
    }

    private static void RefuseNotAbove0(double value)
    {
        if (!(value > 0 && double.IsFinite(value)))
            throw new ArgumentOutOfRangeException(nameof(value), value, "Must be above 0.");
    }
}
