using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet;

/// <summary>Colours let down with spirit or water, as the skin of a piece takes them up.</summary>
public static class PaintOptics
{
    /// <summary>From cm2/mg of a dust to 1/mm for each g of it in 100 g of paste: a skin of 1 mm then holds 1.3 mg on each cm2.</summary>
    private const double SoakedFromDust = PasteBase.DensityGPerCm3;

    /// <summary>What the soaked skin takes up where a wash is full, in 1/mm.</summary>
    /// <param name="mix">At least one part of something.</param>
    /// <param name="gPerMl">All colour in the thinner.</param>
    /// <param name="wetMlPerCm2">Of the thinned colour.</param>
    public static WashLayer Wash(IReadOnlyList<Portion> mix, Thinner thinner, double gPerMl, double wetMlPerCm2, Materials materials)
    {
        var total = mix.Sum(portion => portion.Parts);
        var colour = KubelkaMunkSpectra.Mean([.. mix.Select(portion => (OpticsOf(materials.Get<Material>(portion.MaterialId)), portion.Parts / total))]);
        return new WashLayer(colour.Times(ConcentrationGPer100g(gPerMl, wetMlPerCm2, thinner.WashDepthMm)), thinner.WashDepthMm);
    }

    /// <summary>Colour in the soaked skin, g per 100 g of paste.</summary>
    /// <param name="gPerMl">Colour in the thinner.</param>
    /// <param name="wetMlPerCm2">Brushed on.</param>
    /// <param name="depthMm">Above 0; spirit 0.15, water 0.22.</param>
    public static double ConcentrationGPer100g(double gPerMl, double wetMlPerCm2, double depthMm) =>
        100 * gPerMl * wetMlPerCm2 / (PasteBase.DensityGPerCm3 * depthMm / 10);

    /// <summary>In 1/mm for each g in 100 g of paste.</summary>
    private static KubelkaMunkSpectra OpticsOf(Material material) => material switch
    {
        Colourant colourant => colourant.Optics,
        Dust dust => dust.Optics.Times(SoakedFromDust),
        _ => throw new ArgumentException($"Nothing to paint with: {material.Id}.", nameof(material)),
    };
}
