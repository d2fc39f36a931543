using System.Diagnostics;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;

namespace YoungTinge.Checks;

/// <summary>How long it takes to learn from many readings; one more is learned with all others.</summary>
public static class LearningTimes
{
    /// <param name="jars">Of different lots, if there are more than colours.</param>
    public static double Of(int readings, int jars, Materials cabinet)
    {
        var random = new Random(1);
        var colours = cabinet.All.OfType<Colourant>().ToList();
        var known = Enumerable.Range(0, jars).Select(i => (Colour: colours[i % colours.Count], Lot: i / colours.Count)).Select(jar => new Jar($"{jar.Colour.Id}|{jar.Lot}", jar.Colour.Id, jar.Colour.Optics)).ToDictionary(jar => jar.Id);
        var ids = known.Keys.ToArray();
        var bases = cabinet.All.OfType<PasteBase>().ToDictionary(paste => paste.Id, paste => paste.Optics);
        var truth = ids.ToDictionary(id => id, _ => new JarDifference(0.4 * (random.NextDouble() - 0.5), 0.15 * (random.NextDouble() - 0.5)));
        var exact = new LearnedJars(known, bases, ids.Index().ToDictionary(id => id.Item, id => id.Index), [.. ids.Select(id => new JarKnowledge(truth[id], 0, 0, 1))], new double[2 * jars, 2 * jars], 0, new Dictionary<Guid, double>());
        PasteReading[] all = [.. Enumerable.Range(0, readings).Select(i =>
        {
            JarDose[] doses = [.. ids.OrderBy(_ => random.Next()).Take(1 + random.Next(3)).Select(id => new JarDose(id, 0.05 + random.NextDouble() / 2))];
            var seen = exact.Predict("bright-white-paste", doses).Colour;
            double Off() => 0.8 * (random.NextDouble() - 0.5);
            return new PasteReading(Guid.NewGuid(), DateTimeOffset.UnixEpoch.AddHours(i), "bright-white-paste", doses, ReadBy.Reader, new Lab(seen.L + Off(), seen.A + Off(), seen.B + Off()));
        })];
        var at = DateTimeOffset.UnixEpoch.AddHours(readings);
        // Once for the compiler.
        _ = Learner.Learn(known, bases, all[..50], at);
        var clock = Stopwatch.StartNew();
        _ = Learner.Learn(known, bases, all, at);
        return clock.Elapsed.TotalSeconds;
    }
}
