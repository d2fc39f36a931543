using MathNet.Numerics.Distributions;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Learning;

/// <summary>How far a colour may be off, from the covariance of its L, a and b.</summary>
internal static class Spread
{
    private const int Draws = 240;

    /// <summary>The same each time: a standard normal point for each, well spread (Halton 1960).</summary>
    private static readonly (double X, double Y, double Z)[] Points =
        [.. Enumerable.Range(1, Draws).Select(i => (Normal.InvCDF(0, 1, Halton(i, 2)), Normal.InvCDF(0, 1, Halton(i, 3)), Normal.InvCDF(0, 1, Halton(i, 5))))];

    /// <summary>Adds the covariance that two slopes bring.</summary>
    /// <param name="spread">3 by 3, row by row.</param>
    public static void Add(Span<double> spread, Lab one, Lab other, double covariance)
    {
        ReadOnlySpan<double> left = [one.L, one.A, one.B], right = [other.L, other.A, other.B];
        for (var row = 0; row < 3; row++)
        {
            for (var column = 0; column < 3; column++)
                spread[3 * row + column] += covariance * left[row] * right[column];
        }
    }

    /// <summary>Adds all that the slopes bring together.</summary>
    /// <param name="covariance">Of two of the unknowns that they are by, by their places.</param>
    public static void Add(Span<double> spread, ReadOnlySpan<Lab> slopes, Func<int, int, double> covariance)
    {
        for (var i = 0; i < slopes.Length; i++)
        {
            for (var j = 0; j < slopes.Length; j++)
                Add(spread, slopes[i], slopes[j], covariance(i, j));
        }
    }

    /// <summary>Adds as much to L, a and b.</summary>
    /// <param name="deviation">A standard deviation in each.</param>
    public static void AddEvenly(Span<double> spread, double deviation)
    {
        for (var axis = 0; axis < 3; axis++)
            spread[4 * axis] += deviation * deviation;
    }

    /// <returns>CIEDE2000 that nine of ten are within.</returns>
    public static double NineOfTen(Lab colour, ReadOnlySpan<double> spread)
    {
        // Cholesky of 3 by 3; what has no spread of its own adds none.
        double a = Root(spread[0]), b = Over(spread[3], a), c = Over(spread[6], a);
        double d = Root(spread[4] - b * b), e = Over(spread[7] - b * c, d), f = Root(spread[8] - c * c - e * e);
        Span<double> off = stackalloc double[Draws];
        for (var i = 0; i < Draws; i++)
        {
            var (x, y, z) = Points[i];
            off[i] = DeltaE2000.Between(colour, new Lab(colour.L + a * x, colour.A + b * x + d * y, colour.B + c * x + e * y + f * z));
        }

        off.Sort();
        return off[(int)(0.9 * Draws)];
    }

    /// <param name="spread">3 by 3, symmetric and above nothing.</param>
    public static void Invert(ReadOnlySpan<double> spread, Span<double> inverse)
    {
        double a = spread[0], b = spread[1], c = spread[2], d = spread[4], e = spread[5], f = spread[8];
        double bigA = d * f - e * e, bigB = c * e - b * f, bigC = b * e - c * d;
        var determinant = a * bigA + b * bigB + c * bigC;
        inverse[0] = bigA / determinant;
        inverse[1] = inverse[3] = bigB / determinant;
        inverse[2] = inverse[6] = bigC / determinant;
        inverse[4] = (a * f - c * c) / determinant;
        inverse[5] = inverse[7] = (b * c - a * e) / determinant;
        inverse[8] = (a * d - b * b) / determinant;
    }

    /// <summary>One by the matrix by the other.</summary>
    /// <param name="matrix">3 by 3.</param>
    public static double Form(ReadOnlySpan<double> matrix, Lab one, Lab other) =>
        Times(matrix, other) is var (l, a, b) ? one.L * l + one.A * a + one.B * b : 0;

    /// <param name="matrix">3 by 3.</param>
    public static Lab Times(ReadOnlySpan<double> matrix, Lab by) => new(
        matrix[0] * by.L + matrix[1] * by.A + matrix[2] * by.B, matrix[3] * by.L + matrix[4] * by.A + matrix[5] * by.B, matrix[6] * by.L + matrix[7] * by.A + matrix[8] * by.B);

    private static double Root(double square) => Math.Sqrt(Math.Max(0, square));

    private static double Over(double value, double by) => by > 0 ? value / by : 0;

    private static double Halton(int index, int radix)
    {
        var (share, value) = (1.0, 0.0);
        for (var rest = index; rest > 0; rest /= radix)
        {
            share /= radix;
            value += share * (rest % radix);
        }

        return value;
    }
}
