using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Planning;

namespace YoungTinge.Core.PasteDay;

/// <summary>What the work takes of one material, against what is there.</summary>
/// <param name="Grams">Null for a glaze.</param>
/// <param name="Ml">Null for all but glazes.</param>
/// <param name="StockG">Null if it is not known what is left.</param>
/// <param name="ShortG">To buy at least; 0 if there is enough, null if it is not known.</param>
/// <param name="CostOfShort">In the studio's currency; null if that or the price is not known.</param>
public sealed record ShoppingLine(string MaterialId, double? Grams, double? Ml, double? StockG, double? ShortG, double? CostOfShort);

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
            .Select(need => Line(need.Material, need.Amount))];
    }

    private static ShoppingLine Line(Material material, double amount)
    {
        if (material is Glaze)
            return new ShoppingLine(material.Id, null, amount, null, null, null);
        double? shortG = material.Supply.StockG is { } left ? Math.Max(0, amount - left) : null;
        return new ShoppingLine(material.Id, amount, null, material.Supply.StockG, shortG, shortG * material.Supply.PricePerG);
    }

    private static IEnumerable<(string MaterialId, double Grams)> Pastes(PasteBlock block)
    {
        IEnumerable<(PasteRecipe? Recipe, DosedRecipe? Batch)> made =
        [
            (block.Recipe, block.Batch), .. block.Parts.Select(part => (part.Recipe, part.Batch)),
            .. block.Way?.Steps.Select(step => (step.Recipe, step.Batch)) ?? [],
        ];
        foreach (var (recipe, batch) in made)
        {
            if (recipe is null || batch is null)
                continue;
            // What a let-down leaves over was white paste too.
            yield return (recipe.BaseId, batch.PasteG + batch.Colours.Sum(colour => colour.LetDown?.WasteG ?? 0));
            foreach (var colour in batch.Colours)
                yield return (colour.ColourantId, colour.LetDown is { } letDown ? (letDown.Units + colour.CountedBesides) * letDown.Unit.MassG : colour.MeasuredG);
        }
    }
}
