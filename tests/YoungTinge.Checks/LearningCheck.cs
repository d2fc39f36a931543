using System.Diagnostics;
using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;

namespace YoungTinge.Checks;

/// <summary>What predictions of new mixes are like after learning.</summary>
/// <param name="DeltaE">CIEDE2000 between each prediction and the truth.</param>
/// <param name="Within">How many of them lie in the range that was stated for nine of ten.</param>
public sealed record LearningResult(string Id, int Readings, IReadOnlyList<double> DeltaE, int Within, double Seconds)
{
    public double Median => At(0.5);

    public double NinetyFive => At(0.95);

    public double WithinShare => (double)Within / DeltaE.Count;

    private double At(double share) => DeltaE.Order().ElementAt((int)Math.Ceiling(share * DeltaE.Count) - 1);

    public static LearningResult All(IReadOnlyList<LearningResult> results) =>
        new("all", results.Sum(one => one.Readings), [.. results.SelectMany(one => one.DeltaE)], results.Sum(one => one.Within), results.Sum(one => one.Seconds));
}

/// <summary>Learns from readings of jars that differ from their lists, and predicts new mixes of them.</summary>
public static class LearningCheck
{
    public const double MostMedian = 0.4;
    public const double MostNinetyFive = 1.0;
    public const double LeastWithin = 0.85;
    public const double MostWithin = 0.95;

    private static readonly DateTimeOffset Then = new(2026, 1, 1, 0, 0, 0, TimeSpan.Zero);

    public static IEnumerable<LearningResult> Run(JsonElement file, Materials cabinet)
    {
        foreach (var known in file.GetProperty("cases").EnumerateArray())
        {
            var baseId = known.Text("base");
            PasteReading[] readings = [.. known.GetProperty("readings").EnumerateArray().Select(reading =>
                new PasteReading(Guid.NewGuid(), Then, baseId, DosesOf(reading), Enum.Parse<ReadBy>(reading.Text("by"), ignoreCase: true), reading.GetProperty("lab").Lab()))];
            yield return Of(known.Text("id"), baseId, readings, [.. known.GetProperty("tests").EnumerateArray().Select(test => (DosesOf(test), test.GetProperty("lab").Lab()))], cabinet, Then);
        }
    }

    public static LearningResult Of(string id, string baseId, IReadOnlyList<PasteReading> readings, IReadOnlyList<(IReadOnlyList<JarDose> Doses, Lab Truth)> tests, Materials cabinet, DateTimeOffset at)
    {
        var jars = cabinet.All.OfType<Colourant>().ToDictionary(colour => colour.Id, colour => new Jar(colour.Id, colour.Id, colour.Optics));
        var bases = cabinet.All.OfType<PasteBase>().ToDictionary(paste => paste.Id, paste => paste.Optics);
        var clock = Stopwatch.StartNew();
        var learned = Learner.Learn(jars, bases, readings, at);
        var seconds = clock.Elapsed.TotalSeconds;
        var predicted = tests.Select(test => (Now: learned.Predict(baseId, test.Doses), test.Truth)).Select(one => (Off: DeltaE2000.Between(one.Truth, one.Now.Colour), one.Now.Range)).ToList();
        return new LearningResult(id, readings.Count, [.. predicted.Select(one => one.Off)], predicted.Count(one => one.Off <= one.Range), seconds);
    }

    private static IReadOnlyList<JarDose> DosesOf(JsonElement mix) => [.. mix.GetProperty("parts").EnumerateArray().Select(part => new JarDose(part.Text("id"), part.Number("gPer100g")))];
}
