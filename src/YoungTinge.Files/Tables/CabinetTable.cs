using System.Text.Json;
using YoungTinge.Core.Cabinet;

namespace YoungTinge.Files.Tables;

/// <summary>The cabinet as a CSV table or as JSON, out and in. Reading only looks: it says of every line what would happen.</summary>
public static class CabinetTable
{
    public const string JsonFormat = "young-tinge-cabinet";

    public static string WriteCsv(IEnumerable<Material> materials) => CsvTable.Write(
        [.. MaterialColumns.All.Select(column => column.Name)],
        materials.Select(MaterialRecord.Of).Select(sheet => (IReadOnlyList<string>)[.. MaterialColumns.All.Select(column => column.Of(sheet))]));

    /// <summary>An empty table with two examples.</summary>
    public static string Template()
    {
        MaterialRecord[] examples =
        [
            new() { Name = "Example colour gel", Kind = MaterialKind.Colourant, Form = "gel", FoodStatus = FoodStatus.Edible, StockG = 20, PricePerG = 0.15, TouchG = 0.012, LabelGPer100g = 0.5, Note = "Delete the examples." },
            new() { Name = "Example green wire", Kind = MaterialKind.Wire, FoodStatus = FoodStatus.NotFood, StockPieces = 50, Gauge = 24 },
        ];
        string[] looks = ["#c7405a", "#3e754d"];
        var columns = MaterialColumns.All.Where(column => column.InTemplate && column.Name != "id").ToList();
        return CsvTable.Write(
            [.. columns.Select(column => column.Name)],
            examples.Zip(looks, (sheet, look) => (IReadOnlyList<string>)[.. columns.Select(column => column.Name == "label_colour" ? look : column.Of(sheet))]));
    }

    public static string WriteJson(IEnumerable<Material> materials) =>
        JsonSerializer.Serialize(new CabinetFile(JsonFormat, 1, [.. materials.Select(MaterialRecord.Of)]), OpenJson.Options);

    /// <summary>What would happen to the cabinet. Columns that are not in the file stay as they are.</summary>
    public static TableResult<Material> ReadCsv(byte[] file, Materials cabinet)
    {
        var (rows, problem, columns, limit) = CsvTable.Read(file, [.. MaterialColumns.All.Select(column => column.Name)], ["name", "kind"]);
        if (problem is { } why)
            return new TableResult<Material>.Refused(why, limit, columns);
        return new TableResult<Material>.Read(Lines(rows.Select(row => (row.Number, SheetOf(row, cabinet))), cabinet));
    }

    public static TableResult<Material> ReadJson(byte[] file, Materials cabinet)
    {
        if (file.Length > CsvTable.LargestBytes)
            return new TableResult<Material>.Refused(TableProblem.TooLarge, CsvTable.LargestBytes / 1024.0 / 1024.0);
        if (OpenJson.Read<CabinetFile>(file) is not { Format: JsonFormat, Materials: { } sheets })
            return new TableResult<Material>.Refused(TableProblem.NotThisKind);
        if (sheets.Count > CsvTable.MostLines)
            return new TableResult<Material>.Refused(TableProblem.TooManyLines, CsvTable.MostLines);
        return new TableResult<Material>.Read(Lines(sheets.Select((sheet, i) => (i + 1, (Known(sheet, cabinet), (IReadOnlyList<LineProblem>)[]))), cabinet));
    }

    /// <summary>A JSON file that names a material without its id means the one of that name.</summary>
    private static MaterialRecord Known(MaterialRecord sheet, Materials cabinet) => sheet.Id is null ? sheet with { Id = Find(null, sheet.Name, cabinet)?.Id } : sheet;

    private static Material? Find(string? id, string name, Materials cabinet) => cabinet.All.FirstOrDefault(material =>
        id is null ? material.Label.Name.Equals(name.Trim(), StringComparison.OrdinalIgnoreCase) : material.Id == id);

    private static (MaterialRecord Sheet, IReadOnlyList<LineProblem> Problems) SheetOf(CsvRow row, Materials cabinet)
    {
        var name = row.Cells.GetValueOrDefault("name", "");
        var id = row.Cells.GetValueOrDefault("id", "") is { Length: > 0 } given ? given : null;
        var known = Find(id, name, cabinet);
        var sheet = known is null ? new MaterialRecord { Name = name, Kind = MaterialKind.Paste } : MaterialRecord.Of(known);
        var problems = new List<LineProblem>();
        foreach (var column in MaterialColumns.All)
        {
            if (!row.Cells.TryGetValue(column.Name, out var cell))
                continue;
            if (CsvTable.Meant(cell) is not { } meant)
                problems.Add(new LineProblem(column.Name, "formula", null, cell));
            else if (column.Put(sheet, meant) is { } changed)
                sheet = changed;
            else
                problems.Add(new LineProblem(column.Name, column.Wrong == MaterialRecordProblemCode.NotANumber && Numbers.IsAmbiguous(meant) ? "numberAmbiguous" : CodeOf(column.Wrong), null, cell));
        }

        return (sheet, problems);
    }

    private static List<Line<Material>> Lines(
        IEnumerable<(int Number, (MaterialRecord Sheet, IReadOnlyList<LineProblem> Problems) Read)> sheets, Materials cabinet)
    {
        var ids = cabinet.All.Select(material => material.Id).ToHashSet();
        var names = cabinet.All.ToDictionary(material => material.Label.Name, material => material.Id, StringComparer.OrdinalIgnoreCase);
        var taken = new HashSet<string>();
        var lines = new List<Line<Material>>();
        foreach (var (number, (sheet, wrongCells)) in sheets)
        {
            var problems = wrongCells.Concat(MaterialRecordCheck.Problems(sheet)
                .Select(problem => new LineProblem(ColumnOf(problem.Field), CodeOf(problem.Code), problem.Limit)))
                .DistinctBy(problem => problem.Column).ToList();
            var id = sheet.Id ?? MaterialId.From(sheet.Name, one => ids.Contains(one) || taken.Contains(one));
            if (problems.Count == 0 && !taken.Add(id))
                problems.Add(new LineProblem("id", "twiceInFile", null, id));
            var name = sheet.Name.Trim();
            var before = cabinet.Find(id);
            if (problems.Count == 0 && before is not null && MaterialKinds.Of(before) != sheet.Kind)
                problems.Add(new LineProblem("kind", "kindFixed", null, MaterialColumns.Word(sheet.Kind)));
            if (problems.Count == 0 && names.TryGetValue(name, out var owner) && owner != id)
                problems.Add(new LineProblem("name", "nameTaken", null, name));
            if (problems.Count > 0)
            {
                lines.Add(new Line<Material>(number, name, LineState.Bad, null, problems));
                continue;
            }

            names[name] = id;
            var material = MaterialFromRecord.Convert(sheet, id);
            var state = before is null ? LineState.New : Written(before) == Written(material) ? LineState.Same : LineState.Changed;
            lines.Add(new Line<Material>(number, name, state, material, []));
        }

        return lines;
    }

    private static string Written(Material material) => JsonSerializer.Serialize(MaterialRecord.Of(material), OpenJson.Options);

    private static string ColumnOf(string field) => MaterialColumns.All.FirstOrDefault(column => column.Field == field)?.Name ?? field;

    private static string CodeOf(MaterialRecordProblemCode code) => JsonNamingPolicy.CamelCase.ConvertName(code.ToString());
}

/// <summary>A cabinet as a JSON file.</summary>
public sealed record CabinetFile(string Format, int Version, IReadOnlyList<MaterialRecord> Materials);
