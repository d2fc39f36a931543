using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Files.Tables;

/// <summary>An entry of the logbook, as a file holds it.</summary>
/// <param name="Zone">Null for the paste.</param>
public sealed record LogRow(
    Guid Id, Guid PieceId, string Commission, string Flower, string Piece, [property: JsonIgnore(Condition = JsonIgnoreCondition.Never)] Zone? Zone, Lab Predicted, Lab Actual, string Note, DateTimeOffset LoggedAt)
{
    public ReadBy By { get; init; } = ReadBy.Typed;

    /// <summary>That it was looked at in.</summary>
    public LightKind Light { get; init; } = LightKind.Daylight;

    /// <summary>Of a paste that was read before its colour had come out, since it was kneaded.</summary>
    public double? RestedHours { get; init; }

    /// <summary>Of a paste; null where that is not known, and nothing is learned of it.</summary>
    public LogMix? Mix { get; init; }
}

/// <summary>What a piece is called, to find it by name.</summary>
public sealed record PieceName(Guid Id, string Commission, string Flower, string Piece);

/// <summary>The logbook as a CSV table or as JSON, out and in. Entries are added, never changed: what came out, came out.</summary>
public static class LogTable
{
    public const string JsonFormat = "young-tinge-logbook";
    private const string Paste = "paste";
    private const int LongestNote = 2000;

    /// <summary>A logbook of years has to be small enough to be taken in again.</summary>
    private static readonly JsonSerializerOptions Compact = new(OpenJson.Options) { WriteIndented = false };

    private static readonly string[] Columns =
    [
        "id", "logged_at", "piece_id", "commission", "flower", "piece", "of",
        "predicted_l", "predicted_a", "predicted_b", "actual_l", "actual_a", "actual_b", "read_by", "light", "rested_hours", "paste", "colours", "note",
    ];

    private static readonly string[] Needed = ["logged_at", "of", "predicted_l", "predicted_a", "predicted_b", "actual_l", "actual_a", "actual_b"];

    public static string WriteCsv(IEnumerable<LogRow> rows) => CsvTable.Write(Columns, rows.Select(row => (IReadOnlyList<string>)
    [
        row.Id.ToString(), row.LoggedAt.ToUniversalTime().ToString("O", CultureInfo.InvariantCulture), row.PieceId.ToString(), row.Commission, row.Flower, row.Piece,
        row.Zone is { } zone ? MaterialColumns.Word(zone) : Paste,
        .. new[] { row.Predicted, row.Actual }.SelectMany(lab => new[] { lab.L, lab.A, lab.B }).Select(Numbers.Write),
        MaterialColumns.Word(row.By), MaterialColumns.Word(row.Light), row.RestedHours is { } hours ? Numbers.Write(hours) : "", row.Mix?.PasteId ?? "", row.Mix?.Colours ?? "", row.Note,
    ]));

    public static string Template() => CsvTable.Write(
        [.. Columns.Where(column => column is not ("id" or "piece_id"))],
        [["2026-05-04T09:30:00Z", "Name of the commission", "Name of the flower", "Name of the piece", Paste, "84.1", "-6.0", "22.5", "82.9", "-5.1", "24.0", "reader", "daylight", "", "Name of the paste", "Name of a colour=0.2; Name of another=0.05", "Delete this example."]]);

    public static string WriteJson(IEnumerable<LogRow> rows) => JsonSerializer.Serialize(new LogFile(JsonFormat, 1, [.. rows]), Compact);

    /// <param name="cabinet">All that entries may name is in it.</param>
    public static TableResult<LogRow> ReadCsv(byte[] file, IReadOnlyList<PieceName> pieces, IReadOnlySet<Guid> known, Materials cabinet)
    {
        var (rows, problem, columns, limit) = CsvTable.Read(file, Columns, Needed);
        return problem is { } why
            ? new TableResult<LogRow>.Refused(why, limit, columns)
            : new TableResult<LogRow>.Read(Lines(rows.Select(row => (row.Number, RowOf(row))), pieces, known, cabinet));
    }

    /// <param name="cabinet">All that entries may name is in it.</param>
    public static TableResult<LogRow> ReadJson(byte[] file, IReadOnlyList<PieceName> pieces, IReadOnlySet<Guid> known, Materials cabinet)
    {
        if (file.Length > CsvTable.LargestBytes)
            return new TableResult<LogRow>.Refused(TableProblem.TooLarge, CsvTable.LargestBytes / 1024.0 / 1024.0);
        if (OpenJson.Read<LogFile>(file) is not { Format: JsonFormat, Entries: { } entries })
            return new TableResult<LogRow>.Refused(TableProblem.NotThisKind);
        return entries.Count > CsvTable.MostLines
            ? new TableResult<LogRow>.Refused(TableProblem.TooManyLines, CsvTable.MostLines)
            : new TableResult<LogRow>.Read(Lines(entries.Select((row, i) => (i + 1, (row, (IReadOnlyList<LineProblem>)[]))), pieces, known, cabinet));
    }

    private static (LogRow Row, IReadOnlyList<LineProblem> Problems) RowOf(CsvRow row)
    {
        var problems = new List<LineProblem>();
        string Cell(string column) => row.Cells.GetValueOrDefault(column, "");
        string Text(string column)
        {
            if (CsvTable.Meant(Cell(column)) is { } meant)
                return meant;
            problems.Add(new LineProblem(column, "formula", null, Cell(column)));
            return "";
        }

        double Number(string column)
        {
            if (Numbers.TryRead(Cell(column), out var number))
                return number;
            problems.Add(new LineProblem(column, Numbers.IsAmbiguous(Cell(column)) ? "numberAmbiguous" : "notANumber", null, Cell(column)));
            return 0;
        }

        Guid Id(string column)
        {
            if (Cell(column) == "" || Guid.TryParse(Cell(column), out _))
                return Guid.TryParse(Cell(column), out var id) ? id : Guid.Empty;
            problems.Add(new LineProblem(column, "idWrong", null, Cell(column)));
            return Guid.Empty;
        }

        Zone? zone = null;
        if (!Cell("of").Equals(Paste, StringComparison.OrdinalIgnoreCase))
        {
            zone = MaterialColumns.Of<Zone>(Cell("of"));
            if (zone is null)
                problems.Add(new LineProblem("of", "unknownWord", null, Cell("of")));
        }

        const DateTimeStyles utc = DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal;
        if (!DateTimeOffset.TryParse(Cell("logged_at"), CultureInfo.InvariantCulture, utc, out var at) || at.Year is < 2000 or > 2100)
            problems.Add(new LineProblem("logged_at", "dateWrong", null, Cell("logged_at")));
        var read = new LogRow(
            Id("id"), Id("piece_id"), Text("commission"), Text("flower"), Text("piece"), zone,
            new Lab(Number("predicted_l"), Number("predicted_a"), Number("predicted_b")), new Lab(Number("actual_l"), Number("actual_a"), Number("actual_b")), Text("note"), at)
        {
            By = Word("read_by", ReadBy.Typed),
            Light = Word("light", LightKind.Daylight),
            RestedHours = Cell("rested_hours") == "" ? null : Number("rested_hours"),
            Mix = Mix(),
        };
        return (read, problems);

        T Word<T>(string column, T usual) where T : struct, Enum
        {
            if (Cell(column) == "" || MaterialColumns.Of<T>(Cell(column)) is not null)
                return MaterialColumns.Of<T>(Cell(column)) ?? usual;
            problems.Add(new LineProblem(column, "unknownWord", null, Cell(column)));
            return usual;
        }

        LogMix? Mix()
        {
            if (Cell("paste") == "" && Cell("colours") == "")
                return null;
            if (LogMix.Read(Text("colours")) is { } doses)
                return new LogMix(Text("paste"), doses);
            problems.Add(new LineProblem("colours", "mixWrong", null, Cell("colours")));
            return null;
        }
    }

    private static List<Line<LogRow>> Lines(
        IEnumerable<(int Number, (LogRow Row, IReadOnlyList<LineProblem> Problems) Read)> rows, IReadOnlyList<PieceName> pieces, IReadOnlySet<Guid> known, Materials cabinet)
    {
        var taken = new HashSet<Guid>();
        var lines = new List<Line<LogRow>>();
        foreach (var (number, (written, wrongCells)) in rows)
        {
            var row = written with { Mix = written.Mix is { } mix ? Found(mix, cabinet) : null };
            var problems = wrongCells.Concat(Problems(row, cabinet)).DistinctBy(problem => problem.Column).ToList();
            // A paste that was kneaded to be looked at is of no piece.
            var isOfNone = row is { Mix: not null, Zone: null, Flower: "", Piece: "" } && row.PieceId == Guid.Empty;
            var name = isOfNone ? row.Mix!.Colours : $"{row.Flower}, {row.Piece}";
            var piece = isOfNone ? null : pieces.FirstOrDefault(one => one.Id == row.PieceId) ?? pieces.FirstOrDefault(one => row.PieceId == Guid.Empty
                && Same(one.Flower, row.Flower) && Same(one.Piece, row.Piece) && (row.Commission == "" || Same(one.Commission, row.Commission)));
            // What is in the logbook already stays there, also when its piece is gone.
            if (piece is null && !isOfNone && problems.Count == 0 && !known.Contains(row.Id))
                problems.Add(new LineProblem("piece", "unknownPiece", null, row.PieceId == Guid.Empty ? name : row.PieceId.ToString()));
            var whole = piece is null ? row : row with { PieceId = piece.Id, Commission = piece.Commission, Flower = piece.Flower, Piece = piece.Piece };
            if (whole.Id == Guid.Empty)
                whole = whole with { Id = IdOf(whole) };
            if (problems.Count == 0 && !taken.Add(whole.Id))
                problems.Add(new LineProblem("id", "twiceInFile"));
            lines.Add(problems.Count > 0
                ? new Line<LogRow>(number, name, LineState.Bad, null, problems)
                : new Line<LogRow>(number, isOfNone ? name : $"{whole.Flower}, {whole.Piece}", known.Contains(whole.Id) ? LineState.Same : LineState.New, whole, []));
        }

        return lines;
    }

    /// <summary>The same with the ids of what is called by its name.</summary>
    private static LogMix Found(LogMix mix, Materials cabinet)
    {
        string IdOf(string name) => cabinet.Find(name)?.Id ?? cabinet.All.FirstOrDefault(material => Same(material.Label.Name, name))?.Id ?? name;
        return new LogMix(IdOf(mix.PasteId), [.. mix.Doses.Select(dose => dose with { ColourId = IdOf(dose.ColourId) })]);
    }

    private static IEnumerable<LineProblem> Problems(LogRow row, Materials cabinet)
    {
        if (row.Zone is not null && row.RestedHours is not null)
            yield return new LineProblem("rested_hours", "onlyOfPaste");
        if (row.RestedHours is { } hours && hours is not (>= 0 and <= PasteReading.MostRestedHours))
            yield return new LineProblem("rested_hours", "outOfRange", PasteReading.MostRestedHours);
        if (row.Mix is { } mix)
        {
            if (row.Zone is not null)
                yield return new LineProblem("paste", "onlyOfPaste");
            if (!cabinet.Has<PasteBase>(mix.PasteId))
                yield return new LineProblem("paste", "notInCabinet", null, mix.PasteId);
            foreach (var dose in mix.Doses)
            {
                if (!cabinet.Has<Colourant>(dose.ColourId))
                    yield return new LineProblem("colours", "notInCabinet", null, dose.ColourId);
                if (dose.GPer100g is not (> 0 and <= MadeBatch.MostGPer100g))
                    yield return new LineProblem("colours", "outOfRange", MadeBatch.MostGPer100g, dose.ColourId);
            }

            if (mix.Doses.DistinctBy(dose => dose.ColourId).Count() < mix.Doses.Count)
                yield return new LineProblem("colours", "colourTwice");
            if (mix.Doses.Count > PasteRecipe.MostDoses)
                yield return new LineProblem("colours", "tooManyColours", PasteRecipe.MostDoses);
        }

        foreach (var (what, lab) in new[] { ("predicted", row.Predicted), ("actual", row.Actual) })
        {
            if (!(lab.L is >= 0 and <= 100 && lab.A is >= -150 and <= 150 && lab.B is >= -150 and <= 150))
                yield return new LineProblem($"{what}_l", "notAColour");
        }

        if (row.Note.Length > LongestNote)
            yield return new LineProblem("note", "tooLong", LongestNote);
    }

    private static bool Same(string one, string other) => one.Trim().Equals(other.Trim(), StringComparison.OrdinalIgnoreCase);

    /// <summary>The same entry taken in twice has the same id, so it is there once.</summary>
    private static Guid IdOf(LogRow row)
    {
        var words = string.Create(CultureInfo.InvariantCulture, $"{row.PieceId}|{row.Zone}|{row.LoggedAt.UtcTicks}|{row.Actual.L:R}|{row.Actual.A:R}|{row.Actual.B:R}|{row.Note}{(row.Mix is { } mix ? $"|{mix.PasteId}|{mix.Colours}" : "")}");
        return new Guid(SHA256.HashData(Encoding.UTF8.GetBytes(words)).AsSpan(0, 16));
    }
}

/// <summary>A logbook as a JSON file.</summary>
public sealed record LogFile([property: JsonRequired] string Format, int Version, [property: JsonRequired] IReadOnlyList<LogRow> Entries);
