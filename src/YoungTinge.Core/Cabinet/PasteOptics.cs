using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet;

/// <summary>Colour kneaded into paste: K and S add up by dose.</summary>
public static class PasteOptics
{
    /// <summary>
    /// How much more the white paste scatters bone dry than fresh. An assumption until readings teach better: makers see deep
    /// colours go one or two steps chalkier overnight, and whites hardly change.
    /// </summary>
    public const double DryScattering = 1.06;

    /// <summary>K and S of the coloured paste, in 1/mm.</summary>
    /// <param name="restHours">Since kneading; null when the colour has come out fully. Resting acts on K only.</param>
    public static KubelkaMunkSpectra Mix(PasteRecipe recipe, Materials materials, double? restHours = null)
    {
        var paste = materials.Get<PasteBase>(recipe.BaseId).Optics;
        Span<double> k = stackalloc double[SpectralGrid.Bands];
        Span<double> s = stackalloc double[SpectralGrid.Bands];
        paste.Absorption.Values.CopyTo(k);
        paste.Scattering.Values.CopyTo(s);
        Add(recipe.Doses, materials, restHours, k, s);
        return new KubelkaMunkSpectra(new Spectrum(k), new Spectrum(s));
    }

    /// <summary>K and S that these doses add to a paste, in 1/mm.</summary>
    public static KubelkaMunkSpectra Colour(IReadOnlyList<Dose> doses, Materials materials)
    {
        Span<double> k = stackalloc double[SpectralGrid.Bands];
        Span<double> s = stackalloc double[SpectralGrid.Bands];
        k.Clear();
        s.Clear();
        Add(doses, materials, null, k, s);
        return new KubelkaMunkSpectra(new Spectrum(k), new Spectrum(s));
    }

    /// <summary>The same paste when the water has left it: what held water now holds air, so the paste itself scatters more.</summary>
    public static KubelkaMunkSpectra Dried(PasteRecipe recipe, Materials materials)
    {
        var rested = Mix(recipe, materials);
        var paste = materials.Get<PasteBase>(recipe.BaseId).Optics;
        return rested with { Scattering = Spectrum.From(band => rested.Scattering[band] + (DryScattering - 1) * paste.Scattering[band]) };
    }

    /// <summary>The coloured paste as an eye sees it: rested, under daylight.</summary>
    public static Lab ColourOf(PasteRecipe recipe, Materials materials) => Illuminant.D65.LabOf(Reflectance(recipe, materials));

    /// <summary>Reflectance of the coloured paste, thick enough that nothing shows through.</summary>
    public static Spectrum Reflectance(PasteRecipe recipe, Materials materials, double? restHours = null) =>
        KubelkaMunk.Opaque(Mix(recipe, materials, restHours));

    private static void Add(IReadOnlyList<Dose> doses, Materials materials, double? restHours, Span<double> k, Span<double> s)
    {
        foreach (var dose in doses)
        {
            var colourant = materials.Get<Colourant>(dose.ColourantId);
            var share = restHours is { } hours ? colourant.Development.ShareAfter(hours) : 1;
            for (var band = 0; band < SpectralGrid.Bands; band++)
            {
                k[band] += dose.GPer100g * share * colourant.Optics.Absorption[band];
                s[band] += dose.GPer100g * colourant.Optics.Scattering[band];
            }
        }
    }
}
