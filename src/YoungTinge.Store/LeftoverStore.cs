using Npgsql;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store;

/// <summary>A leftover that goes into a paste of the day.</summary>
/// <param name="UsedG">What was taken when the paste was mixed; null before.</param>
public sealed record ChosenLeftover(string BlockKey, Guid BatchId, double? UsedG);

/// <summary>Leftovers that go into pastes of the day.</summary>
public sealed class LeftoverStore(NpgsqlDataSource dataSource)
{
    public async Task<IReadOnlyList<ChosenLeftover>> ListAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select block_key, batch_id, used_g from paste_day_leftover where studio_id = $1 order by block_key");
        command.Parameters.Add(Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var chosen = new List<ChosenLeftover>();
        while (await reader.ReadAsync(cancel))
            chosen.Add(new ChosenLeftover(reader.GetString(0), reader.GetGuid(1), reader.IsDBNull(2) ? null : reader.GetDouble(2)));
        return chosen;
    }

    /// <returns>False if there is no such batch, or the paste has been mixed already.</returns>
    public async Task<bool> UseAsync(Guid studioId, string blockKey, Guid batchId, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        return await RunAsync(connection, """
            insert into paste_day_leftover (studio_id, block_key, batch_id)
            select $1, $2, b.id
            from batch b
            where b.studio_id = $1 and b.id = $3 and b.left_g > 0
            on conflict (studio_id, block_key) do update set batch_id = excluded.batch_id
            where paste_day_leftover.used_g is null
            """, cancel, Of(studioId), Of(blockKey), Of(batchId)) > 0;
    }

    /// <summary>Mixes the paste afresh after all; nothing if it has been mixed already.</summary>
    public async Task LeaveAsync(Guid studioId, string blockKey, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from paste_day_leftover where studio_id = $1 and block_key = $2 and used_g is null", cancel, Of(studioId), Of(blockKey));
    }
}
