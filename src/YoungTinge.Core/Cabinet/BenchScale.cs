namespace YoungTinge.Core.Cabinet;

/// <summary>The scale that pastes are weighed on, by its smallest step in g.</summary>
public static class BenchScale
{
    public const double UsualG = 0.1;

    public const double FinestG = 0.001;

    public const double CoarsestG = 10;

    /// <summary>Decimals that show a weight to the scale's step and no finer, 0 to 3.</summary>
    public static int DecimalsOf(double stepG)
    {
        for (var decimals = 0; decimals < 3; decimals++)
        {
            var steps = stepG * Math.Pow(10, decimals);
            if (Math.Abs(steps - Math.Round(steps)) < 1e-9)
                return decimals;
        }

        return 3;
    }

    public static bool IsPossible(double stepG) => stepG is >= FinestG and <= CoarsestG;
}
