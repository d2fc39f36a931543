using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>Colour kneaded into paste: K and S add up by dose.</summary>
public static class PasteOptics
{
    /// <summary>K and S of the coloured paste, in 1/mm.</summary>
    /// <param name="restHours">Since kneading; null when the colour has come out fully. Resting acts on K only.</param>
    public static Scatterer Mix(PasteRecipe recipe, Materials materials, double? restHours = null)
    {
        var paste = materials.Get<PasteBase>(recipe.BaseId).Optics;
        Span<double> k = stackalloc double[SpectralGrid.Bands];
        Span<double> s = stackalloc double[SpectralGrid.Bands];
        paste.Absorption.Values.CopyTo(k);
        paste.Scattering.Values.CopyTo(s);
        foreach (var dose in recipe.Doses)
        {
            var colourant = materials.Get<Colourant>(dose.ColourantId);
            var share = restHours is { } hours ? colourant.Development.ShareAfter(hours) : 1;
            for (var band = 0; band < SpectralGrid.Bands; band++)
            {
                k[band] += dose.GPer100g * share * colourant.Optics.Absorption[band];
                s[band] += dose.GPer100g * colourant.Optics.Scattering[band];
            }
        }

        return new Scatterer(new Spectrum(k), new Spectrum(s));
    }

    /// <summary>Reflectance of the coloured paste, thick enough that nothing shows through.</summary>
    public static Spectrum Reflectance(PasteRecipe recipe, Materials materials, double? restHours = null)
    {
        var mix = Mix(recipe, materials, restHours);
        return KubelkaMunk.Opaque(mix.Absorption, mix.Scattering);
    }
}
