using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Ombre;

/// <summary>One shade of a run.</summary>
/// <param name="Stop">The paste it lies after, by its place in the run's list.</param>
/// <param name="Share">Of the paste after that one, by mass, 0 to below 1.</param>
/// <param name="Grams">Paste that its pieces take.</param>
/// <param name="Colour">Daylight, rested, exact.</param>
public sealed record OmbreShade(int Stop, double Share, double Grams, Lab Colour);

/// <summary>A run of shades between two pastes, or through a third one, in steps that look as large as was asked.</summary>
/// <param name="Stops">Two or three pastes; the first and last are the first and last shade.</param>
/// <param name="Steps">How far each shade should look from the one before it, in any unit.</param>
public sealed record OmbreRun(IReadOnlyList<PasteRecipe> Stops, IReadOnlyList<double> Steps, IReadOnlyList<OmbreShade> Shades)
{
    /// <summary>Largest step against the smallest, each taken against what was asked; 1 is even.</summary>
    public double Unevenness => UnevennessOf([.. Shades.Select(shade => shade.Colour)]);

    /// <summary>CIEDE2000 from each shade to the next.</summary>
    public static IReadOnlyList<double> StepsOf(IReadOnlyList<Lab> shades) => [.. shades.Zip(shades.Skip(1), DeltaE2000.Between)];

    public double UnevennessOf(IReadOnlyList<Lab> shades)
    {
        var steps = StepsOf(shades).Zip(Steps, (seen, asked) => seen / asked).ToList();
        return steps.Max() / Math.Max(1e-9, steps.Min());
    }

    /// <summary>One recipe for a shade, as if it were mixed by itself.</summary>
    public PasteRecipe RecipeOf(OmbreShade shade) => shade.Share > 0
        ? PasteRecipe.Kneaded([(Stops[shade.Stop], 1 - shade.Share), (Stops[shade.Stop + 1], shade.Share)])
        : Stops[shade.Stop];

    /// <param name="middle">A paste that one of the inner shades has to be, with its place from 0; null for none.</param>
    /// <param name="grams">For each shade; one more than there are steps.</param>
    public static OmbreRun Of(
        PasteRecipe first, PasteRecipe last, MiddleShade? middle, IReadOnlyList<double> steps, IReadOnlyList<double> grams, Materials materials)
    {
        IReadOnlyList<PasteRecipe> stops = middle is null ? [first, last] : [first, middle.Recipe, last];
        int[] at = middle is null ? [0, steps.Count] : [0, middle.At, steps.Count];
        var shades = new List<OmbreShade>();
        for (var stop = 0; stop + 1 < stops.Count; stop++)
        {
            var curve = new MixingCurve(PasteOptics.Mix(stops[stop], materials), PasteOptics.Mix(stops[stop + 1], materials));
            var places = curve.PlacesFor([.. steps.Skip(at[stop]).Take(at[stop + 1] - at[stop])]);
            shades.AddRange(places.SkipLast(1).Select((share, i) => new OmbreShade(stop, share, grams[at[stop] + i], curve.ColourAt(share))));
        }

        shades.Add(new OmbreShade(stops.Count - 1, 0, grams[^1], PasteOptics.ColourOf(last, materials)));
        return new OmbreRun(stops, steps, shades);
    }
}

/// <summary>A paste that a shade within a run has to be.</summary>
/// <param name="At">Which shade, from 0; neither the first nor the last.</param>
public sealed record MiddleShade(PasteRecipe Recipe, int At);
