using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Mixing;

/// <summary>All colour that a paste holds, by what it does to it, in g per 100 g of paste.</summary>
/// <param name="Liquid">Gels, pastes and liquids, which soften it.</param>
/// <param name="Powder">Which dries it and makes it crumble.</param>
public sealed record PasteLoad(double Liquid, double Powder)
{
    /// <summary>More, whatever the colours, and a paste goes soft and sticky, or crumbles. House figures.</summary>
    public const double MaxLiquidGPer100g = 5;
    public const double MaxPowderGPer100g = 4;

    private const string PowderForm = "powder";

    public bool IsTooWet => Liquid > MaxLiquidGPer100g + 1e-9;

    public bool IsTooDry => Powder > MaxPowderGPer100g + 1e-9;

    public static PasteLoad Of(PasteRecipe recipe, Materials materials)
    {
        var powders = recipe.Doses.ToLookup(dose => materials.Find(dose.ColourantId)?.Label.Form == PowderForm, dose => dose.GPer100g);
        return new PasteLoad(powders[false].Sum(), powders[true].Sum());
    }
}
