using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Work;

/// <summary>What the work takes of one material, in its own measure.</summary>
/// <param name="Short">What is missing in the pot; 0 if there is enough, null if it is not known what is left.</param>
/// <param name="Uses">Kinds of piece, or whole flowers, that it is for.</param>
public sealed record MaterialNeed(string MaterialId, Measure Measure, double Amount, double? Short, IReadOnlyList<Lot> Uses);

/// <summary>Adds up which materials the work uses, how much of each, and which run short.</summary>
public static class MaterialNeeds
{
    /// <returns>In the order of the cabinet; materials that nothing uses are left out.</returns>
    public static IReadOnlyList<MaterialNeed> Of(IEnumerable<Operation> operations, Materials materials)
    {
        var needs = operations.SelectMany(operation => operation.AllTakes().Where(take => take.Amount > 0).Select(take => (take.MaterialId, take.Amount, operation.Lots))).ToLookup(take => take.MaterialId);
        return [.. materials.All.Where(material => needs.Contains(material.Id)).Select(material =>
        {
            var total = needs[material.Id].Sum(take => take.Amount);
            return new MaterialNeed(
                material.Id, material.Measure, total, material.ShortFor(total), [.. needs[material.Id].SelectMany(take => take.Lots).DistinctBy(lot => (lot.FlowerId, lot.PieceId))]);
        })];
    }
}
