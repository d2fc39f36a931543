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

    public bool IsTooWet => Liquid > MaxLiquidGPer100g + 1e-9;

    public bool IsTooDry => Powder > MaxPowderGPer100g + 1e-9;

    public static PasteLoad Of(PasteRecipe recipe, Materials materials)
    {
        var powders = recipe.Doses.ToLookup(dose => materials.Find(dose.ColourantId) is Colourant { IsPowder: true }, dose => dose.GPer100g);
        return new PasteLoad(powders[false].Sum(), powders[true].Sum());
    }

    /// <summary>The share of its dose that a colour of one kind may keep for the paste to stand it, up to 1.</summary>
    public double ShareThatFits(bool isPowder) => isPowder ? Fits(MaxPowderGPer100g, Powder) : Fits(MaxLiquidGPer100g, Liquid);

    private static double Fits(double max, double load) => load > max ? max / load : 1;
}
