using MathNet.Numerics.LinearAlgebra;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Coats.Learning;

/// <summary>
/// Learns from zones of finished pieces how dusts differ from their lists and how heavily the maker lays them. They never move a colour of the paste below: that is read by
/// itself, and what is not known of it makes the zone so much less sure.
/// </summary>
public static class FinishLearner
{
    private static readonly int HandParts = HandPrior.Parts.Length;

    /// <param name="cabinet">With the colours of pastes as they were learned; all that the readings name is in it, dusts as listed.</param>
    /// <param name="jars">What is known of the colours of pastes.</param>
    /// <param name="at">As of when.</param>
    public static LearnedFinish Learn(Materials cabinet, LearnedJars jars, IReadOnlyList<FinishReading> readings, DateTimeOffset at)
    {
        var looks = SideBySide.Select(readings, (reading, _) => new ZoneLook(reading.Zone, cabinet, jars));
        var lots = readings.Zip(looks, (reading, look) => look.Dusts.Select(dust => (JarId: reading.Zone.JarOf(dust), Dust: dust))).SelectMany(one => one).Distinct().ToList();
        var dusts = lots.ToDictionary(lot => lot.JarId, lot => new Jar(lot.JarId, lot.Dust, cabinet.Get<Dust>(lot.Dust).Optics));
        var places = lots.Index().ToDictionary(lot => lot.Item.JarId, lot => lot.Index);
        var unknowns = new JarUnknowns(dusts, places, HandParts);
        List<ReadingRow> rows = [.. readings.Zip(looks, (reading, look) => new ReadingRow(
            reading.Id,
            [.. look.Parts.Select(part => (int)part), .. look.Dusts.SelectMany(dust => unknowns.StrengthOf(reading.Zone.JarOf(dust)) is var strength ? new[] { strength, strength + 1 } : [])],
            [.. look.Parts.Select((_, part) => (part, HandPrior.Scatter * HandPrior.Scatter)), .. look.Dusts.Select((_, dust) => (look.Parts.Count + 2 * dust, ReadingFit.AgeingBetween(at, reading.At)))],
            ReadingNoise.Of(reading.By, reading.Light)) { Beside = look.SpreadOfPaste() })];
        var fitted = ReadingFit.Run(new Finishes(readings, looks, rows, unknowns, places), rows);
        var known = unknowns.Known(fitted, readings.Zip(looks, (reading, look) => look.Dusts.Select(reading.Zone.JarOf)));
        return new LearnedFinish(
            cabinet, jars, dusts, places, known, [.. HandPrior.Parts.Select(part => HandKnowledge.From(fitted, part, looks.Count(look => look.Parts.Contains(part))))], fitted);
    }

    private sealed class Finishes(
        IReadOnlyList<FinishReading> readings, ZoneLook[] looks, IReadOnlyList<ReadingRow> rows, JarUnknowns unknowns, Dictionary<string, int> places) : ReadingModel
    {
        /// <summary>So near a zone is as good as straight in its unknowns: what it bends by is under a fiftieth of what a reader sees.</summary>
        private const double Straight = 0.03;

        private readonly (double[] At, Lab Off, Lab[] Slopes)?[] seen = new (double[], Lab, Lab[])?[readings.Count];
        private double[] now = [];

        public override int Unknowns => HandParts + unknowns.Count;

        public override double PriorVariance(int unknown) => unknown < HandParts ? HandPrior.Spread * HandPrior.Spread : unknowns.PriorVariance(unknown);

        public override void DrawTo(ReadOnlySpan<double> x, Matrix<double> covariance, Span<double> means) => unknowns.DrawLotsToTheirName(x, covariance, means);

        public override void MoveTo(ReadOnlySpan<double> x)
        {
            now = x.ToArray();
            // Looking at a zone anew is most of the work.
            var stale = Enumerable.Range(0, rows.Count).Where(row => seen[row] is not { } known || rows[row].Unknowns.Any(unknown => Math.Abs(known.At[unknown] - now[unknown]) > Straight)).ToList();
            var fresh = SideBySide.Select(stale, (row, _) =>
            {
                var slopes = new Lab[rows[row].Unknowns.Length];
                var zone = readings[row].Zone;
                var colour = looks[row].ColourAndSlopes(now.AsSpan(0, HandParts), [.. looks[row].Dusts.Select(dust => unknowns.DifferenceOf(places[zone.JarOf(dust)], now))], slopes);
                var read = readings[row].Colour;
                return (now, new Lab(read.L - colour.L, read.A - colour.A, read.B - colour.B), slopes);
            });
            foreach (var (row, look) in stale.Zip(fresh))
                seen[row] = look;
        }

        public override Lab Off(int row, Span<Lab> slopes)
        {
            var (at, off, straight) = seen[row]!.Value;
            var (l, a, b) = (off.L, off.A, off.B);
            for (var i = 0; i < straight.Length; i++)
            {
                var moved = now[rows[row].Unknowns[i]] - at[rows[row].Unknowns[i]];
                (l, a, b) = (l - moved * straight[i].L, a - moved * straight[i].A, b - moved * straight[i].B);
                slopes[i] = straight[i];
            }

            return new Lab(l, a, b);
        }
    }
}
