using System.Buffers;
using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace YoungTinge.Files.Tables;

/// <summary>A row of a CSV file by column name.</summary>
/// <param name="Number">Line in the file, from 1.</param>
internal sealed record CsvRow(int Number, IReadOnlyDictionary<string, string> Cells);

/// <summary>CSV as spreadsheets write it: comma, semicolon or tab between cells, quotes, any line ends, within limits.</summary>
internal static class CsvTable
{
    public const int LargestBytes = 4 * 1024 * 1024;
    public const int MostLines = 5000;

    /// <summary>Cells that a spreadsheet would run when it opens the file.</summary>
    private const string FormulaStarts = "=+-@\t\r";

    private static readonly SearchValues<char> MustBeQuoted = SearchValues.Create("\",;\t\r\n");

    /// <param name="known">All column names that may stand in the head.</param>
    /// <param name="needed">Those that must.</param>
    public static (IReadOnlyList<CsvRow> Rows, TableProblem? Problem, IReadOnlyList<string> Columns, double? Limit) Read(
        byte[] file, IReadOnlyCollection<string> known, IReadOnlyCollection<string> needed)
    {
        if (file.Length > LargestBytes)
            return ([], TableProblem.TooLarge, [], LargestBytes / 1024.0 / 1024.0);
        if (TextFile.Decode(file) is not { } text)
            return ([], TableProblem.NotText, [], null);
        if (string.IsNullOrWhiteSpace(text))
            return ([], TableProblem.Empty, [], null);

        using var reader = new StringReader(text);
        using var parser = new CsvParser(reader, new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            Delimiter = DelimiterOf(text),
            BadDataFound = null,
            IgnoreBlankLines = true,
            TrimOptions = TrimOptions.Trim,
        });
        if (!parser.Read())
            return ([], TableProblem.Empty, [], null);
        var head = parser.Record!.Select(PlainColumn).ToArray();
        if (head.Where(column => column != "").GroupBy(column => column).FirstOrDefault(same => same.Count() > 1) is { } twice)
            return ([], TableProblem.ColumnTwice, [twice.Key], null);
        if (head.Where(column => column != "" && !known.Contains(column)).ToList() is { Count: > 0 } unknown)
            return ([], TableProblem.ColumnsUnknown, unknown, null);
        if (needed.Except(head).ToList() is { Count: > 0 } missing)
            return ([], TableProblem.ColumnsMissing, missing, null);

        var rows = new List<CsvRow>();
        while (parser.Read())
        {
            if (rows.Count == MostLines)
                return ([], TableProblem.TooManyLines, [], MostLines);
            var cells = parser.Record!;
            if (cells.All(string.IsNullOrWhiteSpace))
                continue;
            rows.Add(new CsvRow(parser.RawRow, head.Index().Where(column => column.Item != "").ToDictionary(
                column => column.Item, column => column.Index < cells.Length ? cells[column.Index] : "")));
        }

        return (rows, rows.Count == 0 ? TableProblem.Empty : null, [], null);
    }

    public static string Write(IReadOnlyList<string> columns, IEnumerable<IReadOnlyList<string>> rows)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using var writer = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            NewLine = "\r\n",
            // Any kind of line break within a cell, not only the one that ends a row.
            ShouldQuote = one => one.Field.AsSpan().IndexOfAny(MustBeQuoted) >= 0 || one.Field != one.Field?.Trim(),
        });
        foreach (var row in rows.Prepend(columns))
        {
            foreach (var cell in row)
                writer.WriteField(Harmless(cell));
            writer.NextRecord();
        }

        writer.Flush();
        return text.ToString();
    }

    /// <summary>Words that a spreadsheet would take for a formula get an apostrophe before them; reading takes it off again.</summary>
    private static string Harmless(string cell) =>
        IsFormula(cell.AsSpan().TrimStart('\'')) && !Numbers.IsOne(cell) ? $"'{cell}" : cell;

    private static bool IsFormula(ReadOnlySpan<char> cell) => cell.Length > 0 && FormulaStarts.Contains(cell[0]);

    /// <summary>What was meant by a cell; null if it is a formula.</summary>
    public static string? Meant(string cell) => cell switch
    {
        ['\'', ..] when IsFormula(cell.AsSpan().TrimStart('\'')) => cell[1..],
        ['=' or '@', ..] => null,
        _ => cell,
    };

    private static string PlainColumn(string name) => name.Trim().ToLowerInvariant().Replace(' ', '_').Replace('-', '_');

    /// <summary>What parts the cells of the first line, outside of quotes.</summary>
    private static string DelimiterOf(string text)
    {
        var first = text.TrimStart().Split('\n', 2)[0];
        return new[] { ",", ";", "\t" }.MaxBy(delimiter => first.Split(delimiter).Length)!;
    }
}
