using MathNet.Numerics.LinearAlgebra;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>Learns from all readings of pastes together how jars differ from their lists, the maker's own units from what is written of them, and how colours come out here.</summary>
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
        PasteUnknowns[] pastes = [.. readings.Select(reading => reading.Unknowns)];
        var places = UnknownPlaces.Of(pastes);
        var model = new Pastes(basis, readings, pastes, places);
        return new LearnedJars(basis, places, ReadingFit.Run(model, model.Rows));
    }

    private static LearnedJars Add(LearnedJars before, LearnedFrom basis, IReadOnlyList<PasteReading> added)
    {
        return new LearnedJars(basis, before.Places, added.Aggregate(before.Fitted, (known, reading) =>
        {
            var model = new Pastes(basis, [reading], [reading.Unknowns], before.Places);
            return AddedReading.Add(known, model, model.Rows[0]);
        }));
    }

    /// <summary>Opaque pastes by what their jars are like, and how they come out.</summary>
    private sealed class Pastes(LearnedFrom basis, IReadOnlyList<PasteReading> readings, PasteUnknowns[] pastes, UnknownPlaces places) : ReadingModel
    {
        private readonly JarUnknowns unknowns = new(basis.Jars, places.Jars);
        private readonly Jar[] listed = [.. places.Jars.OrderBy(jar => jar.Value).Select(jar => basis.Jars[jar.Key])];
        private readonly int[][] chosen = [.. readings.Select(reading => reading.Doses.Select(dose => places.Jars[dose.JarId]).ToArray())];
        private readonly string[] kneaded = [.. readings.Select(reading => reading.BaseId).Distinct()];
        private readonly OwnUnit[] measuredIn = [.. places.Units.OrderBy(unit => unit.Value).Select(unit => unit.Key)];
        private Dictionary<string, PasteSlopes> now = [];
        private Dictionary<OwnUnit, double> times = [];

        /// <summary>Of its readings, in their order.</summary>
        public IReadOnlyList<ReadingRow> Rows => [.. readings.Zip(pastes, (reading, paste) => new ReadingRow(
            reading.Id, [.. paste.In(places).Select(place => place!.Value)], [.. paste.Apart(ReadingFit.AgeingBetween(basis.At, reading.At))], ReadingNoise.Of(reading.By, reading.Light)))];

        public override int Unknowns => places.Count;

        public override double PriorVariance(int unknown) => unknown < unknowns.Count ? unknowns.PriorVariance(unknown)
            : unknown == places.Rest ? RestPrior.Variance : UnitPrior.Variance(measuredIn[unknown - unknowns.Count]);

        public override void DrawTo(ReadOnlySpan<double> x, Matrix<double> covariance, Span<double> means) => unknowns.DrawLotsToTheirName(x, covariance, means);

        public override void MoveTo(ReadOnlySpan<double> x)
        {
            var mine = new KubelkaMunkSpectra[listed.Length];
            for (var i = 0; i < mine.Length; i++)
                mine[i] = unknowns.DifferenceOf(i, x).Of(listed[i].Listed);
            var slower = places.Rest is { } rest ? Math.Exp(x[rest]) : 1;
            Development[] developments = [.. listed.Select(jar => jar.Development.Times(slower))];
            now = kneaded.ToDictionary(id => id, id => new PasteSlopes(basis.Bases[id], mine, developments));
            times = [];
            foreach (var (unit, place) in places.Units)
                times[unit] = Math.Exp(x[place]);
        }

        public override Lab Off(int row, Span<Lab> slopes)
        {
            var reading = readings[row];
            var predicted = now[reading.BaseId].ColourAndSlopes(chosen[row], pastes[row], unit => times[unit], slopes);
            return new Lab(reading.Colour.L - predicted.L, reading.Colour.A - predicted.A, reading.Colour.B - predicted.B);
        }
    }
}
