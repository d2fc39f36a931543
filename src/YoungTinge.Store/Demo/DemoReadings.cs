using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Optics;

namespace YoungTinge.Store.Demo;

/// <summary>Trials of one jar over a season, so that the logbook has taught something: it is stronger than its list, and one reading was a slip.</summary>
internal static class DemoReadings
{
    private const string Jar = "rootcellar";
    private const string Base = "bright-white-paste";

    /// <summary>What the jar is really like, which nobody in the studio knows.</summary>
    private static readonly JarDifference Truth = new(0.15, -0.05);

    /// <param name="Off">What the reader is off.</param>
    private sealed record Trial(double DaysAgo, double GPer100g, ReadBy By, Lab Off, string Note);

    private static readonly Trial[] Trials =
    [
        new(112, 0.2, ReadBy.Eye, new Lab(1.4, -0.9, 1.2), "First try, looked at beside the window."),
        new(74, 0.35, ReadBy.Reader, new Lab(-0.3, 0.4, 0.2), "Read with the colour reader."),
        new(51, 0.12, ReadBy.Reader, new Lab(7.5, -4, 6), "Reader stood half on the board?"),
        new(33, 0.12, ReadBy.Reader, new Lab(0.2, -0.2, -0.4), "Read again."),
        new(8, 0.5, ReadBy.Reader, new Lab(0.1, 0.3, -0.2), "Deep, for a shadow paste."),
    ];

    public static IEnumerable<LogEntry> Of(Materials listed, DateTimeOffset now)
    {
        var colour = listed.Get<Colourant>(Jar);
        var paste = listed.Get<PasteBase>(Base).Optics;
        foreach (var trial in Trials)
        {
            var recipe = new PasteRecipe(Base, [new Dose(Jar, trial.GPer100g)]);
            var real = Illuminant.D65.LabOf(KubelkaMunk.Opaque(paste.With(Truth.Of(colour.Optics).Times(trial.GPer100g))));
            yield return new LogEntry(
                Guid.CreateVersion7(now), null, LogSubject.Paste, PasteOptics.ColourOf(recipe, listed), new Lab(real.L + trial.Off.L, real.A + trial.Off.A, real.B + trial.Off.B), trial.Note, now.AddDays(-trial.DaysAgo))
            {
                Mix = LoggedMix.Of(recipe, listed),
                By = trial.By,
                LoggedBy = "Odile Farrant",
            };
        }
    }
}
