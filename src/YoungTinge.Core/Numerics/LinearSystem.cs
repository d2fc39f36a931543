namespace YoungTinge.Core.Numerics;

/// <summary>
/// Small dense linear systems by Gaussian elimination with row pivoting, for the hot paths: no matrix objects are made. Elsewhere
/// MathNet.Numerics does it.
/// </summary>
internal static class LinearSystem
{
    /// <summary>Solves A x = b. A is overwritten.</summary>
    /// <returns>Null if A is singular.</returns>
    public static double[]? Solve(double[,] a, double[] b)
    {
        var n = b.Length;
        var x = (double[])b.Clone();
        for (var column = 0; column < n; column++)
        {
            var pivot = column;
            for (var row = column + 1; row < n; row++)
            {
                if (Math.Abs(a[row, column]) > Math.Abs(a[pivot, column]))
                    pivot = row;
            }

            if (a[pivot, column] == 0)
                return null;
            if (pivot != column)
            {
                for (var k = column; k < n; k++)
                    (a[column, k], a[pivot, k]) = (a[pivot, k], a[column, k]);
                (x[column], x[pivot]) = (x[pivot], x[column]);
            }

            for (var row = column + 1; row < n; row++)
            {
                var factor = a[row, column] / a[column, column];
                if (factor == 0)
                    continue;
                for (var k = column; k < n; k++)
                    a[row, k] -= factor * a[column, k];
                x[row] -= factor * x[column];
            }
        }

        for (var row = n - 1; row >= 0; row--)
        {
            for (var k = row + 1; k < n; k++)
                x[row] -= a[row, k] * x[k];
            x[row] /= a[row, row];
        }

        return x;
    }
}
