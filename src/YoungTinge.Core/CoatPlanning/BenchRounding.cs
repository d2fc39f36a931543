namespace YoungTinge.Core.CoatPlanning;

/// <summary>Amounts as a hand measures them.</summary>
internal static class BenchRounding
{
    private const int MostParts = 12;

    /// <summary>Less than this share of a mix is left out.</summary>
    private const double LeastShare = 0.03;

    /// <summary>How far a ratio may be off for smaller numbers.</summary>
    private const double GoodEnough = 0.06;

    /// <summary>Parts in small whole numbers, the whole in steps.</summary>
    public static CandidateCoat Rounded(CandidateCoat candidate, double step)
    {
        var total = candidate.Total;
        if (total <= 0)
            return candidate;
        var shares = candidate.Amounts.Select(amount => amount / total < LeastShare ? 0 : amount / total).ToArray();
        var parts = WholeParts(shares);
        return Scaled(candidate.With([.. parts.Select(part => (double)part)]), Math.Max(step, Math.Round(total / step) * step));
    }

    public static CandidateCoat Scaled(CandidateCoat candidate, double total)
    {
        var now = candidate.Total;
        return candidate.With([.. candidate.Amounts.Select(amount => amount / now * total)]);
    }

    /// <summary>The smallest whole numbers that are about in the ratio of the shares.</summary>
    public static int[] WholeParts(double[] shares)
    {
        var smallest = shares.Where(share => share > 0).Min();
        int[]? best = null;
        var bestError = double.PositiveInfinity;
        for (var least = 1; least <= 4; least++)
        {
            var parts = shares.Select(share => share == 0 ? 0 : Math.Max(1, (int)Math.Round(share / smallest * least))).ToArray();
            if (best is not null && parts.Max() > MostParts)
                break;
            double sum = parts.Sum(), whole = shares.Sum();
            var error = shares.Zip(parts).Max(one => Math.Abs(one.Second / sum - one.First / whole));
            if (error >= bestError - 1e-9)
                continue;
            (best, bestError) = (parts, error);
            if (error < GoodEnough / 3)
                break;
        }

        return best!;
    }
}
