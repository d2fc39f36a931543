using Npgsql;

namespace YoungTinge.Store;

/// <summary>A step that has been done.</summary>
/// <param name="Fingerprint">Of the step as it was then.</param>
public sealed record Tick(string StepKey, string Fingerprint, DateTimeOffset TickedAt);

public sealed class RunSheetStore(NpgsqlDataSource dataSource)
{
    public async Task<IReadOnlyList<Tick>> ListAsync(Guid pieceId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select step_key, fingerprint, ticked_at
            from run_sheet_tick
            where piece_id = $1
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = pieceId });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var ticks = new List<Tick>();
        while (await reader.ReadAsync(cancel))
            ticks.Add(new Tick(reader.GetString(0), reader.GetString(1), reader.GetFieldValue<DateTimeOffset>(2)));
        return ticks;
    }

    /// <summary>Ticks a step; ticking it again renews the tick.</summary>
    public async Task TickAsync(Guid pieceId, string stepKey, string fingerprint, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            insert into run_sheet_tick (piece_id, step_key, fingerprint)
            values ($1, $2, $3)
            on conflict (piece_id, step_key) do update set fingerprint = excluded.fingerprint, ticked_at = now()
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = pieceId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = stepKey });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = fingerprint });
        await command.ExecuteNonQueryAsync(cancel);
    }

    public async Task UntickAsync(Guid pieceId, string stepKey, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("delete from run_sheet_tick where piece_id = $1 and step_key = $2");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = pieceId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = stepKey });
        await command.ExecuteNonQueryAsync(cancel);
    }
}
