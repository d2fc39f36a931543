using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Colour;

namespace YoungTinge.Store;

/// <summary>What a log entry is about: the paste, or a zone of the finished piece.</summary>
public enum LogSubject
{
    Paste,
    Rim,
    Tip,
    Heart,
    Base,
    Back,
}

/// <summary>What came out. Colours are under daylight.</summary>
/// <param name="PieceId">Null when that is gone for good: what was logged outlives it.</param>
public sealed record LogEntry(Guid Id, Guid? PieceId, LogSubject Subject, Lab Predicted, Lab Actual, string Note, DateTimeOffset LoggedAt);

/// <summary>A log entry with the names of what it is about, or was.</summary>
/// <param name="FlowerId">Null if the piece is gone, or in the bin.</param>
public sealed record NamedLogEntry(LogEntry Entry, string PieceName, Guid? FlowerId, string FlowerName, string CommissionName);

public sealed class LogbookStore(NpgsqlDataSource dataSource)
{
    internal const string Columns = """
        e.id, e.piece_id, e.subject, e.predicted_l, e.predicted_a, e.predicted_b, e.actual_l, e.actual_a, e.actual_b, e.note, e.logged_at
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
        await using var command = new NpgsqlCommand("""
            insert into log_entry (id, studio_id, piece_id, subject, predicted_l, predicted_a, predicted_b,
                actual_l, actual_a, actual_b, note, logged_at, piece_name, flower_name, commission_name)
            select $1, $2, p.id, $4, $5, $6, $7, $8, $9, $10, $11, $12, p.name, f.name, c.name
            from live_piece p
            join flower f on f.id = p.flower_id
            join commission c on c.id = f.commission_id
            where p.studio_id = $2 and p.id = $3
            on conflict (id) do nothing
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = entry.Id });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Uuid, Value = entry.PieceId is { } pieceId ? pieceId : DBNull.Value });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Subject.WordFor(entry.Subject) });
        foreach (var value in new[] { entry.Predicted.L, entry.Predicted.A, entry.Predicted.B, entry.Actual.L, entry.Actual.A, entry.Actual.B })
            command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = value });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = entry.Note });
        command.Parameters.Add(new NpgsqlParameter<DateTime> { TypedValue = entry.LoggedAt.UtcDateTime, NpgsqlDbType = NpgsqlDbType.TimestampTz });
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Newest first.</summary>
    /// <param name="pieceId">Only of this piece, or null for all.</param>
    public async Task<IReadOnlyList<NamedLogEntry>> ListAsync(Guid studioId, Guid? pieceId, int most, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"""
            select {Columns}, coalesce(p.name, e.piece_name), f.id, coalesce(f.name, e.flower_name), coalesce(c.name, e.commission_name)
            from log_entry e
            left join live_piece p on p.id = e.piece_id
            left join flower f on f.id = p.flower_id
            left join commission c on c.id = f.commission_id
            where e.studio_id = $1 and ($2 is null or e.piece_id = $2)
            order by e.logged_at desc, e.id
            limit $3
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Uuid, Value = pieceId is { } id ? id : DBNull.Value });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = most });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var entries = new List<NamedLogEntry>();
        while (await reader.ReadAsync(cancel))
        {
            entries.Add(new NamedLogEntry(Read(reader), reader.GetString(11), reader.IsDBNull(12) ? null : reader.GetGuid(12), reader.GetString(13), reader.GetString(14)));
        }

        return entries;
    }

    internal static LogEntry Read(NpgsqlDataReader reader) => new(
        reader.GetGuid(0), reader.IsDBNull(1) ? null : reader.GetGuid(1), Words.Subject.ValueOf(reader.GetString(2)), LabAt(reader, 3), LabAt(reader, 6),
        reader.GetString(9), reader.GetFieldValue<DateTimeOffset>(10));

    private static Lab LabAt(NpgsqlDataReader reader, int column) =>
        new(reader.GetDouble(column), reader.GetDouble(column + 1), reader.GetDouble(column + 2));
}
