using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Learning;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>What the planner may use, and for whom.</summary>
public sealed record PlannerRules(Guests Guests)
{
    /// <summary>Only what is not known to have run out. Default yes.</summary>
    public bool WithinStock { get; init; } = true;

    /// <summary>Jars that stand open for the rest of the commission: they are taken before another is opened. Default none.</summary>
    public IReadOnlySet<string> InUse { get; init; } = new HashSet<string>();

    /// <summary>The only jars that may be used; null for any. Default any.</summary>
    public IReadOnlySet<string>? Only { get; init; }

    /// <summary>What readings tell of the jars: of two pastes that are equals the surer is taken. Null if there are none. Default none.</summary>
    public LearnedJars? Learned { get; init; }

    public bool AllowsAll(IEnumerable<string> materialIds, Materials materials) => materialIds.All(id => Allows(materials.Get<Material>(id)));

    public bool Allows(Material material) =>
        Only?.Contains(material.Id) != false && !material.Label.IsRetired && !(Guests.EatIt && material.Label.FoodStatus != FoodStatus.Edible) && Guests.Diets.All(material.Label.Suits)
        && !(WithinStock && material.Supply.StockIn(material.Measure) is <= 0);
}
