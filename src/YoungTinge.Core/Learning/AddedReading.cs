using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Learning;

/// <summary>
/// One reading more, without looking at all others again: they are all in what is known and how surely (iterated extended Kalman update; Bell and Cathey 1993), with
/// the same weights of a Student-t distribution. What the others weigh and how far colours are off by themselves stays as it was.
/// </summary>
internal static class AddedReading
{
    private const int Rounds = 6;

    /// <param name="model">Of this one reading, by the unknowns that are known.</param>
    public static Fitted Add(Fitted known, ReadingModel model, ReadingRow row)
    {
        var n = known.X.Length;
        var x = (double[])known.X.Clone();
        var slopes = new Lab[row.Unknowns.Length];
        var pulled = new Lab[n];
        var gain = new Lab[n];
        Span<double> spread = stackalloc double[9], inverse = stackalloc double[9];
        for (var round = 0; round < Rounds; round++)
        {
            model.MoveTo(x);
            var off = model.Off(0, slopes);
            row.InverseSpread(slopes, known.ModelError, inverse);
            row.Weight = ReadingRow.WeightOf(Spread.Form(inverse, off, off));
            // Of what it is off, how much is its own, and how much is the doubt in what is known.
            row.SpreadOf(slopes, known.ModelError, spread);
            for (var i = 0; i < 9; i++)
                spread[i] /= row.Weight;
            for (var i = 0; i < n; i++)
                pulled[i] = Sum(slopes, slot => known.Covariance[i, row.Unknowns[slot]]);
            for (var slot = 0; slot < slopes.Length; slot++)
                Spread.Add(spread, slopes[slot], pulled[row.Unknowns[slot]], 1);
            Spread.Invert(spread, inverse);
            // Off by what was known, not by where this round stands.
            var moved = Sum(slopes, slot => x[row.Unknowns[slot]] - known.X[row.Unknowns[slot]]);
            off = new Lab(off.L + moved.L, off.A + moved.A, off.B + moved.B);
            for (var i = 0; i < n; i++)
            {
                gain[i] = Spread.Times(inverse, pulled[i]);
                x[i] = known.X[i] + gain[i].L * off.L + gain[i].A * off.A + gain[i].B * off.B;
            }
        }

        var covariance = (double[,])known.Covariance.Clone();
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < n; j++)
                covariance[i, j] -= gain[i].L * pulled[j].L + gain[i].A * pulled[j].A + gain[i].B * pulled[j].B;
        }

        return known with { X = x, Covariance = covariance, Trust = new Dictionary<Guid, double>(known.Trust) { [row.Id] = row.Trust } };
    }

    private static Lab Sum(ReadOnlySpan<Lab> slopes, Func<int, double> times)
    {
        var (l, a, b) = (0.0, 0.0, 0.0);
        for (var slot = 0; slot < slopes.Length; slot++)
        {
            var by = times(slot);
            (l, a, b) = (l + by * slopes[slot].L, a + by * slopes[slot].A, b + by * slopes[slot].B);
        }

        return new Lab(l, a, b);
    }
}
