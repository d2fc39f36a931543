using Npgsql;

namespace YoungTinge.Store;

/// <summary>What has been done of the paste-day sheet.</summary>
public sealed class PasteDayStore(NpgsqlDataSource dataSource)
{
    public const int LongestKey = 200;

    public async Task<IReadOnlyList<Tick>> ListAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select step_key, fingerprint, ticked_at from paste_day_tick where studio_id = $1");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var ticks = new List<Tick>();
        while (await reader.ReadAsync(cancel))
            ticks.Add(new Tick(reader.GetString(0), reader.GetString(1), reader.GetFieldValue<DateTimeOffset>(2)));
        return ticks;
    }

    /// <summary>Ticks a step; ticking it again renews the tick.</summary>
    public async Task TickAsync(Guid studioId, string stepKey, string fingerprint, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            insert into paste_day_tick (studio_id, step_key, fingerprint)
            values ($1, $2, $3)
            on conflict (studio_id, step_key) do update set fingerprint = excluded.fingerprint, ticked_at = now()
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = stepKey });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = fingerprint });
        await command.ExecuteNonQueryAsync(cancel);
    }

    public async Task UntickAsync(Guid studioId, string stepKey, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("delete from paste_day_tick where studio_id = $1 and step_key = $2");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = stepKey });
        await command.ExecuteNonQueryAsync(cancel);
    }
}
