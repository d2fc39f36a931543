namespace YoungTinge.Core.Mixing;

/// <summary>Of recipes that no eye tells apart, the one that is surer to come out so.</summary>
public static class SurestOfEquals
{
    /// <summary>Nobody sees a smaller difference, in CIEDE2000.</summary>
    private const double SameDeltaE = 0.2;

    /// <summary>Ranges that differ by less are alike, in CIEDE2000.</summary>
    private const double SameRange = 0.1;

    /// <summary>Nearest first, the surer of equals before the others; else in the order in which they come.</summary>
    /// <param name="deltaE">How far off a recipe is.</param>
    /// <param name="range">CIEDE2000 that nine of ten of it come out within.</param>
    public static IEnumerable<T> First<T>(IEnumerable<T> found, Func<T, double> deltaE, Func<T, double> range) =>
        found.OrderBy(one => Math.Floor(deltaE(one) / SameDeltaE)).ThenBy(one => Math.Round(range(one) / SameRange));
}
