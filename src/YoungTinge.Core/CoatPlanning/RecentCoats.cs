namespace YoungTinge.Core.CoatPlanning;

/// <summary>
/// The coats that a candidate was of late. A solver moves one amount and goes back, and what has been worked out for a coat holds for
/// the same one again.
/// </summary>
internal sealed class RecentCoats(CandidateCoat first)
{
    private CandidateCoat last = first;
    private CandidateCoat beforeLast = first;

    public CandidateCoat With(ReadOnlySpan<double> amounts)
    {
        if (!amounts.SequenceEqual(last.Amounts))
            (last, beforeLast) = (amounts.SequenceEqual(beforeLast.Amounts) ? beforeLast : last.With(amounts.ToArray()), last);
        return last;
    }
}
