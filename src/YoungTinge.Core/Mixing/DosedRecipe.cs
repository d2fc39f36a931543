using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>One colour of a batch, as a hand measures it.</summary>
/// <param name="Grams">For the whole batch, exact.</param>
/// <param name="Units">In the maker's own unit; null if there is none for it.</param>
/// <param name="OneUnitMore">Delta E by which one unit more moves the colour; null without a unit.</param>
public sealed record DosedColour(string ColourantId, double Grams, UnitChoice? Units, double? OneUnitMore);

/// <summary>A recipe for a batch of known mass, with what rounding to whole units does to its colour.</summary>
/// <param name="RoundedColour">Daylight, rested, with every dose in whole units.</param>
/// <param name="RoundingDeltaE">How far that is from the exact recipe.</param>
public sealed record DosedRecipe(double PasteG, IReadOnlyList<DosedColour> Colours, Lab RoundedColour, double RoundingDeltaE)
{
    /// <param name="pasteG">Paste before colour, above 0.</param>
    public static DosedRecipe For(PasteRecipe recipe, double pasteG, Materials materials)
    {
        var units = recipe.Doses.Select(dose => UnitChoice.For(materials.Get<Colourant>(dose.ColourantId), dose.GPer100g * pasteG / 100)).ToList();
        var rounded = recipe.Doses.Select((dose, i) => units[i] is { } unit ? dose with { GPer100g = unit.RoundedG * 100 / pasteG } : dose).ToList();
        var roundedColour = ColourOf(rounded);

        var colours = recipe.Doses.Select((dose, i) => new DosedColour(
            dose.ColourantId,
            dose.GPer100g * pasteG / 100,
            units[i],
            units[i] is { } unit ? DeltaE2000.Between(roundedColour, ColourOf(OneMore(rounded, i, unit))) : null)).ToList();
        return new DosedRecipe(pasteG, colours, roundedColour, DeltaE2000.Between(ColourOf(recipe.Doses), roundedColour));

        Lab ColourOf(IReadOnlyList<Dose> doses) =>
            Illuminant.D65.LabOf(PasteOptics.Reflectance(recipe with { Doses = doses }, materials));

        List<Dose> OneMore(List<Dose> doses, int place, UnitChoice unit) =>
            [.. doses.Select((dose, i) => i == place ? dose with { GPer100g = dose.GPer100g + unit.Unit.MassG * 100 / pasteG } : dose)];
    }
}
