using MathNet.Numerics.LinearAlgebra;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Learning;

/// <summary>What readings are thought to come from: some unknowns, and the colour that each reading should have had by them.</summary>
internal abstract class ReadingModel
{
    /// <summary>How many unknowns there are.</summary>
    public abstract int Unknowns { get; }

    /// <summary>Of what is taken of an unknown that nothing is read of.</summary>
    public abstract double PriorVariance(int unknown);

    /// <summary>What an unknown begins at, when all have been solved once from nothing.</summary>
    /// <param name="means">To be written; all 0 before.</param>
    public abstract void BeginAt(ReadOnlySpan<double> x, Matrix<double> covariance, Span<double> means);

    /// <summary>From now on colours are those by these unknowns.</summary>
    public abstract void MoveTo(ReadOnlySpan<double> x);

    /// <summary>What was read less what should have been.</summary>
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

    /// <summary>Student-t weight by what it is off now.</summary>
    public double Weight { get; set; } = 1;
}

/// <param name="ModelError">How far colours are off what their unknowns say, whoever reads them: a standard deviation in L, a and b.</param>
/// <param name="Trust">How much of each reading is believed, 0 to about 1, by its id.</param>
internal sealed record Fitted(double[] X, double[,] Covariance, double ModelError, IReadOnlyDictionary<Guid, double> Trust);

/// <summary>
/// The most probable unknowns by Gauss-Newton, with the weights of a Student-t distribution, so that one slip spoils nothing (Lange, Little and Taylor 1989), and their
/// covariance from the same matrix. Pure: the same readings teach the same.
/// </summary>
internal sealed class ReadingFit
{
    /// <summary>Degrees of freedom of the weights.</summary>
    private const double Freedom = 4;

    /// <summary>Beside what the instrument is off; until readings tell better. A standard deviation in L, a and b.</summary>
    public const double UsualModelError = 0.5;

    /// <summary>So many readings' worth of trust in the usual.</summary>
    private const double TrustInUsual = 4;

    private const int MostRounds = 25;
    private const double Settled = 1e-7;
    private const double Roughly = 1e-3;
    private const double DaysInMonth = 30.44;

    private readonly ReadingModel model;
    private readonly IReadOnlyList<ReadingRow> rows;
    private readonly double[] priorMeans;
    private readonly double[] x;
    private double modelError = UsualModelError;

    private ReadingFit(ReadingModel model, IReadOnlyList<ReadingRow> rows) =>
        (this.model, this.rows, priorMeans, x) = (model, rows, new double[model.Unknowns], new double[model.Unknowns]);

    /// <returns>Without readings there is nothing to solve: no unknowns then.</returns>
    public static Fitted Run(ReadingModel model, IReadOnlyList<ReadingRow> rows) =>
        rows.Count == 0 ? new Fitted([], new double[0, 0], UsualModelError, new Dictionary<Guid, double>()) : new ReadingFit(model, rows).Run();

    /// <summary>By how much the strength of a jar may have moved from one day to another: a variance.</summary>
    public static double AgeingBetween(DateTimeOffset at, DateTimeOffset then) => JarPrior.AgeingPerRootMonth * JarPrior.AgeingPerRootMonth * Math.Abs((at - then).TotalDays) / DaysInMonth;

    private Fitted Run()
    {
        // Roughly first: it is weighed anew a few times.
        var covariance = Solve(Roughly);
        model.BeginAt(x, covariance, priorMeans);
        // How far off colours are by themselves is told by what is left over; then all is weighed anew.
        for (var round = 0; round < 3; round++)
        {
            modelError = ModelErrorNow(covariance);
            covariance = Solve(round < 2 ? Roughly : Settled);
        }

        return new Fitted(x, covariance.ToArray(), modelError, rows.ToDictionary(row => row.Id, row => row.Weight * Freedom / (Freedom + 3)));
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
            var (off, variance) = (x[i] - priorMeans[i], model.PriorVariance(i));
            normal[i, i] += 1 / variance;
            pull[i] -= off / variance;
            cost += off * off / (2 * variance);
        }

        model.MoveTo(x);
        for (var row = 0; row < rows.Count; row++)
            cost += Add(row, normal, pull);
        return (normal, pull, cost);
    }

    private double Add(int at, Matrix<double> normal, Vector<double> pull)
    {
        var row = rows[at];
        Span<Lab> slopes = stackalloc Lab[row.Unknowns.Length];
        var off = model.Off(at, slopes);
        Span<double> inverse = stackalloc double[9];
        InverseSpread(row, slopes, inverse);
        var distance = Form(inverse, off, off);
        row.Weight = (Freedom + 3) / (Freedom + distance);
        for (var i = 0; i < slopes.Length; i++)
        {
            pull[row.Unknowns[i]] += row.Weight * Form(inverse, slopes[i], off);
            for (var j = 0; j <= i; j++)
            {
                var (one, other, value) = (row.Unknowns[i], row.Unknowns[j], row.Weight * Form(inverse, slopes[i], slopes[j]));
                normal[one, other] += value;
                if (j < i)
                    normal[other, one] += value;
            }
        }

        return (Freedom + 3) / 2 * Math.Log(1 + distance / Freedom);
    }

    /// <summary>Of what a reading is off: by the instrument, by the model, by how its unknowns were another then, and by what else there is.</summary>
    private void InverseSpread(ReadingRow row, ReadOnlySpan<Lab> slopes, Span<double> inverse)
    {
        Span<double> spread = stackalloc double[9];
        spread.Clear();
        row.Beside?.CopyTo(spread);
        Spread.AddEvenly(spread, row.Noise);
        Spread.AddEvenly(spread, modelError);
        foreach (var (slot, variance) in row.Apart)
            Spread.Add(spread, slopes[slot], slopes[slot], variance);
        Spread.Invert(spread, inverse);
    }

    /// <summary>From what is left over of all readings, robustly: the median is not moved by slips.</summary>
    private double ModelErrorNow(Matrix<double> covariance)
    {
        model.MoveTo(x);
        var left = rows.Select((row, at) =>
        {
            var slopes = new Lab[row.Unknowns.Length];
            var off = model.Off(at, slopes);
            // What was fitted to it is missing from what is left over.
            double fitted = 0;
            for (var i = 0; i < slopes.Length; i++)
            {
                for (var j = 0; j < slopes.Length; j++)
                    fitted += covariance[row.Unknowns[i], row.Unknowns[j]] * Dot(slopes[i], slopes[j]);
            }

            // And what it is off by for other reasons is none of the model's.
            var beside = (row.Beside is { } known ? known[0] + known[4] + known[8] : 0) + row.Apart.Sum(apart => apart.Variance * Dot(slopes[apart.Slot], slopes[apart.Slot]));
            return (Square: Dot(off, off), Share: fitted / 3, Noise: row.Noise * row.Noise + beside / 3);
        }).ToList();
        // A third of the mean of the squares of three normal numbers, by their median.
        var median = MathNet.Numerics.Statistics.Statistics.Median(left.Select(one => one.Square)) / 2.366;
        var spread = median + left.Average(one => one.Share) - left.Average(one => one.Noise);
        return Math.Sqrt(Math.Max(0, (rows.Count * spread + TrustInUsual * UsualModelError * UsualModelError) / (rows.Count + TrustInUsual)));
    }

    private static double Dot(Lab one, Lab other) => one.L * other.L + one.A * other.A + one.B * other.B;

    private static double Form(ReadOnlySpan<double> matrix, Lab one, Lab other) =>
        one.L * (matrix[0] * other.L + matrix[1] * other.A + matrix[2] * other.B)
        + one.A * (matrix[3] * other.L + matrix[4] * other.A + matrix[5] * other.B)
        + one.B * (matrix[6] * other.L + matrix[7] * other.A + matrix[8] * other.B);
}
