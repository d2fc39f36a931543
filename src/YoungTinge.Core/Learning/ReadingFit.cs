using MathNet.Numerics.LinearAlgebra;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Learning;

/// <summary>What readings are thought to come from: some unknowns, and the colour that each reading should have had by them.</summary>
internal abstract class ReadingModel
{
    /// <summary>How many unknowns there are.</summary>
    public abstract int Unknowns { get; }

    /// <summary>Of what is taken of an unknown that nothing is read of.</summary>
    public abstract double PriorVariance(int unknown);

    /// <summary>What an unknown is drawn to, by where all were solved to lie before.</summary>
    /// <param name="means">To be written where that is not 0.</param>
    public abstract void DrawTo(ReadOnlySpan<double> x, Matrix<double> covariance, Span<double> means);

    /// <summary>From now on colours are those by these unknowns.</summary>
    public abstract void MoveTo(ReadOnlySpan<double> x);

    /// <summary>What was read less what should have been. Several rows may be asked for at the same time.</summary>
    /// <param name="row">Of the readings, from 0.</param>
    /// <param name="slopes">By each unknown of the row, in their order; to be written.</param>
    public abstract Lab Off(int row, Span<Lab> slopes);
}

/// <summary>A reading as it is learned from.</summary>
/// <param name="Unknowns">That it depends on.</param>
/// <param name="Apart">By how much some of these were another at that reading than they are now, by their places in the list: variances.</param>
/// <param name="Noise">Standard deviation of how it was read, in L, a and b.</param>
internal sealed record ReadingRow(Guid Id, int[] Unknowns, (int Slot, double Variance)[] Apart, double Noise)
{
    /// <summary>Of what else it is off by, 3 by 3 in L, a and b; null for nothing.</summary>
    public double[]? Beside { get; set; }

    /// <summary>Degrees of freedom of the weights.</summary>
    private const double Freedom = 4;

    /// <summary>Student-t weight by what it is off now.</summary>
    public double Weight { get; set; } = 1;

    /// <summary>How much it is believed, 0 to about 1.</summary>
    public double Trust => Weight * Freedom / (Freedom + 3);

    /// <param name="distance">What it is off, squared, in its own spread.</param>
    public static double WeightOf(double distance) => (Freedom + 3) / (Freedom + distance);

    /// <summary>Less the logarithm of the chance of being so far off, but for a constant.</summary>
    public static double CostOf(double distance) => (Freedom + 3) / 2 * Math.Log(1 + distance / Freedom);

    /// <summary>Of what it is off: by the instrument, by the model, by how its unknowns were another then, and by what else there is.</summary>
    /// <param name="slopes">By its unknowns.</param>
    /// <param name="spread">3 by 3, to be written.</param>
    public void SpreadOf(ReadOnlySpan<Lab> slopes, double modelError, Span<double> spread)
    {
        spread.Clear();
        Beside?.CopyTo(spread);
        Spread.AddEvenly(spread, Noise);
        Spread.AddEvenly(spread, modelError);
        foreach (var (slot, variance) in Apart)
            Spread.Add(spread, slopes[slot], slopes[slot], variance);
    }

    public void InverseSpread(ReadOnlySpan<Lab> slopes, double modelError, Span<double> inverse)
    {
        Span<double> spread = stackalloc double[9];
        SpreadOf(slopes, modelError, spread);
        Spread.Invert(spread, inverse);
    }
}

/// <param name="ModelError">How far colours are off what their unknowns say, whoever reads them: a standard deviation in L, a and b.</param>
/// <param name="Trust">How much of each reading is believed, 0 to about 1, by its id.</param>
internal sealed record Fitted(double[] X, double[,] Covariance, double ModelError, IReadOnlyDictionary<Guid, double> Trust)
{
    /// <summary>Of two of some unknowns, by their places among these.</summary>
    /// <param name="at">Where each stands among all that was solved; null for one that was not, which hangs together with nothing.</param>
    /// <param name="priorVariance">Of such a one.</param>
    public Func<int, int, double> CovarianceOf(IReadOnlyList<int?> at, Func<int, double> priorVariance) => (one, other) => (at[one], at[other]) switch
    {
        ({ } place, { } otherPlace) => Covariance[place, otherPlace],
        _ => one == other ? priorVariance(one) : 0,
    };
}

/// <summary>
/// The most probable unknowns by Gauss-Newton, with the weights of a Student-t distribution, so that one slip spoils nothing (Lange, Little and Taylor 1989), and their
/// covariance from the same matrix. Pure: the same readings teach the same.
/// </summary>
internal sealed class ReadingFit
{
    /// <summary>Beside what the instrument is off; until readings tell better. A standard deviation in L, a and b.</summary>
    public const double UsualModelError = 0.5;

    /// <summary>So many readings' worth of trust in the usual.</summary>
    private const double TrustInUsual = 4;

    private const int LastRound = 2;
    private const int MostRounds = 25;
    private const double Settled = 1e-6;
    private const double Roughly = 1e-3;

    /// <summary>Of the logarithm of a strength: a hundredth that nobody sees.</summary>
    private const double SmallStep = 0.01;
    private const double DaysInMonth = 30.44;

    /// <summary>Readings are summed in so many parts, each by itself: always the same, so that the same readings teach the same on any machine.</summary>
    private const int Parts = 4;

    private readonly ReadingModel model;
    private readonly IReadOnlyList<ReadingRow> rows;
    private readonly double[] priorMeans;
    private readonly double[] x;
    private readonly Sums[] sums;
    private readonly Lab[] offs;
    private readonly Lab[][] slopes;
    private double[] seenAt = [];
    private Matrix<double>? known;
    private double modelError = UsualModelError;

    private ReadingFit(ReadingModel model, IReadOnlyList<ReadingRow> rows)
    {
        (this.model, this.rows, priorMeans, x) = (model, rows, new double[model.Unknowns], new double[model.Unknowns]);
        sums = [.. Enumerable.Range(0, Parts).Select(_ => new Sums(x.Length))];
        (offs, slopes) = (new Lab[rows.Count], [.. rows.Select(row => new Lab[row.Unknowns.Length])]);
    }

    /// <returns>Without readings there is nothing to solve: no unknowns then.</returns>
    public static Fitted Run(ReadingModel model, IReadOnlyList<ReadingRow> rows) =>
        rows.Count == 0 ? new Fitted([], new double[0, 0], UsualModelError, new Dictionary<Guid, double>()) : new ReadingFit(model, rows).Run();

    /// <summary>By how much the strength of a jar may have moved from one day to another: a variance.</summary>
    public static double AgeingBetween(DateTimeOffset at, DateTimeOffset then) => JarPrior.AgeingPerRootMonth * JarPrior.AgeingPerRootMonth * Math.Abs((at - then).TotalDays) / DaysInMonth;

    private Fitted Run()
    {
        // Roughly first: it is weighed anew a few times.
        var covariance = Solve(Roughly);
        // How far off colours are by themselves is told by what is left over; then all is weighed anew.
        for (var round = 0; round <= LastRound; round++)
        {
            known = covariance;
            See();
            modelError = ModelErrorNow(covariance);
            covariance = Solve(round < LastRound ? Roughly : Settled);
        }

        return new Fitted(x, covariance.ToArray(), modelError, rows.ToDictionary(row => row.Id, row => row.Trust));
    }

    /// <returns>The covariance.</returns>
    private Matrix<double> Solve(double settled)
    {
        See();
        var (normal, pull, cost) = Look();
        for (var round = 0; ; round++)
        {
            var factor = normal.Cholesky();
            var step = factor.Solve(pull);
            var before = (double[])x.Clone();
            Move(1);
            if (step.AbsoluteMaximum() < settled || round == MostRounds)
                return factor.Solve(Matrix<double>.Build.DenseIdentity(x.Length));
            for (var share = 1.0; ; share /= 2)
            {
                Move(share);
                See();
                var next = Look();
                // Near the end the weights move with each step, and what is solved is not quite the least cost: a small step is taken as it is.
                if (next.Cost <= cost || share * step.AbsoluteMaximum() < SmallStep)
                {
                    (normal, pull, cost) = next;
                    break;
                }
            }

            void Move(double share)
            {
                for (var i = 0; i < x.Length; i++)
                    x[i] = before[i] + share * step[i];
            }
        }
    }

    /// <summary>What each reading is off where it stands, and how that changes.</summary>
    private void See()
    {
        if (x.AsSpan().SequenceEqual(seenAt))
            return;
        seenAt = [.. x];
        model.MoveTo(x);
        EachPart((_, row) => offs[row] = model.Off(row, slopes[row]));
    }

    private void EachPart(Action<int, int> of) => SideBySide.Do(Parts, part =>
    {
        for (var row = part; row < rows.Count; row += Parts)
            of(part, row);
    });

    /// <summary>The normal equations where it stands, with new weights.</summary>
    private (Matrix<double> Normal, Vector<double> Pull, double Cost) Look()
    {
        if (known is not null)
            model.DrawTo(x, known, priorMeans);
        foreach (var sum in sums)
            sum.Clear();
        EachPart((part, row) => Add(row, sums[part]));
        var all = sums[0];
        foreach (var sum in sums[1..])
            all.Add(sum);
        for (var i = 0; i < x.Length; i++)
        {
            var (off, variance) = (x[i] - priorMeans[i], model.PriorVariance(i));
            all.Normal[i, i] += 1 / variance;
            all.Pull[i] -= off / variance;
            all.Cost += off * off / (2 * variance);
        }

        return (all.Normal, all.Pull, all.Cost);
    }

    private void Add(int at, Sums sums)
    {
        var (row, off, slope) = (rows[at], offs[at], slopes[at]);
        Span<double> inverse = stackalloc double[9];
        row.InverseSpread(slope, modelError, inverse);
        var distance = Spread.Form(inverse, off, off);
        row.Weight = ReadingRow.WeightOf(distance);
        for (var i = 0; i < slope.Length; i++)
        {
            sums.Pull[row.Unknowns[i]] += row.Weight * Spread.Form(inverse, slope[i], off);
            for (var j = 0; j <= i; j++)
            {
                var (one, other, value) = (row.Unknowns[i], row.Unknowns[j], row.Weight * Spread.Form(inverse, slope[i], slope[j]));
                sums.Normal[one, other] += value;
                if (j < i)
                    sums.Normal[other, one] += value;
            }
        }

        sums.Cost += ReadingRow.CostOf(distance);
    }

    /// <summary>What some of the readings pull at.</summary>
    private sealed class Sums(int unknowns)
    {
        public Matrix<double> Normal { get; } = Matrix<double>.Build.Dense(unknowns, unknowns);

        public Vector<double> Pull { get; } = Vector<double>.Build.Dense(unknowns);

        public double Cost { get; set; }

        public void Clear()
        {
            Normal.Clear();
            Pull.Clear();
            Cost = 0;
        }

        public void Add(Sums other)
        {
            Normal.Add(other.Normal, Normal);
            Pull.Add(other.Pull, Pull);
            Cost += other.Cost;
        }
    }

    /// <summary>From what is left over of all readings, robustly: the median is not moved by slips.</summary>
    private double ModelErrorNow(Matrix<double> covariance)
    {
        var left = rows.Select((row, at) =>
        {
            var (off, slope) = (offs[at], slopes[at]);
            // What was fitted to it is missing from what is left over.
            double fitted = 0;
            for (var i = 0; i < slope.Length; i++)
            {
                for (var j = 0; j < slope.Length; j++)
                    fitted += covariance[row.Unknowns[i], row.Unknowns[j]] * Dot(slope[i], slope[j]);
            }

            // And what it is off by for other reasons is none of the model's.
            var beside = (row.Beside is { } known ? known[0] + known[4] + known[8] : 0) + row.Apart.Sum(apart => apart.Variance * Dot(slope[apart.Slot], slope[apart.Slot]));
            return (Square: Dot(off, off), Share: fitted / 3, Noise: row.Noise * row.Noise + beside / 3);
        }).ToList();
        // A third of the mean of the squares of three normal numbers, by their median.
        var median = MathNet.Numerics.Statistics.Statistics.Median(left.Select(one => one.Square)) / 2.366;
        var spread = median + left.Average(one => one.Share) - left.Average(one => one.Noise);
        return Math.Sqrt(Math.Max(0, (rows.Count * spread + TrustInUsual * UsualModelError * UsualModelError) / (rows.Count + TrustInUsual)));
    }

    private static double Dot(Lab one, Lab other) => one.L * other.L + one.A * other.A + one.B * other.B;
}
