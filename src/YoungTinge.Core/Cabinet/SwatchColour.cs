using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet;

/// <summary>What a material looks like by itself, as on a colour card: on or in the first paste of the cabinet, under daylight.</summary>
public static class SwatchColour
{
    /// <summary>A full coat of dust.</summary>
    private const double LoadMgPerCm2 = 0.3;

    private const double DoseGPer100g = 0.2;

    /// <returns>Null for what has no colour of its own, and for a colour or dust when there is no paste to show it on.</returns>
    public static Lab? Of(Material material, Materials materials) =>
        SpectrumOf(material, materials) is var (_, reflectance) ? Illuminant.D65.LabOf(reflectance) : null;

    /// <param name="materials">With the paste that it is shown on.</param>
    /// <returns>Reflectance, and in which amount: g per 100 g or mg/cm2, null for what is seen as it is. Null as a whole as in <see cref="Of"/>.</returns>
    public static (double? Amount, Spectrum Reflectance)? SpectrumOf(Material material, Materials materials) => material switch
    {
        Colourant or Dust when !materials.All.OfType<PasteBase>().Any() => null,
        PasteBase => (null, PasteOptics.Reflectance(new PasteRecipe(material.Id, []), materials)),
        Colourant => (DoseGPer100g, PasteOptics.Reflectance(White(materials) with { Doses = [new Dose(material.Id, DoseGPer100g)] }, materials)),
        Dust dust => (LoadMgPerCm2, DustOnWhite(dust.Optics, materials)),
        _ => MaterialRecord.ReflectanceOf(material) is { } face ? (null, face) : null,
    };

    public static Lab OfDust(KubelkaMunkSpectra dust, Materials materials) => Illuminant.D65.LabOf(DustOnWhite(dust, materials));

    /// <summary>A full wash on white paste.</summary>
    public static Lab OfWash(WashLayer wash, Materials materials)
    {
        var white = materials.Get<PasteBase>(White(materials).BaseId).Optics;
        var face = KubelkaMunk.Opaque(white).Values.ToArray();
        new SoakedSkin(white).LayOn(face, wash, isBare: true);
        return Illuminant.D65.LabOf(new Spectrum(face));
    }

    private static Spectrum DustOnWhite(KubelkaMunkSpectra dust, Materials materials)
    {
        var face = PasteOptics.Reflectance(White(materials), materials).Values.ToArray();
        new DustFilm(dust).LayOn(face, LoadMgPerCm2);
        return new Spectrum(face);
    }

    private static PasteRecipe White(Materials materials) => new(materials.All.OfType<PasteBase>().First().Id, []);
}
