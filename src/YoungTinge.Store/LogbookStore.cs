using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Colour;

namespace YoungTinge.Store;

/// <summary>A log entry with the names of what it is about, or was.</summary>
/// <param name="FlowerId">Null if the piece is gone, or in the bin.</param>
public sealed record NamedLogEntry(LogEntry Entry, string PieceName, Guid? FlowerId, string FlowerName, string CommissionName);

public sealed class LogbookStore(NpgsqlDataSource dataSource)
{
    internal const string Columns = """
        e.id, e.piece_id, e.subject, e.predicted_l, e.predicted_a, e.predicted_b, e.actual_l, e.actual_a, e.actual_b, e.note, e.logged_at,
        e.mix::text, e.coats::text, e.read_by, e.predicted_range, e.logged_by, e.is_left_out, e.is_taken_out, e.version, e.laid::text, e.piece::text, e.rested_hours, e.light, e.learned::text, e.before::text
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
                rested_hours = $11, light = $12, learned = $13, mix = $14, predicted_range = $15, predicted_l = $16, predicted_a = $17, predicted_b = $18, before = $19, version = version + 1
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
        command.Parameters.Add(Json(entry.Before is { } before ? PlanJson.Write(before) : null));
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
            entries.Add(new NamedLogEntry(Read(reader), reader.GetString(25), reader.IsDBNull(26) ? null : reader.GetGuid(26), reader.GetString(27), reader.GetString(28)));
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
        Before = reader.IsDBNull(24) ? null : PlanJson.ReadLoggedReading(reader.GetString(24)),
    };

    private static Lab LabAt(NpgsqlDataReader reader, int column) =>
        new(reader.GetDouble(column), reader.GetDouble(column + 1), reader.GetDouble(column + 2));
}
