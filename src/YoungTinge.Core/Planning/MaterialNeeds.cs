using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Planning;

/// <summary>One piece to make, with its plan.</summary>
/// <param name="Parts">Flowers or buds that it is made for.</param>
public sealed record PlannedWork(Guid PieceId, Piece Piece, int Parts, PiecePlan Plan);

/// <summary>What plans take of one material.</summary>
/// <param name="Grams">Dusts, colours and pastes; null for a glaze.</param>
/// <param name="Ml">Glazes; null for the rest.</param>
/// <param name="ShortG">What is missing in the pot; 0 if there is enough, null if it is not known what is left.</param>
/// <param name="PieceIds">That it is for, in the order of the plans.</param>
public sealed record MaterialNeed(string MaterialId, double? Grams, double? Ml, double? ShortG, IReadOnlyList<Guid> PieceIds);

/// <summary>Adds up which materials plans use, how much of each, and which run short.</summary>
public static class MaterialNeeds
{
    /// <returns>In the order of the cabinet; materials that no plan uses are left out.</returns>
    public static IReadOnlyList<MaterialNeed> Of(IReadOnlyList<PlannedWork> works, Materials materials)
    {
        var needs = works.SelectMany(work => Uses(work, materials)).ToLookup(use => use.MaterialId);
        return [.. materials.All.Where(material => needs.Contains(material.Id)).Select(material => Sum(material, [.. needs[material.Id]]))];
    }

    /// <param name="Amount">Grams, or ml of a glaze.</param>
    internal sealed record Use(string MaterialId, double Amount, Guid PieceId);

    private static MaterialNeed Sum(Material material, IReadOnlyList<Use> uses)
    {
        var total = uses.Sum(use => use.Amount);
        var pieces = uses.Select(use => use.PieceId).Distinct().ToList();
        return material is Glaze
            ? new MaterialNeed(material.Id, null, total, null, pieces)
            : new MaterialNeed(material.Id, total, null, material.Supply.StockG is { } left ? Math.Max(0, total - left) : null, pieces);
    }

    private static IEnumerable<Use> Uses(PlannedWork work, Materials materials) => PasteUses(work).Concat(CoatUses(work, materials));

    private static IEnumerable<Use> PasteUses(PlannedWork work)
    {
        var quantity = PasteQuantity.For(work.Piece, work.Parts);
        yield return new Use(work.Plan.Paste.BaseId, quantity.BatchG, work.PieceId);
        foreach (var dose in work.Plan.Paste.Doses)
            yield return new Use(dose.ColourantId, dose.GPer100g * quantity.BatchG / 100, work.PieceId);
    }

    internal static IEnumerable<Use> CoatUses(PlannedWork work, Materials materials)
    {
        var shape = work.Piece.Shape();
        var quantity = PasteQuantity.For(work.Piece, work.Parts);
        foreach (var coat in work.Plan.Coats)
        {
            if (coat is DustCoat dust)
            {
                foreach (var amount in CoatAmounts.Dust(dust, shape, quantity.Pieces))
                    yield return new Use(amount.DustId, amount.Grams, work.PieceId);
            }
            else if (coat is GlazeCoat glaze)
            {
                yield return new Use(glaze.GlazeId, glaze.Coats * CoatAmounts.GlazeMlPerCoat(glaze, shape, quantity.Pieces, materials), work.PieceId);
            }
        }
    }
}
