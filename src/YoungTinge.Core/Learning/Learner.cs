using MathNet.Numerics.LinearAlgebra;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>Learns from all readings of pastes together how jars differ from their lists.</summary>
public static class Learner
{
    /// <param name="jars">Of all that the readings name, by id.</param>
    /// <param name="bases">Optics of the pastes, by id.</param>
    /// <param name="at">As of when: what was read long before or after says less of a jar then.</param>
    public static LearnedJars Learn(IReadOnlyDictionary<string, Jar> jars, IReadOnlyDictionary<string, KubelkaMunkSpectra> bases, IReadOnlyList<PasteReading> readings, DateTimeOffset at)
    {
        var places = readings.SelectMany(reading => reading.Doses).Select(dose => dose.JarId).Distinct().Index().ToDictionary(jar => jar.Item, jar => jar.Index);
        var unknowns = new JarUnknowns(jars, places);
        List<ReadingRow> rows = [.. readings.Select(reading => new ReadingRow(
            reading.Id, [.. reading.Doses.SelectMany(dose => new[] { unknowns.StrengthOf(dose.JarId), unknowns.StrengthOf(dose.JarId) + 1 })],
            [.. reading.Doses.Select((_, dose) => (Slot: 2 * dose, Variance: ReadingFit.AgeingBetween(at, reading.At))).Where(apart => apart.Variance > 0)], ReadingNoise.Of(reading.By)))];
        var fitted = ReadingFit.Run(new Pastes(jars, bases, readings, places, unknowns), rows);
        var known = unknowns.Known(fitted, readings.Select(reading => reading.Doses.Select(dose => dose.JarId)));
        return new LearnedJars(jars, bases, places, known, fitted.Covariance, fitted.ModelError, fitted.Trust);
    }

    /// <summary>Rested opaque pastes by what their jars are like.</summary>
    private sealed class Pastes(
        IReadOnlyDictionary<string, Jar> jars, IReadOnlyDictionary<string, KubelkaMunkSpectra> bases, IReadOnlyList<PasteReading> readings, Dictionary<string, int> places, JarUnknowns unknowns) : ReadingModel
    {
        private readonly KubelkaMunkSpectra[] listed = [.. places.OrderBy(jar => jar.Value).Select(jar => jars[jar.Key].Listed)];
        private readonly int[][] chosen = [.. readings.Select(reading => reading.Doses.Select(dose => places[dose.JarId]).ToArray())];
        private readonly string[] kneaded = [.. readings.Select(reading => reading.BaseId).Distinct()];
        private Dictionary<string, PasteSlopes> now = [];

        public override int Unknowns => unknowns.Count;

        public override double PriorVariance(int unknown) => unknowns.PriorVariance(unknown);

        public override void BeginAt(ReadOnlySpan<double> x, Matrix<double> covariance, Span<double> means) => unknowns.BeginLotsAtTheirName(x, covariance, means);

        public override void MoveTo(ReadOnlySpan<double> x)
        {
            var mine = new KubelkaMunkSpectra[listed.Length];
            for (var i = 0; i < mine.Length; i++)
                mine[i] = unknowns.DifferenceOf(i, x).Of(listed[i]);
            now = kneaded.ToDictionary(id => id, id => new PasteSlopes(bases[id], mine));
        }

        public override Lab Off(int row, Span<Lab> slopes)
        {
            var reading = readings[row];
            var predicted = now[reading.BaseId].ColourAndSlopes(chosen[row], reading.Doses, slopes);
            return new Lab(reading.Colour.L - predicted.L, reading.Colour.A - predicted.A, reading.Colour.B - predicted.B);
        }
    }
}
