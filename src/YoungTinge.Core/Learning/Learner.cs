using MathNet.Numerics.LinearAlgebra;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>Learns from all readings of pastes together how jars differ from their lists, and the maker's own units from what is written of them.</summary>
public static class Learner
{
    /// <param name="jars">Of all that the readings name, by id.</param>
    /// <param name="bases">Optics of the pastes, by id.</param>
    /// <param name="at">As of when: what was read long before or after says less of a jar then.</param>
    /// <param name="before">What was learned before the last of the readings came: they are added to it, if there are few of them beside many.</param>
    public static LearnedJars Learn(
        IReadOnlyDictionary<string, Jar> jars, IReadOnlyDictionary<string, KubelkaMunkSpectra> bases, IReadOnlyList<PasteReading> readings, DateTimeOffset at, LearnedJars? before = null)
    {
        var basis = new LearnedFrom(jars, bases, readings, at);
        if (before is not null && basis.AddedTo(before.Basis) is { } added && added.All(before.KnowsAllOf))
            return Add(before, basis with { Added = before.Basis.Added + added.Count }, added);
        var places = readings.SelectMany(reading => reading.Doses).Select(dose => dose.JarId).Distinct().Index().ToDictionary(jar => jar.Item, jar => jar.Index);
        PasteUnknowns[] pastes = [.. readings.Select(reading => new PasteUnknowns(reading.Doses))];
        var units = pastes.SelectMany(paste => paste.Units).Distinct().Index().ToDictionary(unit => unit.Item, unit => 2 * places.Count + unit.Index);
        var model = new Pastes(basis, readings, pastes, places, units);
        return new LearnedJars(basis, places, units, ReadingFit.Run(model, model.Rows));
    }

    private static LearnedJars Add(LearnedJars before, LearnedFrom basis, IReadOnlyList<PasteReading> added)
    {
        var (places, units) = (before.Places, before.UnitPlaces);
        return new LearnedJars(basis, places, units, added.Aggregate(before.Fitted, (known, reading) =>
        {
            var model = new Pastes(basis, [reading], [new PasteUnknowns(reading.Doses)], places, units);
            return AddedReading.Add(known, model, model.Rows[0]);
        }));
    }

    /// <summary>Rested opaque pastes by what their jars are like.</summary>
    private sealed class Pastes(
        LearnedFrom basis, IReadOnlyList<PasteReading> readings, PasteUnknowns[] pastes, IReadOnlyDictionary<string, int> places, IReadOnlyDictionary<OwnUnit, int> units) : ReadingModel
    {
        private readonly JarUnknowns unknowns = new(basis.Jars, places);
        private readonly KubelkaMunkSpectra[] listed = [.. places.OrderBy(jar => jar.Value).Select(jar => basis.Jars[jar.Key].Listed)];
        private readonly int[][] chosen = [.. readings.Select(reading => reading.Doses.Select(dose => places[dose.JarId]).ToArray())];
        private readonly string[] kneaded = [.. readings.Select(reading => reading.BaseId).Distinct()];
        private readonly OwnUnit[] measuredIn = [.. units.OrderBy(unit => unit.Value).Select(unit => unit.Key)];
        private Dictionary<string, PasteSlopes> now = [];
        private Dictionary<OwnUnit, double> times = [];

        /// <summary>Of its readings, in their order.</summary>
        public IReadOnlyList<ReadingRow> Rows => [.. readings.Zip(pastes, (reading, paste) => new ReadingRow(
            reading.Id, [.. paste.Places(jar => unknowns.StrengthOf(jar), unit => units[unit]).Select(place => place!.Value)],
            [.. reading.Doses.Select((dose, i) => (Slot: 2 * i, Variance: ReadingFit.AgeingBetween(basis.At, reading.At) + dose.Scatter)).Where(apart => apart.Variance > 0)], ReadingNoise.Of(reading.By)))];

        public override int Unknowns => unknowns.Count + units.Count;

        public override double PriorVariance(int unknown) => unknown < unknowns.Count ? unknowns.PriorVariance(unknown) : UnitPrior.Variance(measuredIn[unknown - unknowns.Count]);

        public override void DrawTo(ReadOnlySpan<double> x, Matrix<double> covariance, Span<double> means) => unknowns.DrawLotsToTheirName(x, covariance, means);

        public override void MoveTo(ReadOnlySpan<double> x)
        {
            var mine = new KubelkaMunkSpectra[listed.Length];
            for (var i = 0; i < mine.Length; i++)
                mine[i] = unknowns.DifferenceOf(i, x).Of(listed[i]);
            now = kneaded.ToDictionary(id => id, id => new PasteSlopes(basis.Bases[id], mine));
            times = [];
            foreach (var (unit, place) in units)
                times[unit] = Math.Exp(x[place]);
        }

        public override Lab Off(int row, Span<Lab> slopes)
        {
            var reading = readings[row];
            var predicted = now[reading.BaseId].ColourAndSlopes(chosen[row], reading.Doses, pastes[row], unit => times[unit], slopes);
            return new Lab(reading.Colour.L - predicted.L, reading.Colour.A - predicted.A, reading.Colour.B - predicted.B);
        }
    }
}
