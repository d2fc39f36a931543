using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Work;

/// <summary>What the work still takes of one material, against what is there. Amounts are in its own measure.</summary>
/// <param name="MaterialId">Null for something that the cabinet does not hold at all.</param>
/// <param name="Gauge">Of a wire; null for the rest.</param>
/// <param name="Stock">Null if it is not known what is left.</param>
/// <param name="Short">Missing; 0 if there is enough, null if it is not known.</param>
/// <param name="Packs">To buy; null if it is not known what a pack holds.</param>
/// <param name="Cost">Of what is to be bought, by whole packs where they are known, in the studio's currency; null if that or the price is not known.</param>
public sealed record ShoppingLine(
    string? MaterialId, MaterialKind Kind, int? Gauge, Measure Measure, double Need, double? Stock, double? Short, int? Packs, double? Cost)
{
    /// <summary>Of a core that the cabinet does not hold; null for the rest.</summary>
    public double? DiameterMm { get; init; }

    public static ShoppingLine For(Material material, double need, int? gauge = null)
    {
        var (measure, supply, missing) = (material.Measure, material.Supply, material.ShortFor(need));
        // A pack is not opened for a thousandth of it.
        int? packs = missing is { } lacking && supply.PackSize is { } size ? (int)Math.Ceiling(lacking / size - 1e-3) : null;
        return new ShoppingLine(
            material.Id, MaterialKinds.Of(material), gauge, measure, need, supply.StockIn(measure), missing, packs,
            (packs is { } whole ? whole * supply.PackSize : missing) * supply.PriceOfOne(measure));
    }

    /// <summary>For a support that nothing in the cabinet does for.</summary>
    public static ShoppingLine Missing(MaterialKind kind, int? gauge, double? diameterMm, double need) => new(null, kind, gauge, kind.MeasuredIn(), need, 0, need, null, null) { DiameterMm = diameterMm };
}

/// <summary>Everything that is still to be done takes out of the cabinet, against what is there.</summary>
public static class Shopping
{
    /// <param name="operations">That are still to be done.</param>
    /// <returns>In the order of the cabinet, then what it does not hold; what is not needed is left out.</returns>
    public static IReadOnlyList<ShoppingLine> For(IReadOnlyList<Operation> operations, Materials materials)
    {
        var needs = operations.SelectMany(operation => operation.Takes).ToLookup(take => take.MaterialId, take => take.Amount);
        var supports = operations.SelectMany(operation => operation.Supports).ToList();
        return
        [
            .. materials.All.SelectMany(LinesOf),
            .. supports.Where(support => support.MaterialId is null).GroupBy(support => (support.Kind, support.Gauge, support.DiameterMm))
                .Select(group => ShoppingLine.Missing(group.Key.Kind, group.Key.Gauge, group.Key.DiameterMm, group.Sum(support => support.Amount))),
        ];

        IEnumerable<ShoppingLine> LinesOf(Material material)
        {
            if (needs[material.Id].Sum() is > 0 and var need)
                yield return ShoppingLine.For(material, need);
            foreach (var gauge in supports.Where(support => support.MaterialId == material.Id).GroupBy(support => support.Gauge).OrderBy(group => group.Key))
                yield return ShoppingLine.For(material, gauge.Sum(support => support.Amount), gauge.Key);
        }
    }
}
