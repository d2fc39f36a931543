using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Planning;

namespace YoungTinge.Core.PasteDay;

/// <summary>What the work takes of one material, against what is there. Amounts are in its own measure.</summary>
/// <param name="Stock">Null if it is not known what is left.</param>
/// <param name="Short">Missing; 0 if there is enough, null if it is not known.</param>
/// <param name="Packs">To buy; null if it is not known what a pack holds.</param>
/// <param name="Cost">Of what is to be bought, by whole packs where they are known, in the studio's currency; null if that or the price is not known.</param>
public sealed record ShoppingLine(string MaterialId, Measure Measure, double Need, double? Stock, double? Short, int? Packs, double? Cost)
{
    public static ShoppingLine For(Material material, double need)
    {
        var (measure, supply, missing) = (material.Measure, material.Supply, material.ShortFor(need));
        // A pack is not opened for a thousandth of it.
        int? packs = missing is { } lacking && supply.PackSize is { } size ? (int)Math.Ceiling(lacking / size - 1e-3) : null;
        return new ShoppingLine(
            material.Id, measure, need, supply.StockIn(measure), missing, packs, (packs is { } whole ? whole * supply.PackSize : missing) * supply.PriceOfOne(measure));
    }
}

/// <summary>Everything that the pastes of the day and the coats after them take.</summary>
public static class Shopping
{
    /// <returns>In the order of the cabinet; what is not needed is left out.</returns>
    public static IReadOnlyList<ShoppingLine> For(IReadOnlyList<FlowerPaste> flowers, IReadOnlyList<PasteBlock> blocks, Materials materials)
    {
        var needs = blocks.SelectMany(Pastes)
            .Concat(flowers.SelectMany(flower => flower.Works).SelectMany(work => MaterialNeeds.CoatUses(work, materials)).Select(use => (use.MaterialId, use.Amount)))
            .ToLookup(need => need.Item1, need => need.Item2);
        return [.. materials.All.Select(material => (Material: material, Amount: needs[material.Id].Sum())).Where(need => need.Amount > 0)
            .Select(need => ShoppingLine.For(need.Material, need.Amount))];
    }

    private static IEnumerable<(string MaterialId, double Grams)> Pastes(PasteBlock block)
    {
        foreach (var part in block.Mixed)
        {
            // What a let-down leaves over was white paste too.
            yield return (part.Recipe.BaseId, part.FreshG + part.Batch.Colours.Sum(colour => colour.LetDown?.WasteG ?? 0));
            foreach (var colour in part.Batch.Colours)
                yield return (colour.ColourantId, colour.LetDown is { } letDown ? (letDown.Units + colour.CountedBesides) * letDown.Unit.MassG : colour.MeasuredG);
        }
    }
}
