using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Pictures;

/// <summary>
/// A plain cloth or card that a flower was laid on: one colour, a little darker or lighter across the picture. Against it even a petal
/// nearly as grey stands out, which no grouping of colours would tell.
/// </summary>
internal static class PlainMat
{
    /// <summary>Terms of a surface of second order over the picture.</summary>
    private const int Terms = 6;

    /// <summary>How far from the mat a cell may be to be counted to it, at each round of the fit (CIELAB).</summary>
    private static readonly double[] Rounds = [9, 6, 4, 3, 3];

    /// <summary>Less of the border than this of one colour: what lies behind is no plain mat.</summary>
    private const double LeastOfBorder = 0.8;

    /// <summary>Weave, noise and dents may be this many times their own usual size.</summary>
    private const double TimesUsual = 4.5;

    private const double LeastDistance = 1.8;

    /// <summary>L* from one cell to the next within a soft shadow, at most.</summary>
    private const double SoftStep = 1.2;

    private const double SameHue = 1.5;

    private const double LeastStanding = 0.02;

    /// <param name="seen">Cells to look at.</param>
    /// <param name="isBorder">Of those, whether it lies at an edge.</param>
    /// <returns>Whether each cell stands out from the mat; null if the picture has no plain mat.</returns>
    public static bool[]? StandsOut(IReadOnlyList<Lab> colours, int columns, IReadOnlyList<int> seen, Func<int, bool> isBorder)
    {
        var border = seen.Where(isBorder).ToList();
        if (border.Count < 4 * Terms)
            return null;
        double width = columns, height = Math.Max(1.0, (double)colours.Count / columns);
        void WriteTermsAt(int cell, Span<double> terms)
        {
            double x = cell % columns / width - 0.5, y = cell / columns / height - 0.5;
            (terms[0], terms[1], terms[2], terms[3], terms[4], terms[5]) = (1, x, y, x * x, x * y, y * y);
        }

        double[][] mat = [.. new[] { Common(border, cell => colours[cell].L), Common(border, cell => colours[cell].A), Common(border, cell => colours[cell].B) }
            .Select(level => new[] { level, 0, 0, 0, 0, 0 })];
        Lab MatAt(int cell)
        {
            Span<double> terms = stackalloc double[Terms];
            WriteTermsAt(cell, terms);
            return new Lab(Dot(mat[0], terms), Dot(mat[1], terms), Dot(mat[2], terms));
        }

        double Distance(int cell) => PatchReader.Distance(colours[cell], MatAt(cell));

        foreach (var reach in Rounds)
        {
            var members = seen.Where(cell => Distance(cell) < reach).ToList();
            if (members.Count < 4 * Terms || Fitted(members) is not { } better)
                return null;
            mat = better;
        }

        if (border.Count(cell => Distance(cell) < Rounds[^1]) < LeastOfBorder * border.Count)
            return null;
        var limit = Math.Max(LeastDistance, TimesUsual * PatchReader.Median(border.Select(Distance)));
        var stands = new bool[colours.Count];
        foreach (var cell in seen)
            stands[cell] = Distance(cell) > limit;
        TakeShadows(colours, columns, seen, stands, MatAt);
        // If nothing is left standing, it may be no mat but one close petal.
        return seen.Count(cell => stands[cell]) < LeastStanding * seen.Count ? null : stands;

        double[][]? Fitted(List<int> members)
        {
            var products = new double[Terms, Terms];
            var sums = new[] { new double[Terms], new double[Terms], new double[Terms] };
            Span<double> at = stackalloc double[Terms];
            foreach (var cell in members)
            {
                WriteTermsAt(cell, at);
                for (var i = 0; i < Terms; i++)
                {
                    for (var j = 0; j < Terms; j++)
                        products[i, j] += at[i] * at[j];
                    sums[0][i] += at[i] * colours[cell].L;
                    sums[1][i] += at[i] * colours[cell].A;
                    sums[2][i] += at[i] * colours[cell].B;
                }
            }

            var solved = sums.Select(sum => LinearSystem.Solve((double[,])products.Clone(), sum)).ToArray();
            return solved.Any(one => one is null) ? null : [.. solved.Select(one => one!)];
        }
    }

    /// <summary>
    /// The soft shadow round a flower belongs to the mat: the mat's own colour, darker, and darker little by little, while a petal
    /// begins at once.
    /// </summary>
    private static void TakeShadows(IReadOnlyList<Lab> colours, int columns, IReadOnlyList<int> seen, bool[] stands, Func<int, Lab> matAt)
    {
        var waiting = new Queue<int>(seen.Where(cell => !stands[cell]));
        while (waiting.TryDequeue(out var cell))
        {
            foreach (var next in new[] { cell - 1, cell + 1, cell - columns, cell + columns })
            {
                var isBeside = next >= 0 && next < colours.Count && Math.Abs(next % columns - cell % columns) <= 1;
                if (!isBeside || !stands[next] || Math.Abs(colours[next].L - colours[cell].L) > SoftStep || !IsInShade(colours[next], matAt(next)))
                    continue;
                stands[next] = false;
                waiting.Enqueue(next);
            }
        }
    }

    /// <summary>Less light scales a* and b* as it scales L* + 16 (CIELAB, above the linear part).</summary>
    private static bool IsInShade(Lab seen, Lab mat)
    {
        var share = (seen.L + 16) / (mat.L + 16);
        return share is > 0.6 and < 1 && Math.Pow(seen.A - share * mat.A, 2) + Math.Pow(seen.B - share * mat.B, 2) < SameHue * SameHue;
    }

    private static double Common(List<int> border, Func<int, double> level) => PatchReader.Median(border.Select(level));

    private static double Dot(ReadOnlySpan<double> one, ReadOnlySpan<double> other)
    {
        var sum = 0.0;
        for (var i = 0; i < one.Length; i++)
            sum += one[i] * other[i];
        return sum;
    }
}
