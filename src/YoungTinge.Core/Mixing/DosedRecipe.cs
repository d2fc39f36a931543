using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>One colour of a batch, as a hand measures it.</summary>
/// <param name="Grams">For the whole batch, exact.</param>
/// <param name="Units">In the maker's own unit; null if there is none for it.</param>
/// <param name="LetDown">How to measure it when it is under one unit; null if it needs none, or none can be made.</param>
/// <param name="OneUnitMore">Delta E by which one unit more moves the colour; null without a unit.</param>
public sealed record DosedColour(string ColourantId, double Grams, UnitChoice? Units, LetDown? LetDown, double? OneUnitMore)
{
    /// <summary>Whole units that go in besides a let-down, which then carries the rest of the dose; 0 for most.</summary>
    public int CountedBesides { get; init; }

    /// <summary>What really goes in: whole units, what a let-down carries, or what the scale says.</summary>
    public double MeasuredG => LetDown is not null
        ? LetDown.DoseG + CountedBesides * LetDown.Unit.MassG
        : Units is { IsTooMany: false } units ? units.RoundedG : Grams;

    /// <summary>The same with the part of a unit that rounding would lose in a let-down of its own; itself if none can be made.</summary>
    internal DosedColour Finer(double pasteG, double scaleG)
    {
        if (LetDown is not null || Units is not { IsTooMany: false } units)
            return this;
        var counted = (int)Math.Floor(units.Exact);
        return units.Exact > counted && Mixing.LetDown.For((units.Exact - counted) * units.Unit.MassG, units.Unit, pasteG, scaleG) is { } rest
            ? this with { LetDown = rest, CountedBesides = counted }
            : this;
    }
}

/// <summary>A recipe for a batch of known mass, with what rounding to whole units does to its colour.</summary>
/// <param name="RoundedColour">Daylight, rested, with every dose as it is really measured.</param>
/// <param name="RoundingDeltaE">How far that is from the exact recipe.</param>
public sealed record DosedRecipe(double PasteG, IReadOnlyList<DosedColour> Colours, Lab RoundedColour, double RoundingDeltaE)
{
    /// <param name="pasteG">Paste before colour, above 0.</param>
    /// <param name="mostOffDeltaE">A colour whose rounding would move the paste by more is measured finer, by a let-down for the rest.</param>
    public static DosedRecipe For(PasteRecipe recipe, double pasteG, Materials materials, double mostOffDeltaE = double.PositiveInfinity)
    {
        var colours = recipe.Doses.Select(dose => Measure(dose, pasteG, materials)).ToList();
        if (double.IsFinite(mostOffDeltaE))
            colours = [.. colours.Select((colour, i) => OffBy(i) > mostOffDeltaE ? colour.Finer(pasteG, materials.ScaleG) : colour)];
        var rounded = recipe.Doses.Select((dose, i) => dose with { GPer100g = colours[i].MeasuredG * 100 / pasteG }).ToList();
        var roundedColour = ColourOf(rounded);
        return new DosedRecipe(
            pasteG,
            [.. colours.Select((colour, i) => colour with { OneUnitMore = colour.Units is { } units ? OneMore(i, units.Unit.MassG) : null })],
            roundedColour,
            DeltaE2000.Between(ColourOf(recipe.Doses), roundedColour));

        double OffBy(int place) => DeltaE2000.Between(ColourOf(recipe.Doses), ColourOf(
            [.. recipe.Doses.Select((dose, i) => i == place ? dose with { GPer100g = colours[i].MeasuredG * 100 / pasteG } : dose)]));

        Lab ColourOf(IReadOnlyList<Dose> doses) =>
            PasteOptics.ColourOf(recipe with { Doses = doses }, materials);

        double OneMore(int place, double massG) => DeltaE2000.Between(
            roundedColour, ColourOf([.. rounded.Select((dose, i) => i == place ? dose with { GPer100g = dose.GPer100g + massG * 100 / pasteG } : dose)]));
    }

    /// <summary>A dose as a hand measures it into a batch; how sensitive the colour is to it stays open.</summary>
    internal static DosedColour Measure(Dose dose, double pasteG, Materials materials)
    {
        var grams = dose.GPer100g * pasteG / 100;
        var units = UnitChoice.For(materials.Get<Colourant>(dose.ColourantId), grams);
        var letDown = units is { IsUnderOne: true } && grams > 0 ? LetDown.For(grams, units.Unit, pasteG, materials.ScaleG) : null;
        return new DosedColour(dose.ColourantId, grams, units, letDown, null);
    }
}
