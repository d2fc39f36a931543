using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Ombre;

/// <summary>Something done a little wrong at the start, to see how far it carries.</summary>
internal enum Slip
{
    None,

    /// <summary>One touch more of the colour that matters most, in the first paste that is made.</summary>
    OneTouch,

    /// <summary>A gram too much, the first time that paste is let down.</summary>
    OneGram,
}

/// <summary>
/// Does the steps of a run as hands do them, with weights rounded to the scale and colours to whole units, and writes down what was
/// done. What lies on it is what the shades really come out as.
/// </summary>
internal sealed class OmbreBench(OmbreRun run, Materials materials, double scaleG, Slip slip)
{
    /// <summary>Neighbouring shades show a smaller fault than one paste alone would.</summary>
    private const double MostOffDeltaE = 0.4;

    private readonly PasteLump[] shades = new PasteLump[run.Shades.Count];
    private readonly List<OmbreStep> steps = [];
    private Slip toCome = slip;

    public IReadOnlyList<OmbreStep> Steps => steps;

    public IReadOnlyList<PasteLump> Shades => shades;

    public int Kneadings { get; private set; }

    public int Weighings { get; private set; }

    public double MadeG { get; private set; }

    public double OnScale(double grams) => Math.Round(Math.Max(grams, 0) / scaleG) * scaleG;

    public double OnScaleUp(double grams) => Math.Ceiling(grams / scaleG - 1e-9) * scaleG;

    /// <summary>Weighs paste and kneads its colours in.</summary>
    /// <param name="stop">Which of the run's pastes it is; null for a shade of its own.</param>
    public PasteLump Make(PasteRecipe recipe, double grams, int? stop, int? shade = null)
    {
        var batch = DosedRecipe.For(recipe, grams, materials, MostOffDeltaE);
        steps.Add(new OmbreStep(OmbreAct.MakePaste, shade, grams, stop, null, recipe, batch));
        Weighings += 1 + batch.Colours.Count(colour => colour.Units is null or { IsTooMany: true }) + batch.Colours.Sum(colour => 2 * (colour.LetDown?.Lumps.Count ?? 0));
        Kneadings += (recipe.Doses.Count > 0 ? 1 : 0) + batch.Colours.Sum(colour => colour.LetDown?.Lumps.Count ?? 0);
        MadeG += grams + batch.Colours.Sum(colour => colour.LetDown?.WasteG ?? 0);
        var measured = batch.Colours.Select(colour => new Dose(colour.ColourantId, colour.MeasuredG * 100 / grams)).ToList();
        if (toCome == Slip.OneTouch && MainOf(batch) is { } main)
        {
            measured = [.. measured.Select(dose => dose.ColourantId == main.ColourantId ? dose with { GPer100g = dose.GPer100g + TouchOf(main) * 100 / grams } : dose)];
            toCome = Slip.None;
        }

        return new PasteLump(grams, PasteOptics.Mix(recipe with { Doses = measured }, materials));
    }

    /// <summary>Kneads more paste into a lump.</summary>
    /// <param name="more">To take it from.</param>
    public PasteLump Add(PasteLump lump, PasteLump more, double grams)
    {
        Kneadings++;
        var slipped = toCome == Slip.OneGram;
        if (slipped)
            toCome = Slip.None;
        return lump.With(more.Part(grams + (slipped ? 1 : 0)));
    }

    public void Weigh(int times = 1) => Weighings += times;

    public void Note(OmbreStep step) => steps.Add(step);

    public void Put(int shade, PasteLump lump) => shades[shade] = lump;

    private static DosedColour? MainOf(DosedRecipe batch) => batch.Colours.MaxBy(colour => colour.OneUnitMore ?? 0);

    private double TouchOf(DosedColour colour) => colour.Units?.Unit.MassG ?? scaleG;
}
