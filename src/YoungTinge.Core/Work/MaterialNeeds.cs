using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>What plans take of one material, in its own measure.</summary>
/// <param name="Short">What is missing in the pot; 0 if there is enough, null if it is not known what is left.</param>
/// <param name="PieceIds">That it is for, in the order of the plans.</param>
public sealed record MaterialNeed(string MaterialId, Measure Measure, double Amount, double? Short, IReadOnlyList<Guid> PieceIds);

/// <summary>Adds up which materials plans use, how much of each, and which run short.</summary>
public static class MaterialNeeds
{
    /// <returns>In the order of the cabinet; materials that no plan uses are left out.</returns>
    public static IReadOnlyList<MaterialNeed> Of(IReadOnlyList<PlannedWork> works, Materials materials)
    {
        var needs = works.Where(work => work.Parts > 0).SelectMany(work => Uses(work, materials)).ToLookup(use => use.MaterialId);
        return [.. materials.All.Where(material => needs.Contains(material.Id)).Select(material => Sum(material, [.. needs[material.Id]]))];
    }

    /// <param name="Amount">Grams, or ml of what is poured.</param>
    private sealed record Use(string MaterialId, double Amount, Guid PieceId);

    private static MaterialNeed Sum(Material material, IReadOnlyList<Use> uses)
    {
        var total = uses.Sum(use => use.Amount);
        var pieces = uses.Select(use => use.PieceId).Distinct().ToList();
        return new MaterialNeed(material.Id, material.Measure, total, material.ShortFor(total), pieces);
    }

    private static IEnumerable<Use> Uses(PlannedWork work, Materials materials) => PasteUses(work).Concat(
        RunSheet.CoatSteps(work.Plan, work.Piece, work.Parts, materials).SelectMany(step => StepTakes.Of(step, work, materials)).Select(take => new Use(take.MaterialId, take.Amount, work.PieceId)));

    private static IEnumerable<Use> PasteUses(PlannedWork work)
    {
        var quantity = PasteQuantity.For(work.Piece, work.Parts);
        yield return new Use(work.Plan.Paste.BaseId, quantity.BatchG, work.PieceId);
        foreach (var dose in work.Plan.Paste.Doses)
            yield return new Use(dose.ColourantId, dose.GPer100g * quantity.BatchG / 100, work.PieceId);
    }
}
