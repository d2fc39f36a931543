namespace YoungTinge.Core.Cabinet;

/// <summary>The scale that pastes are weighed on, by its smallest step in g.</summary>
public static class BenchScale
{
    public const double UsualG = 0.1;

    public const double FinestG = 0.001;

    public const double CoarsestG = 10;

    public static bool IsPossible(double stepG) => stepG is >= FinestG and <= CoarsestG;
}
