using YoungTinge.Core.Cabinet;

namespace YoungTinge.Store;

public enum Measures
{
    /// <summary>Grams and millimetres.</summary>
    Metric,

    /// <summary>Ounces and inches.</summary>
    Imperial,
}

/// <summary>How a studio measures.</summary>
/// <param name="ScaleG">Smallest step of its scale (see <see cref="BenchScale"/>).</param>
/// <param name="LeftoverDeltaE">A leftover may go into a paste if that differs by no more, 0.1 to 10.</param>
public sealed record Measuring(Measures Measures, double ScaleG, double LeftoverDeltaE)
{
    /// <summary>Diameters of the maker's own sizing holes, from the smallest up; empty if she has none.</summary>
    public IReadOnlyList<double> HolesMm { get; init; } = [];

    public const double UsualDeltaE = 2;
    public const double LeastDeltaE = 0.1;
    public const double MostDeltaE = 10;
}
