using MathNet.Numerics.LinearAlgebra;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>
/// Learns from all readings together how jars differ from their lists: the most probable differences by Gauss-Newton, with the weights of a Student-t distribution, so
/// that one slip spoils no jar (Lange, Little and Taylor 1989), and their covariance from the same matrix. Pure: the same readings teach the same.
/// </summary>
public static class Learner
{
    /// <summary>Degrees of freedom of the weights.</summary>
    private const double Freedom = 4;

    /// <summary>Of pastes, beside what the instrument is off; until readings tell better. A standard deviation in L, a and b.</summary>
    private const double UsualModelError = 0.5;

    /// <summary>So many readings' worth of trust in the usual.</summary>
    private const double TrustInUsual = 4;

    private const int MostRounds = 25;
    private const double Settled = 1e-7;
    private const double Roughly = 1e-3;
    private const double DaysInMonth = 30.44;

    /// <param name="jars">Of all that the readings name, by id.</param>
    /// <param name="bases">Optics of the pastes, by id.</param>
    /// <param name="at">As of when: what was read long before or after says less of a jar then.</param>
    public static LearnedJars Learn(IReadOnlyDictionary<string, Jar> jars, IReadOnlyDictionary<string, KubelkaMunkSpectra> bases, IReadOnlyList<PasteReading> readings, DateTimeOffset at)
    {
        var places = readings.SelectMany(reading => reading.Doses).Select(dose => dose.JarId).Distinct().Index().ToDictionary(jar => jar.Item, jar => jar.Index);
        return new Fit(jars, bases, readings, at, places).Run();
    }

    private sealed class Fit
    {
        private readonly IReadOnlyDictionary<string, Jar> jars;
        private readonly IReadOnlyDictionary<string, KubelkaMunkSpectra> bases;
        private readonly Dictionary<string, int> places;
        private readonly Row[] rows;
        private readonly KubelkaMunkSpectra[] listed;
        private readonly double[] priorMeans;
        private readonly double[] x;
        private double modelError = UsualModelError;

        /// <summary>A reading with what does not change while it is learned from.</summary>
        private sealed record Row(PasteReading Reading, int[] Jars, double Noise, double AgeMonths)
        {
            public double Weight { get; set; } = 1;
        }

        public Fit(IReadOnlyDictionary<string, Jar> jars, IReadOnlyDictionary<string, KubelkaMunkSpectra> bases, IReadOnlyList<PasteReading> readings, DateTimeOffset at, Dictionary<string, int> places)
        {
            (this.jars, this.bases, this.places) = (jars, bases, places);
            rows = [.. readings.Select(reading => new Row(
                reading, [.. reading.Doses.Select(dose => places[dose.JarId])], ReadingNoise.Of(reading.By), Math.Abs((at - reading.At).TotalDays) / DaysInMonth))];
            listed = new KubelkaMunkSpectra[places.Count];
            foreach (var (id, place) in places)
                listed[place] = jars[id].Listed;
            priorMeans = new double[2 * places.Count];
            x = new double[2 * places.Count];
        }

        public LearnedJars Run()
        {
            if (places.Count == 0)
                return new LearnedJars(jars, bases, places, [], new double[0, 0], UsualModelError, new Dictionary<Guid, double>());
            // Roughly first: it is weighed anew a few times.
            var covariance = Solve(Roughly);
            BeginLotsAtTheirName(covariance);
            // How far off pastes are by themselves is told by what is left over; then all is weighed anew.
            for (var round = 0; round < 3; round++)
            {
                modelError = ModelErrorNow(covariance);
                covariance = Solve(round < 2 ? Roughly : Settled);
            }

            var readings = new int[places.Count];
            foreach (var jar in rows.SelectMany(row => row.Jars.Distinct()))
                readings[jar]++;
            var known = new JarKnowledge[places.Count];
            for (var i = 0; i < known.Length; i++)
            {
                known[i] = new JarKnowledge(new JarDifference(x[2 * i], x[2 * i + 1]), Math.Sqrt(covariance[2 * i, 2 * i]), Math.Sqrt(covariance[2 * i + 1, 2 * i + 1]), readings[i]);
            }

            var trust = rows.ToDictionary(row => row.Reading.Id, row => row.Weight * Freedom / (Freedom + 3));
            return new LearnedJars(jars, bases, places, known, covariance.ToArray(), modelError, trust);
        }

        /// <summary>Lots of one name are alike on the whole: each is drawn to the mean of the others instead of to the list.</summary>
        private void BeginLotsAtTheirName(Matrix<double> covariance)
        {
            foreach (var (id, place) in places)
            {
                var others = places.Where(other => other.Value != place && jars[other.Key].Name == jars[id].Name).Select(other => other.Value).ToList();
                for (var which = 0; which < 2 && others.Count > 0; which++)
                {
                    // As far as the others are known: one that was hardly read draws hardly.
                    double Weight(int other) => 1 / (covariance[2 * other + which, 2 * other + which] + JarPrior.Variance(which));
                    priorMeans[2 * place + which] = others.Sum(other => Weight(other) * x[2 * other + which]) / (others.Sum(Weight) + 1 / JarPrior.Variance(which));
                }
            }
        }

        private Matrix<double> Solve(double settled)
        {
            var (normal, pull, cost) = Look();
            for (var round = 0; round < MostRounds; round++)
            {
                var step = normal.Cholesky().Solve(pull);
                var before = (double[])x.Clone();
                var share = 1.0;
                while (true)
                {
                    for (var i = 0; i < x.Length; i++)
                        x[i] = before[i] + share * step[i];
                    var next = Look();
                    if (next.Cost <= cost + 1e-9 || share < 0.02)
                    {
                        (normal, pull, cost) = next;
                        break;
                    }

                    share /= 2;
                }

                if (share * step.AbsoluteMaximum() < settled)
                    break;
            }

            return normal.Cholesky().Solve(Matrix<double>.Build.DenseIdentity(x.Length));
        }

        /// <summary>The normal equations where it stands, with new weights.</summary>
        private (Matrix<double> Normal, Vector<double> Pull, double Cost) Look()
        {
            var normal = Matrix<double>.Build.Dense(x.Length, x.Length);
            var pull = Vector<double>.Build.Dense(x.Length);
            var cost = 0.0;
            for (var i = 0; i < x.Length; i++)
            {
                var (off, variance) = (x[i] - priorMeans[i], JarPrior.Variance(i % 2));
                normal[i, i] += 1 / variance;
                pull[i] -= off / variance;
                cost += off * off / (2 * variance);
            }

            var now = PastesNow();
            foreach (var row in rows)
                cost += Add(row, now[row.Reading.BaseId], normal, pull);
            return (normal, pull, cost);
        }

        private Dictionary<string, PasteSlopes> PastesNow()
        {
            KubelkaMunkSpectra[] now = [.. listed.Select((one, i) => new JarDifference(x[2 * i], x[2 * i + 1]).Of(one))];
            return rows.Select(row => row.Reading.BaseId).Distinct().ToDictionary(id => id, id => new PasteSlopes(bases[id], now));
        }

        private double Add(Row row, PasteSlopes now, Matrix<double> normal, Vector<double> pull)
        {
            var n = row.Jars.Length;
            Span<Lab> slopes = stackalloc Lab[2 * n];
            var off = OffOf(row, now, slopes);
            Span<double> inverse = stackalloc double[9];
            InverseSpread(row, slopes, inverse);
            var distance = Form(inverse, off, off);
            row.Weight = (Freedom + 3) / (Freedom + distance);
            for (var i = 0; i < slopes.Length; i++)
            {
                var at = 2 * row.Jars[i / 2] + i % 2;
                pull[at] += row.Weight * Form(inverse, slopes[i], off);
                for (var j = 0; j <= i; j++)
                {
                    var (other, value) = (2 * row.Jars[j / 2] + j % 2, row.Weight * Form(inverse, slopes[i], slopes[j]));
                    normal[at, other] += value;
                    if (j < i)
                        normal[other, at] += value;
                }
            }

            return (Freedom + 3) / 2 * Math.Log(1 + distance / Freedom);
        }

        private static Lab OffOf(Row row, PasteSlopes now, Span<Lab> slopes)
        {
            var predicted = now.ColourAndSlopes(row.Jars, row.Reading.Doses, slopes);
            var read = row.Reading.Colour;
            return new Lab(read.L - predicted.L, read.A - predicted.A, read.B - predicted.B);
        }

        /// <summary>Of what a reading is off: by the instrument, by the paste, and by how its jars may have aged.</summary>
        private void InverseSpread(Row row, ReadOnlySpan<Lab> slopes, Span<double> inverse)
        {
            Span<double> spread = stackalloc double[9];
            spread.Clear();
            for (var axis = 0; axis < 3; axis++)
                spread[4 * axis] = row.Noise * row.Noise + modelError * modelError;
            var ageing = JarPrior.AgeingPerRootMonth * JarPrior.AgeingPerRootMonth * row.AgeMonths;
            for (var i = 0; i < slopes.Length && ageing > 0; i += 2)
                Spread.Add(spread, slopes[i], slopes[i], ageing);
            Spread.Invert(spread, inverse);
        }

        /// <summary>From what is left over of all readings, robustly: the median is not moved by slips.</summary>
        private double ModelErrorNow(Matrix<double> covariance)
        {
            var now = PastesNow();
            var left = rows.Select(row =>
            {
                var slopes = new Lab[2 * row.Jars.Length];
                var off = OffOf(row, now[row.Reading.BaseId], slopes);
                // What was fitted to it is missing from what is left over.
                double fitted = 0;
                for (var i = 0; i < slopes.Length; i++)
                {
                    for (var j = 0; j < slopes.Length; j++)
                        fitted += covariance[2 * row.Jars[i / 2] + i % 2, 2 * row.Jars[j / 2] + j % 2] * Dot(slopes[i], slopes[j]);
                }

                return (Square: Dot(off, off), Share: fitted / 3, row.Noise);
            }).ToList();
            // A third of the mean of the squares of three normal numbers, by their median.
            var median = MathNet.Numerics.Statistics.Statistics.Median(left.Select(one => one.Square)) / 2.366;
            var spread = median + left.Average(one => one.Share) - left.Average(one => one.Noise * one.Noise);
            return Math.Sqrt(Math.Max(0, (rows.Length * spread + TrustInUsual * UsualModelError * UsualModelError) / (rows.Length + TrustInUsual)));
        }

        private static double Dot(Lab one, Lab other) => one.L * other.L + one.A * other.A + one.B * other.B;

        private static double Form(ReadOnlySpan<double> matrix, Lab one, Lab other) =>
            one.L * (matrix[0] * other.L + matrix[1] * other.A + matrix[2] * other.B)
            + one.A * (matrix[3] * other.L + matrix[4] * other.A + matrix[5] * other.B)
            + one.B * (matrix[6] * other.L + matrix[7] * other.A + matrix[8] * other.B);
    }
}
