using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

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
        : Units is { IsTooMany: false } units ? units.RoundedG
        : WeighStepG is { } step ? Math.Round(Grams / step) * step : Grams;

    /// <summary>The same in the unit that it is measured in; a part of one where a let-down carries it.</summary>
    public MeasuredDose Measured => (LetDown?.Unit ?? (Units is { IsTooMany: false } units ? units.Unit : null)) is { } unit
        ? new MeasuredDose(ColourantId, unit.Kind, MeasuredG / unit.MassG)
        : new MeasuredDose(ColourantId, null, MeasuredG);

    /// <summary>The scale's step if the scale measures it better than any unit; null otherwise.</summary>
    public double? WeighStepG { get; init; }

    /// <summary>
    /// The same with the part of a unit that rounding would lose in a let-down of its own, or weighed where none can be made and the
    /// scale comes nearer; itself if neither helps.
    /// </summary>
    /// <param name="roomG">White of the batch that may still come with a let-down.</param>
    internal DosedColour Finer(double pasteG, double scaleG, double roomG)
    {
        if (LetDown is not null || Units is not { IsTooMany: false } units)
            return this;
        var counted = (int)Math.Floor(units.Exact);
        if (units.Exact > counted && Mixing.LetDown.For((units.Exact - counted) * units.Unit.MassG, units.Unit, pasteG, scaleG, roomG) is { } rest)
            return this with { LetDown = rest, CountedBesides = counted };
        var weighed = this with { Units = null, WeighStepG = scaleG };
        return weighed.MeasuredG > 0 && Math.Abs(weighed.MeasuredG - Grams) < Math.Abs(units.RoundedG - Grams) ? weighed : this;
    }
}

/// <summary>A recipe for a batch of known mass, with what rounding to whole units does to its colour.</summary>
/// <param name="RoundedColour">Daylight, rested, with every dose as it is really measured.</param>
/// <param name="RoundingDeltaE">How far that is from the exact recipe.</param>
public sealed record DosedRecipe(double PasteG, IReadOnlyList<DosedColour> Colours, Lab RoundedColour, double RoundingDeltaE)
{
    /// <summary>Rounding that moves the paste by more is mended by a finer way to measure, where there is one.</summary>
    public const double FinerOverDeltaE = 0.5;

    /// <summary>White that its let-downs bring along, in g: so much less is weighed.</summary>
    public double BroughtG => Colours.Sum(colour => colour.LetDown?.BroughtG ?? 0);

    /// <param name="pasteG">Paste before colour, above 0.</param>
    /// <param name="mostOffDeltaE">A colour whose rounding alone would move the paste by more is measured finer too; by default only all of them together count.</param>
    /// <param name="freshG">Of the paste, what is weighed fresh; null for all of it.</param>
    /// <exception cref="ArgumentOutOfRangeException">No paste.</exception>
    public static DosedRecipe For(PasteRecipe recipe, double pasteG, Materials materials, double mostOffDeltaE = double.PositiveInfinity, double? freshG = null)
    {
        if (!(pasteG > 0))
            throw new ArgumentOutOfRangeException(nameof(pasteG), pasteG, "A batch has some mass.");
        var exact = ColourOf(recipe.Doses);
        var colours = MeasureAll(recipe.Doses, pasteG, materials, freshG);
        // The colour that rounding harms most is measured finer first; that may be enough for all.
        var untried = Enumerable.Range(0, colours.Count).ToList();
        while (untried.Count > 0)
        {
            var worst = untried.MaxBy(OffBy);
            if (OffBy(worst) <= mostOffDeltaE && DeltaE2000.Between(exact, ColourOf(Rounded())) <= FinerOverDeltaE)
                break;
            untried.Remove(worst);
            colours[worst] = colours[worst].Finer(pasteG, materials.ScaleG, (freshG ?? pasteG) - colours.Sum(colour => colour.LetDown?.BroughtG ?? 0));
        }

        var rounded = Rounded();
        var roundedColour = ColourOf(rounded);
        return new DosedRecipe(
            pasteG,
            [.. colours.Select((colour, i) => colour with { OneUnitMore = colour.Units is { } units ? OneMore(i, units.Unit.MassG) : null })],
            roundedColour,
            DeltaE2000.Between(exact, roundedColour));

        List<Dose> Rounded() => [.. recipe.Doses.Select((dose, i) => dose with { GPer100g = colours[i].MeasuredG * 100 / pasteG })];

        double OffBy(int place) => DeltaE2000.Between(exact, ColourOf(
            [.. recipe.Doses.Select((dose, i) => i == place ? dose with { GPer100g = colours[i].MeasuredG * 100 / pasteG } : dose)]));

        Lab ColourOf(IReadOnlyList<Dose> doses) =>
            PasteOptics.ColourOf(recipe with { Doses = doses }, materials);

        double OneMore(int place, double massG) => DeltaE2000.Between(
            roundedColour, ColourOf([.. rounded.Select((dose, i) => i == place ? dose with { GPer100g = dose.GPer100g + massG * 100 / pasteG } : dose)]));
    }

    /// <summary>Doses as a hand measures them into one batch; how sensitive the colour is to each stays open.</summary>
    /// <param name="freshG">Of the batch, white that let-downs may bring along between them; null for all of it.</param>
    internal static List<DosedColour> MeasureAll(IEnumerable<Dose> doses, double pasteG, Materials materials, double? freshG = null)
    {
        var roomG = freshG ?? pasteG;
        var colours = new List<DosedColour>();
        foreach (var dose in doses)
        {
            var grams = dose.GPer100g * pasteG / 100;
            var units = UnitChoice.For(materials.Get<Colourant>(dose.ColourantId), grams);
            var letDown = units is { IsUnderOne: true } && grams > 0 ? LetDown.For(grams, units.Unit, pasteG, materials.ScaleG, roomG) : null;
            roomG -= letDown?.BroughtG ?? 0;
            colours.Add(new DosedColour(dose.ColourantId, grams, units, letDown, null));
        }

        return colours;
    }
}
