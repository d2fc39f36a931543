using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>
/// Nonlinear least squares between bounds: Levenberg-Marquardt (Marquardt 1963), held at the bounds, with slopes by small steps that are put right for a
/// few steps (Broyden 1965) before they are taken anew: each slope is a look at the whole piece.
/// </summary>
internal static class AmountSolver
{
    private const double FirstDamping = 1e-2;

    /// <summary>A step that gains less, as a share of what is missing, is the last.</summary>
    private const double SmallestGain = 1e-3;

    /// <summary>In squares of shares: from less, nothing can be told of slopes.</summary>
    private const double SmallestMove = 1e-12;

    /// <summary>Steps that go on from slopes only put right by what came of them, before slopes are taken anew.</summary>
    private const int StepsOnTheSameSlopes = 3;

    private const int TriesOnFreshSlopes = 6;

    /// <summary>Slopes that are not fresh are not worth more.</summary>
    private const int TriesOnOldSlopes = 2;

    /// <param name="start">Within the bounds 0 to <paramref name="most"/>.</param>
    /// <param name="miss">What is missing, in as many parts as it likes, always as many.</param>
    public static double[] Solve(double[] start, IReadOnlyList<double> most, Func<double[], double[]> miss, int steps)
    {
        var x = (double[])start.Clone();
        var missed = miss(x);
        var cost = SumOfSquares(missed);
        var damping = FirstDamping;
        var slopes = Slopes(x, missed, most, miss);
        // Steps since the slopes were taken.
        var old = 0;
        for (var step = 0; step < steps; step++)
        {
            var (normal, pull) = NormalEquations(slopes, missed);
            HoldAtBounds(x, most, normal, pull);
            var gain = 0.0;
            for (var tries = old > 0 ? TriesOnOldSlopes : TriesOnFreshSlopes; tries > 0 && gain <= 0; tries--, damping *= 5)
            {
                var a = (double[,])normal.Clone();
                for (var i = 0; i < x.Length; i++)
                    a[i, i] += damping * (normal[i, i] + 1e-9);
                if (LinearSystem.Solve(a, pull) is not { } move)
                    continue;
                var next = x.Select((value, i) => Math.Clamp(value - move[i] * most[i], 0, most[i])).ToArray();
                var nextMissed = miss(next);
                var nextCost = SumOfSquares(nextMissed);
                PutRight(slopes, [.. next.Zip(x, most).Select(one => (one.First - one.Second) / one.Third)], missed, nextMissed);
                if (nextCost >= cost)
                    continue;
                gain = cost - nextCost;
                (x, missed, cost) = (next, nextMissed, nextCost);
                damping /= 15;
            }

            var isDone = gain < SmallestGain * (1 + cost);
            if (isDone && old == 0)
                break;
            old = isDone || old == StepsOnTheSameSlopes ? 0 : old + 1;
            if (old == 0 && step + 1 < steps)
                slopes = Slopes(x, missed, most, miss);
        }

        return x;
    }

    /// <summary>In shares of what each may be at most, so that steps compare.</summary>
    private static double[][] Slopes(double[] x, double[] missed, IReadOnlyList<double> most, Func<double[], double[]> miss)
    {
        const double share = 1e-3;
        var slopes = new double[x.Length][];
        for (var i = 0; i < x.Length; i++)
        {
            var step = x[i] + share * most[i] <= most[i] ? share : -share;
            var moved = (double[])x.Clone();
            moved[i] += step * most[i];
            var slope = slopes[i] = miss(moved);
            for (var part = 0; part < slope.Length; part++)
                slope[part] = (slope[part] - missed[part]) / step;
        }

        return slopes;
    }

    /// <summary>The least change of the slopes by which a step would have come out as it did, in place (Broyden 1965).</summary>
    private static void PutRight(double[][] slopes, double[] moved, double[] before, double[] after)
    {
        var square = SumOfSquares(moved);
        if (square < SmallestMove)
            return;
        for (var part = 0; part < before.Length; part++)
        {
            var off = after[part] - before[part];
            for (var i = 0; i < moved.Length; i++)
                off -= slopes[i][part] * moved[i];
            for (var i = 0; i < moved.Length; i++)
                slopes[i][part] += off * moved[i] / square;
        }
    }

    private static (double[,] Normal, double[] Pull) NormalEquations(double[][] slopes, double[] missed)
    {
        var normal = new double[slopes.Length, slopes.Length];
        var pull = new double[slopes.Length];
        for (var i = 0; i < slopes.Length; i++)
        {
            pull[i] = Dot(slopes[i], missed);
            for (var j = 0; j <= i; j++)
                normal[i, j] = normal[j, i] = Dot(slopes[i], slopes[j]);
        }

        return (normal, pull);
    }

    private static double Dot(double[] one, double[] other)
    {
        var sum = 0.0;
        for (var i = 0; i < one.Length; i++)
            sum += one[i] * other[i];
        return sum;
    }

    /// <summary>What stands at a bound and pulls outward stays there, so that the others are solved without it.</summary>
    private static void HoldAtBounds(double[] x, IReadOnlyList<double> most, double[,] normal, double[] pull)
    {
        for (var i = 0; i < x.Length; i++)
        {
            if (!((x[i] <= 0 && pull[i] > 0) || (x[i] >= most[i] && pull[i] < 0)))
                continue;
            pull[i] = 0;
            for (var j = 0; j < x.Length; j++)
                normal[i, j] = normal[j, i] = i == j ? 1 : 0;
        }
    }

    private static double SumOfSquares(double[] parts) => Dot(parts, parts);
}
