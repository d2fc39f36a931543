using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Work;

/// <summary>Whether something may be eaten, and what is in it: by all that goes into or onto it, glue and wire counted in.</summary>
/// <param name="Status">Of the part that is least fit for food.</param>
/// <param name="Contains">Each ingredient once, in a fixed order.</param>
/// <param name="NotEdible">Ids of what is no food, in the order of the cabinet.</param>
public sealed record FoodFacts(FoodStatus Status, IReadOnlyList<Ingredient> Contains, IReadOnlyList<string> NotEdible)
{
    /// <param name="operations">All that is done for it.</param>
    public static FoodFacts Of(IEnumerable<Operation> operations, Materials materials)
    {
        var ids = operations.SelectMany(operation => operation.AllTakes().Select(take => take.MaterialId).Concat(operation.AlsoUses)).ToHashSet();
        var used = materials.All.Where(material => ids.Contains(material.Id)).ToList();
        return new FoodFacts(
            used.Select(material => material.Label.FoodStatus).DefaultIfEmpty(FoodStatus.Edible).Max(),
            [.. used.SelectMany(material => material.Label.Contains).Distinct().Order()],
            [.. used.Where(material => material.Label.FoodStatus != FoodStatus.Edible).Select(material => material.Id)]);
    }
}
