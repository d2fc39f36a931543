using YoungTinge.Core.Cabinet;
using YoungTinge.Core.PasteDay;

namespace YoungTinge.Files.Tables;

/// <summary>A shopping list as CSV.</summary>
public static class ShoppingTable
{
    private static readonly string[] Columns = ["material", "need_g", "need_ml", "stock_g", "short_g", "cost_of_short", "currency"];

    /// <param name="currency">ISO 4217.</param>
    public static string WriteCsv(IEnumerable<ShoppingLine> lines, Materials materials, string currency) => CsvTable.Write(Columns, lines.Select(line => (IReadOnlyList<string>)
    [
        materials.Find(line.MaterialId)?.Label.Name ?? line.MaterialId, Number(line.Grams), Number(line.Ml), Number(line.StockG), Number(line.ShortG),
        Number(line.CostOfShort), line.CostOfShort is null ? "" : currency,
    ]));

    private static string Number(double? value) => value is { } number ? Numbers.Write(Math.Round(number, 3)) : "";
}
