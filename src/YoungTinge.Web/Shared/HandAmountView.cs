using YoungTinge.Core.Cabinet;

namespace YoungTinge.Web.Shared;

/// <summary>An amount of powder as a hand measures it.</summary>
/// <param name="Count">Grams, a multiple of the scale's step; or whole knife tips.</param>
/// <param name="ExactG">As it was computed.</param>
public sealed record HandAmountView(string MaterialId, HandUnit Unit, double Count, double ExactG)
{
    internal static HandAmountView Of(string materialId, double grams, Materials materials)
    {
        var amount = HandMeasure.Of(materialId, grams, materials.ScaleG);
        return new HandAmountView(materialId, amount.Unit, amount.Count, grams);
    }
}
