using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>A batch of paste as it lies on the bench.</summary>
/// <param name="Recipe">What really went in, as far as that is known.</param>
/// <param name="PasteG">Paste before colour, above 0.</param>
/// <param name="Measured">What it looks like under daylight, rested; null to trust the recipe.</param>
public sealed record MadeBatch(PasteRecipe Recipe, double PasteG, Lab? Measured)
{
    /// <summary>More of a colour than this kneaded by hand into 100 g is no paste any more.</summary>
    public const double MostGPer100g = 50;

    private const int Corrections = 8;

    /// <summary>
    /// K and S, in 1/mm. A measured colour that differs from the predicted one is put down to absorption: the predicted
    /// reflectance is bent, as smoothly as can be, until it has the measured colour.
    /// </summary>
    public KubelkaMunkSpectra Optics(Materials materials)
    {
        var predicted = PasteOptics.Mix(Recipe, materials);
        if (Measured is not { } measured)
            return predicted;
        var light = Illuminant.D65;
        var face = KubelkaMunk.Opaque(predicted);
        for (var i = 0; i < Corrections; i++)
        {
            var now = light.LabOf(face);
            if (DeltaE2000.Between(measured, now) < 1e-3)
                break;
            var wanted = ReflectanceFromColour.Convert(measured);
            var have = ReflectanceFromColour.Convert(now);
            var bent = face;
            face = Spectrum.From(band => Math.Clamp(bent[band] * wanted[band] / have[band], 1e-4, 0.9999));
        }

        return predicted with { Absorption = Spectrum.From(band => KubelkaMunk.RatioFromReflectance(face[band]) * predicted.Scattering[band]) };
    }
}
