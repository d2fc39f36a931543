using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Store;

/// <summary>What came out. Colours are under daylight.</summary>
/// <param name="PieceId">Null when that is gone for good: what was logged outlives it.</param>
public sealed record LogEntry(Guid Id, Guid? PieceId, LogSubject Subject, Lab Predicted, Lab Actual, string Note, DateTimeOffset LoggedAt)
{
    /// <summary>What was kneaded then; null for entries of earlier builds, of which nothing is learned.</summary>
    public LoggedMix? Mix { get; init; }

    /// <summary>The plan of the piece as it was then; null for what is no piece.</summary>
    public PiecePlan? Plan { get; init; }

    /// <summary>The piece as it was then, to be made again; null for what is no piece, and of earlier builds.</summary>
    public Piece? Piece { get; init; }

    /// <summary>What lay in the zone; null for a paste, and where that is not known: nothing is learned of it then.</summary>
    public LoggedZone? Laid { get; init; }

    public ReadBy By { get; init; } = ReadBy.Typed;

    /// <summary>That it was looked at in.</summary>
    public LightKind Light { get; init; } = LightKind.Daylight;

    /// <summary>Of a paste that was read before its colour had come out: since it was kneaded. Null for all others.</summary>
    public double? RestedHours { get; init; }

    /// <summary>What was known when it was predicted; null where that is not known.</summary>
    public LoggedLearning? Learned { get; init; }

    /// <summary>CIEDE2000 that nine of ten were to come out within; null where nobody knew.</summary>
    public double? PredictedRange { get; init; }

    /// <summary>Empty if that is not known.</summary>
    public string LoggedBy { get; init; } = "";

    /// <summary>Nothing is learned of it.</summary>
    public bool IsLeftOut { get; init; }

    /// <summary>Not shown, and nothing is learned of it, until it is put back.</summary>
    public bool IsTakenOut { get; init; }

    /// <summary>Counts the saves.</summary>
    public int Version { get; init; } = 1;
}

/// <summary>So much of a jar, and which lot of it was open.</summary>
/// <param name="Lot">The maker's mark on the pot; empty if there was none.</param>
/// <param name="GPer100g">Of what was counted, by what its unit was thought to be then.</param>
public sealed record LoggedDose(string ColourantId, string Lot, double GPer100g)
{
    /// <summary>Null for what was weighed, and where that is not known.</summary>
    public LoggedCount? Counted { get; init; }
}

/// <summary>How a dose was counted.</summary>
/// <param name="IsWeighed">The maker had weighed some of the unit.</param>
/// <param name="TimesWritten">What one was thought to be then, against what was written of it.</param>
public sealed record LoggedCount(DoseUnitKind Unit, bool IsWeighed, double Count, double TimesWritten);

/// <summary>A paste as it was kneaded.</summary>
public sealed record LoggedMix(string BaseId, IReadOnlyList<LoggedDose> Doses)
{
    /// <summary>Before colour; null where that is not known.</summary>
    public double? PasteG { get; init; }

    public static LoggedMix Of(PasteRecipe recipe, Materials materials) =>
        new(recipe.BaseId, [.. recipe.WithoutNothing().Doses.Select(dose => new LoggedDose(dose.ColourantId, materials.Find(dose.ColourantId)?.Supply.Lot ?? "", dose.GPer100g))]);

    /// <param name="taught">The cabinet as the logbook has taught it to be.</param>
    /// <param name="known">What it has taught of units.</param>
    public static LoggedMix Of(MeasuredPaste measured, Materials taught, LearnedJars known)
    {
        var mix = Of(measured.Recipe(taught), taught);
        return mix with { PasteG = measured.PasteG, Doses = [.. mix.Doses.Select(dose => dose with { Counted = CountedOf(measured.Doses.First(one => one.ColourantId == dose.ColourantId)) })] };

        LoggedCount? CountedOf(MeasuredDose dose) =>
            dose.UnitOf(taught.Get<Colourant>(dose.ColourantId)) is { } unit ? new LoggedCount(unit.Kind, unit.IsWeighed, dose.Amount, known.TimesOf(OwnUnit.Of(unit))) : null;
    }

    /// <summary>The same jars where this names the same colours.</summary>
    public LoggedMix FromTheJarsOf(LoggedMix other) =>
        this with { Doses = [.. Doses.Select(dose => other.Doses.FirstOrDefault(one => one.ColourantId == dose.ColourantId) is { } same ? dose with { Lot = same.Lot } : dose)] };

    /// <summary>As it was measured; by weight where that is not known, and then for 100 g.</summary>
    public MeasuredPaste Measured => new(BaseId, PasteG ?? UnitG, [.. Doses.Select(dose => dose.Counted is { } counted && PasteG is not null
        ? new MeasuredDose(dose.ColourantId, counted.Unit, counted.Count) : new MeasuredDose(dose.ColourantId, null, dose.GPer100g * (PasteG ?? UnitG) / UnitG))]);

    private const double UnitG = 100;

    public PasteRecipe Recipe => new(BaseId, [.. Doses.Select(dose => new Dose(dose.ColourantId, dose.GPer100g))]);
}

/// <summary>A log entry with the names of what it is about, or was.</summary>
/// <param name="FlowerId">Null if the piece is gone, or in the bin.</param>
public sealed record NamedLogEntry(LogEntry Entry, string PieceName, Guid? FlowerId, string FlowerName, string CommissionName);

public sealed class LogbookStore(NpgsqlDataSource dataSource)
{
    internal const string Columns = """
        e.id, e.piece_id, e.subject, e.predicted_l, e.predicted_a, e.predicted_b, e.actual_l, e.actual_a, e.actual_b, e.note, e.logged_at,
        e.mix::text, e.coats::text, e.read_by, e.predicted_range, e.logged_by, e.is_left_out, e.is_taken_out, e.version, e.laid::text, e.piece::text, e.rested_hours, e.light, e.learned::text
        """;

    /// <summary>Adds an entry. Sending the same entry again changes nothing: a retry after a lost answer is safe.</summary>
    public Task AddAsync(Guid studioId, LogEntry entry, CancellationToken cancel) => AddAllAsync(studioId, [entry], cancel);

    /// <summary>Adds all of them or none; those that are there already stay as they are.</summary>
    public async Task AddAllAsync(Guid studioId, IReadOnlyList<LogEntry> entries, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        foreach (var entry in entries)
            await AddAsync(connection, studioId, entry, cancel);
        await transaction.CommitAsync(cancel);
    }

    internal static async Task AddAsync(NpgsqlConnection connection, Guid studioId, LogEntry entry, CancellationToken cancel)
    {
        // With the names that the piece has now; one that is gone, or never was, has none.
        await using var command = new NpgsqlCommand("""
            insert into log_entry (id, studio_id, piece_id, subject, predicted_l, predicted_a, predicted_b,
                actual_l, actual_a, actual_b, note, logged_at, mix, coats, read_by, predicted_range, logged_by, laid, piece, rested_hours, light, learned, piece_name, flower_name, commission_name)
            select $1, $2, p.id, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20, $21, $22, coalesce(p.name, ''), coalesce(f.name, ''), coalesce(c.name, '')
            from (select 1) one
            left join live_piece p on p.studio_id = $2 and p.id = $3
            left join flower f on f.studio_id = p.studio_id and f.id = p.flower_id
            left join commission c on c.studio_id = f.studio_id and c.id = f.commission_id
            where p.id is not null or $3 is null
            on conflict (studio_id, id) do nothing
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = entry.Id });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Uuid, entry.PieceId));
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Subject.WordFor(entry.Subject) });
        foreach (var value in new[] { entry.Predicted.L, entry.Predicted.A, entry.Predicted.B, entry.Actual.L, entry.Actual.A, entry.Actual.B })
            command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = value });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = entry.Note });
        command.Parameters.Add(new NpgsqlParameter<DateTime> { TypedValue = entry.LoggedAt.UtcDateTime, NpgsqlDbType = NpgsqlDbType.TimestampTz });
        command.Parameters.Add(Json(entry.Mix is { } mix ? PlanJson.Write(mix) : null));
        command.Parameters.Add(Json(entry.Plan is { } plan ? PlanJson.Write(plan) : null));
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Read.WordFor(entry.By) });
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Double, entry.PredictedRange));
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = entry.LoggedBy });
        command.Parameters.Add(Json(entry.Laid is { } laid ? PlanJson.Write(laid) : null));
        command.Parameters.Add(Json(entry.Piece is { } piece ? PlanJson.Write(piece) : null));
        AddHow(command, entry);
        await command.ExecuteNonQueryAsync(cancel);
    }

    private static void AddHow(NpgsqlCommand command, LogEntry entry)
    {
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Double, entry.RestedHours));
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Light.WordFor(entry.Light) });
        command.Parameters.Add(Json(entry.Learned is { } learned ? PlanJson.Write(learned) : null));
    }

    private static NpgsqlParameter Json(string? text) => Sql.Maybe(NpgsqlDbType.Jsonb, text);

    /// <summary>Mends what was read and what went in, leaves an entry out of what is learned, or takes it out; each over the version it was made from.</summary>
    /// <returns>The new version; null if there is no such entry, or it was changed in the meantime.</returns>
    public async Task<int?> ChangeAsync(Guid studioId, LogEntry entry, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            update log_entry
            set actual_l = $4, actual_a = $5, actual_b = $6, note = $7, read_by = $8, is_left_out = $9, is_taken_out = $10,
                rested_hours = $11, light = $12, learned = $13, mix = $14, predicted_range = $15, predicted_l = $16, predicted_a = $17, predicted_b = $18, version = version + 1
            where studio_id = $1 and id = $2 and version = $3
            returning version
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = entry.Id });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = entry.Version });
        foreach (var value in new[] { entry.Actual.L, entry.Actual.A, entry.Actual.B })
            command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = value });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = entry.Note });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Read.WordFor(entry.By) });
        command.Parameters.Add(new NpgsqlParameter<bool> { TypedValue = entry.IsLeftOut });
        command.Parameters.Add(new NpgsqlParameter<bool> { TypedValue = entry.IsTakenOut });
        AddHow(command, entry);
        command.Parameters.Add(Json(entry.Mix is { } mix ? PlanJson.Write(mix) : null));
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Double, entry.PredictedRange));
        foreach (var value in new[] { entry.Predicted.L, entry.Predicted.A, entry.Predicted.B })
            command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = value });
        return await command.ExecuteScalarAsync(cancel) as int?;
    }

    /// <returns>Null if there is none.</returns>
    public async Task<LogEntry?> FindAsync(Guid studioId, Guid id, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {Columns} from log_entry e where e.studio_id = $1 and e.id = $2");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel) ? Read(reader) : null;
    }

    /// <summary>Newest first, without what was taken out.</summary>
    /// <param name="pieceId">Only of this piece, or null for all.</param>
    public Task<IReadOnlyList<NamedLogEntry>> ListAsync(Guid studioId, Guid? pieceId, int most, CancellationToken cancel) =>
        ListAsync(studioId, "($2 is null or e.piece_id = $2) and not e.is_taken_out", pieceId, most, cancel);

    /// <returns>With the names of what it is about; null if there is none.</returns>
    public async Task<NamedLogEntry?> FindNamedAsync(Guid studioId, Guid id, CancellationToken cancel) => (await ListAsync(studioId, "e.id = $2", id, 1, cancel)).SingleOrDefault();

    /// <param name="condition">Ours, not a user's words; $2 is the id in it.</param>
    private async Task<IReadOnlyList<NamedLogEntry>> ListAsync(Guid studioId, string condition, Guid? id, int most, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"""
            select {Columns}, coalesce(p.name, e.piece_name), f.id, coalesce(f.name, e.flower_name), coalesce(c.name, e.commission_name)
            from log_entry e
            left join live_piece p on p.studio_id = e.studio_id and p.id = e.piece_id
            left join flower f on f.studio_id = p.studio_id and f.id = p.flower_id
            left join commission c on c.studio_id = f.studio_id and c.id = f.commission_id
            where e.studio_id = $1 and {condition}
            order by e.logged_at desc, e.id
            limit $3
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Uuid, id));
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = most });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var entries = new List<NamedLogEntry>();
        while (await reader.ReadAsync(cancel))
        {
            entries.Add(new NamedLogEntry(Read(reader), reader.GetString(24), reader.IsDBNull(25) ? null : reader.GetGuid(25), reader.GetString(26), reader.GetString(27)));
        }

        return entries;
    }

    internal static LogEntry Read(NpgsqlDataReader reader) => new(
        reader.GetGuid(0), reader.IsDBNull(1) ? null : reader.GetGuid(1), Words.Subject.ValueOf(reader.GetString(2)), LabAt(reader, 3), LabAt(reader, 6),
        reader.GetString(9), reader.GetFieldValue<DateTimeOffset>(10))
    {
        Mix = reader.IsDBNull(11) ? null : PlanJson.ReadLoggedMix(reader.GetString(11)),
        Plan = reader.IsDBNull(12) ? null : PlanJson.Read(reader.GetString(12)),
        By = Words.Read.ValueOf(reader.GetString(13)),
        PredictedRange = reader.IsDBNull(14) ? null : reader.GetDouble(14),
        LoggedBy = reader.GetString(15),
        IsLeftOut = reader.GetBoolean(16),
        IsTakenOut = reader.GetBoolean(17),
        Version = reader.GetInt32(18),
        Laid = reader.IsDBNull(19) ? null : PlanJson.ReadLoggedZone(reader.GetString(19)),
        Piece = reader.IsDBNull(20) ? null : PlanJson.ReadPiece(reader.GetString(20)),
        RestedHours = reader.IsDBNull(21) ? null : reader.GetDouble(21),
        Light = Words.Light.ValueOf(reader.GetString(22)),
        Learned = reader.IsDBNull(23) ? null : PlanJson.ReadLoggedLearning(reader.GetString(23)),
    };

    private static Lab LabAt(NpgsqlDataReader reader, int column) =>
        new(reader.GetDouble(column), reader.GetDouble(column + 1), reader.GetDouble(column + 2));
}
