using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>Nonlinear least squares between bounds: Levenberg-Marquardt (Marquardt 1963) with slopes by small steps, held at the bounds.</summary>
internal static class AmountSolver
{
    private const double FirstDamping = 1e-2;
    private const double SmallestGain = 1e-4;

    /// <param name="start">Within the bounds 0 to <paramref name="most"/>.</param>
    /// <param name="miss">What is missing, in as many parts as it likes, always as many.</param>
    public static double[] Solve(double[] start, IReadOnlyList<double> most, Func<double[], double[]> miss, int steps)
    {
        var x = (double[])start.Clone();
        var missed = miss(x);
        var cost = SumOfSquares(missed);
        var damping = FirstDamping;
        for (var step = 0; step < steps; step++)
        {
            var (normal, pull) = Slopes(x, missed, most, miss);
            HoldAtBounds(x, most, normal, pull);
            var better = false;
            for (var tries = 0; tries < 6 && !better; tries++, damping *= 5)
            {
                var a = (double[,])normal.Clone();
                for (var i = 0; i < x.Length; i++)
                    a[i, i] += damping * (normal[i, i] + 1e-9);
                if (LinearSystem.Solve(a, pull) is not { } move)
                    continue;
                var next = x.Select((value, i) => Math.Clamp(value - move[i] * most[i], 0, most[i])).ToArray();
                var nextMissed = miss(next);
                var nextCost = SumOfSquares(nextMissed);
                if (nextCost >= cost)
                    continue;
                var gain = cost - nextCost;
                (x, missed, cost, better) = (next, nextMissed, nextCost, true);
                damping /= 15;
                if (gain < SmallestGain * (1 + cost))
                    return x;
            }

            if (!better)
                break;
        }

        return x;
    }

    /// <summary>In shares of what each may be at most, so that steps compare.</summary>
    private static (double[,] Normal, double[] Pull) Slopes(double[] x, double[] missed, IReadOnlyList<double> most, Func<double[], double[]> miss)
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

        var normal = new double[x.Length, x.Length];
        var pull = new double[x.Length];
        for (var i = 0; i < x.Length; i++)
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
