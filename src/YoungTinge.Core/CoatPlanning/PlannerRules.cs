using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>What the planner may use, and for whom.</summary>
public sealed record PlannerRules(Guests Guests)
{
    /// <summary>Only what is not known to have run out. Default yes.</summary>
    public bool WithinStock { get; init; } = true;

    /// <summary>Jars that stand open for the rest of the commission: they are taken before another is opened. Default none.</summary>
    public IReadOnlySet<string> InUse { get; init; } = new HashSet<string>();

    public bool Allows(Material material) =>
        !material.Label.IsRetired && !(Guests.EatIt && material.Label.FoodStatus != FoodStatus.Edible) && Guests.Diets.All(material.Label.Suits)
        && !(WithinStock && material.Supply.StockIn(material.Measure) is <= 0);
}
