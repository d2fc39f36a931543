namespace YoungTinge.Core.Mixing;

/// <summary>The maker's own sizing holes: a ball of paste that fills one holds the paste for a piece.</summary>
public static class SizingHoles
{
    public const int MaxCount = 30;
    public const double SmallestMm = 1;
    public const double LargestMm = 60;

    /// <summary>So much more than a piece takes is cut off unnoticed, as a share.</summary>
    private const double MostOver = 0.15;

    /// <summary>So much less is not missed either: a ball never fills its hole to the rim, and sizes are cut to a tenth of a millimetre.</summary>
    private const double MostUnder = 0.03;

    /// <summary>The smallest hole that holds a piece.</summary>
    /// <param name="holesMm">Diameters from the smallest up.</param>
    /// <param name="grams">One piece.</param>
    /// <returns>Its number from 1; null if none holds it, or only one that is far too large.</returns>
    public static int? For(double grams, IReadOnlyList<double> holesMm)
    {
        for (var i = 0; grams > 0 && i < holesMm.Count; i++)
        {
            if (BenchBall.GramsOf(holesMm[i]) >= grams * (1 - MostUnder))
                return BenchBall.GramsOf(holesMm[i]) <= grams * (1 + MostOver) ? i + 1 : null;
        }

        return null;
    }
}
