using System.Diagnostics;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Optics;

namespace YoungTinge.Checks;

/// <summary>How long it takes to learn from many readings, and from one more.</summary>
public static class LearningTimes
{
    private const string Paste = "bright-white-paste";

    /// <param name="jars">Of different lots, if there are more than colours.</param>
    /// <returns>Seconds for all of them, for one more, and by how much the strength of any jar differs for having been begun from the others.</returns>
    public static (double All, double OneMore, double Apart) Of(int readings, int jars, Materials cabinet)
    {
        var random = new Random(1);
        var colours = cabinet.All.OfType<Colourant>().ToList();
        var known = Enumerable.Range(0, jars).Select(i => (Colour: colours[i % colours.Count], Lot: i / colours.Count)).Select(jar => new Jar($"{jar.Colour.Id}|{jar.Lot}", jar.Colour.Id, jar.Colour.Optics)).ToDictionary(jar => jar.Id);
        var ids = known.Keys.ToArray();
        var bases = cabinet.All.OfType<PasteBase>().ToDictionary(paste => paste.Id, paste => paste.Optics);
        var truth = ids.ToDictionary(id => id, _ => new JarDifference(0.4 * (random.NextDouble() - 0.5), 0.15 * (random.NextDouble() - 0.5)));
        PasteReading[] all = [.. Enumerable.Range(0, readings).Select(i =>
        {
            JarDose[] doses = [.. ids.OrderBy(_ => random.Next()).Take(1 + random.Next(3)).Select(id => new JarDose(id, 0.05 + random.NextDouble() / 2))];
            var seen = Illuminant.D65.LabOf(KubelkaMunk.Opaque(doses.Aggregate(bases[Paste], (mix, dose) => mix.With(truth[dose.JarId].Of(known[dose.JarId].Listed).Times(dose.GPer100g)))));
            double Off() => 0.8 * (random.NextDouble() - 0.5);
            return new PasteReading(Guid.NewGuid(), DateTimeOffset.UnixEpoch.AddHours(i), Paste, doses, ReadBy.Reader, new Lab(seen.L + Off(), seen.A + Off(), seen.B + Off()));
        })];
        var at = DateTimeOffset.UnixEpoch.AddHours(readings);
        // Once for the compiler.
        var few = Learner.Learn(known, bases, all[..50], at);
        _ = Learner.Learn(known, bases, all[..51], at, few);
        var clock = Stopwatch.StartNew();
        var learned = Learner.Learn(known, bases, all, at);
        var whole = clock.Elapsed.TotalSeconds;
        var before = Learner.Learn(known, bases, all[..^1], at);
        clock.Restart();
        var oneMore = Learner.Learn(known, bases, all, at, before);
        return (whole, clock.Elapsed.TotalSeconds, ids.Max(id => Math.Abs(oneMore.Of(id).Difference.Strength - learned.Of(id).Difference.Strength)));
    }
}
