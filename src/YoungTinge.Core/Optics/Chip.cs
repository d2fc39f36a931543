using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>What a material looks like by itself, as on a colour card: on or in the first paste of the cabinet, under daylight.</summary>
public static class Chip
{
    /// <summary>A full coat of dust.</summary>
    private const double LoadMgPerCm2 = 0.3;

    private const double DoseGPer100g = 0.2;

    /// <returns>Null for what has no colour of its own, and for a colour or dust when there is no paste to show it on.</returns>
    public static Lab? Of(Material material, Materials materials) => material switch
    {
        Colourant or Dust when !materials.All.OfType<PasteBase>().Any() => null,
        PasteBase => OfPaste(new PasteRecipe(material.Id, []), materials),
        Colourant => OfPaste(White(materials) with { Doses = [new Dose(material.Id, DoseGPer100g)] }, materials),
        Dust dust => OfDust(dust.Optics, materials),
        _ => MaterialSheet.ReflectanceOf(material) is { } face ? Illuminant.D65.LabOf(face) : null,
    };

    public static Lab OfDust(Scatterer dust, Materials materials)
    {
        var face = PasteOptics.Reflectance(White(materials), materials).Values.ToArray();
        new DustFilm(dust).LayOn(face, LoadMgPerCm2);
        return Illuminant.D65.LabOf(new Spectrum(face));
    }

    private static Lab OfPaste(PasteRecipe recipe, Materials materials) => PasteOptics.ColourOf(recipe, materials);

    private static PasteRecipe White(Materials materials) => new(materials.All.OfType<PasteBase>().First().Id, []);
}
