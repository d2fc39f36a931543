namespace YoungTinge.Core.Cabinet;

/// <summary>Parts of a mix in small whole numbers: one to eight, two to five.</summary>
public static class WholeParts
{
    /// <summary>Nobody counts more of one thing into a mix.</summary>
    private const int Most = 30;

    /// <summary>So far off a ratio is not seen, as a share.</summary>
    private const double Close = 0.06;

    /// <param name="parts">In any one unit, one of them above 0; what is 0 stays so.</param>
    /// <param name="most">Of one thing.</param>
    /// <returns>The fewest whole parts that are close to the ratios; the closest there are if none is.</returns>
    public static IReadOnlyList<int> Of(IReadOnlyList<double> parts, int most = Most)
    {
        var largest = parts.Max();
        int[]? closest = null;
        var least = double.PositiveInfinity;
        for (var of = 1; of <= most; of++)
        {
            int[] whole = [.. parts.Select(part => part <= 0 ? 0 : (int)Math.Max(1, Math.Round(part / largest * of)))];
            var off = parts.Zip(whole, (part, count) => part <= 0 ? 0 : Math.Abs(Math.Log(count / (double)of / (part / largest)))).Max();
            if (off < least - 1e-9)
                (closest, least) = (whole, off);
            if (off <= Close)
                break;
        }

        return closest!;
    }
}
