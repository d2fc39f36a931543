using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Mixing;

/// <summary>A dose in the unit that suits it best.</summary>
/// <param name="Exact">How many units the dose really is.</param>
public sealed record UnitChoice(DoseUnit Unit, double Exact)
{
    /// <summary>More of a small unit than this is counted wrong; the next larger one is then taken.</summary>
    private const double MostToCount = 40;

    /// <summary>Whole units to put in; at least one, since a recipe without one of its colours is another recipe.</summary>
    public int Whole => Math.Max(1, (int)Math.Round(Exact, MidpointRounding.AwayFromZero));

    public double RoundedG => Whole * Unit.MassG;

    /// <summary>More than a hand counts, even of the largest unit: weigh it.</summary>
    public bool IsTooMany => Whole > MostToCount;

    /// <summary>Too little to measure by this unit.</summary>
    public bool IsUnderOne => Exact < 0.75;

    /// <summary>Null if the colourant has no unit of its own: then only the scale measures it.</summary>
    public static UnitChoice? For(Colourant colourant, double grams)
    {
        DoseUnit? best = null;
        foreach (var unit in colourant.Units)
        {
            // Toothpick touches wherever the jar allows it, as makers do; drops and peas when the touches become too many.
            if (best is null || (unit.MassG < best.MassG ? grams / unit.MassG <= MostToCount : grams / best.MassG > MostToCount))
                best = unit;
        }

        return best is null ? null : new UnitChoice(best, grams / best.MassG);
    }
}
