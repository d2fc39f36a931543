using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Work;

namespace YoungTinge.Files.Tables;

/// <summary>A shopping list as CSV.</summary>
public static class ShoppingTable
{
    private static readonly string[] Columns = ["material", "gauge", "diameter_mm", "measure", "need", "stock", "short", "pack_size", "packs", "cost", "currency"];

    /// <param name="currency">ISO 4217.</param>
    public static string WriteCsv(IEnumerable<ShoppingLine> lines, Materials materials, string currency) => CsvTable.Write(Columns, lines.Select(line =>
    {
        var material = line.MaterialId is { } id ? materials.Get<Material>(id) : null;
        return (IReadOnlyList<string>)
        [
            material?.Label.Name ?? MaterialColumns.Word(line.Kind), Number(line.Gauge), Number(line.DiameterMm), Word(line.Measure), Number(line.Need), Number(line.Stock), Number(line.Short), Number(material?.Supply.PackSize), Number(line.Packs),
            Number(line.Cost), line.Cost is null ? "" : currency,
        ];
    }));

    private static string Word(Measure measure) => measure switch
    {
        Measure.Grams => "g",
        Measure.Millilitres => "ml",
        _ => "pieces",
    };

    private static string Number(double? value) => value is { } number ? Numbers.Write(Math.Round(number, 3)) : "";
}
