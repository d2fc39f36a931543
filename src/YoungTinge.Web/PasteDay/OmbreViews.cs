using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.PasteDay;

/// <param name="Step">CIEDE2000 from the shade before; null for the first.</param>
/// <param name="Wanted">What its pieces should look like as paste; null if none is made of it.</param>
/// <param name="Difference">From that; null if none is made of it.</param>
public sealed record ShadeView(ColourView Colour, double Grams, double? Step, ColourView? Wanted, Difference? Difference);

/// <param name="Off">CIEDE2000 from the exact shade.</param>
/// <param name="Touch">By which one touch too many at the start moves it.</param>
/// <param name="Gram">By which a gram too much at the first letting-down moves it.</param>
public sealed record MadeShadeView(ColourView Colour, double? Step, double Off, double Touch, double Gram);

/// <param name="WeighG">Paste to weigh for what is made, beside let-downs; the same as Grams for the rest.</param>
public sealed record OmbreStepView(
    OmbreAct Act, int? Shade, double Grams, double WeighG, int? Stop, IReadOnlyList<StopPart> Parts, PasteRecipe? Recipe, BatchView? Batch, ColourView? Colour);

public sealed record OmbreWayView(
    OmbreMethod School, IReadOnlyList<OmbreStepView> Steps, IReadOnlyList<MadeShadeView> Shades, double TotalG, double LeftOverG, int Kneadings, int Weighings,
    double Unevenness)
{
    public static OmbreWayView From(OmbreResult way, Materials materials)
    {
        var seen = OmbreRun.StepsOf([.. way.Shades.Select(shade => shade.Colour)]);
        return new OmbreWayView(
            way.School, [.. way.Steps.Select(step => Step(step, way, materials))],
            [.. way.Shades.Select((shade, i) => new MadeShadeView(
                ColourView.From(shade.Colour), i > 0 ? seen[i - 1] : null, shade.OffDeltaE, shade.TouchDeltaE, shade.GramDeltaE))],
            way.TotalG, way.LeftOverG, way.Kneadings, way.Weighings, way.Unevenness);
    }

    private static OmbreStepView Step(OmbreStep step, OmbreResult way, Materials materials) => new(
        step.Act, step.Shade, step.Grams, step.Grams - (step.Batch?.BroughtG ?? 0), step.Stop, step.Parts ?? [], step.Recipe, step.Batch is { } batch ? BatchView.From(batch) : null,
        step.Recipe is { } recipe ? ColourView.From(PasteOptics.ColourOf(recipe, materials))
        : step.Shade is { } shade ? ColourView.From(way.Shades[shade].Colour) : null);
}

/// <summary>Everything that follows from a run.</summary>
/// <param name="Unevenness">Largest step against the smallest, each against what was asked; 1 is even.</param>
/// <param name="StepsOfTargets">How far each shade would be from the one before if they followed what their pieces should look like; null unless all have pieces.</param>
public sealed record OmbreView(IReadOnlyList<ShadeView> Shades, double Unevenness, IReadOnlyList<double>? StepsOfTargets, IReadOnlyList<OmbreWayView> Ways)
{
    internal static OmbreView From(OmbreRun run, WantedShades wanted, double scaleG, Materials materials)
    {
        var seen = OmbreRun.StepsOf([.. run.Shades.Select(shade => shade.Colour)]);
        return new OmbreView(
            [.. run.Shades.Select((shade, i) => new ShadeView(
                ColourView.From(shade.Colour), shade.Grams, i > 0 ? seen[i - 1] : null, wanted.Colours[i] is { } colour ? ColourView.From(colour) : null,
                wanted.Colours[i] is { } other ? Difference.Of(shade.Colour, other) : null))],
            run.Unevenness,
            wanted.Steps,
            [.. Enum.GetValues<OmbreMethod>().Select(school => OmbreWayView.From(OmbreResult.Of(run, school, materials, scaleG), materials))]);
    }
}

/// <param name="Difference">Against the shade as paste.</param>
public sealed record DustedShadeView(ColourView Colour, Difference Difference, bool IsNear, IReadOnlyList<DustPassView> Passes)
{
    public static DustedShadeView From(DustedShade shade, Lab wanted) => new(
        ColourView.From(shade.Colour), Difference.Of(shade.Colour, wanted), shade.IsNear, shade.Beyond is { } beyond ? BeyondView.From(beyond, wanted).Passes : []);
}
