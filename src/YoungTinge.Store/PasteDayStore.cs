using Npgsql;
using YoungTinge.Core.Cabinet;

namespace YoungTinge.Store;

/// <summary>A leftover that goes into a paste of the day.</summary>
/// <param name="UsedG">What was taken when the paste was mixed; null before.</param>
public sealed record ChosenLeftover(string BlockKey, Guid BatchId, double? UsedG);

/// <summary>A paste that is being ticked, with what follows from it.</summary>
/// <param name="Batches">That there are now.</param>
/// <param name="UsedG">Of the leftover that goes into it.</param>
/// <param name="PieceIds">That it is for.</param>
/// <param name="Takes">Out of the cabinet.</param>
public sealed record MixedBlock(string Key, IReadOnlyList<Batch> Batches, double UsedG, IReadOnlyList<Guid> PieceIds, IReadOnlyList<MaterialTake> Takes);

/// <summary>Of the paste-day sheet of a studio: its ticks, the batches that they make, and the leftovers that they take.</summary>
public sealed class PasteDayStore(NpgsqlDataSource dataSource) : TickStore(dataSource, "paste_day_tick", "studio_id")
{
    private readonly NpgsqlDataSource dataSource = dataSource;

    /// <summary>Ticks a paste as mixed: its batches are kept, and what it takes of a leftover is gone. Done again, it only renews the tick.</summary>
    public async Task MixedAsync(Guid studioId, MixedBlock mixed, string fingerprint, Materials materials, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await StockLedger.HoldAsync(connection, studioId, [mixed.Key], mixed.Takes.Select(take => take.MaterialId), cancel);
        var isNew = await TickAsync(connection, studioId, mixed.Key, fingerprint, cancel);
        if (isNew)
        {
            foreach (var batch in mixed.Batches)
                await BatchStore.WriteAsync(connection, studioId, batch, cancel);
            await RunAsync(connection, """
                with taken as (
                    update paste_day_leftover l set used_g = least($3, b.left_g)
                    from batch b
                    where l.studio_id = $1 and l.block_key = $2 and l.used_g is null and b.id = l.batch_id and b.left_g is not null
                    returning l.batch_id, l.used_g
                )
                update batch b set left_g = b.left_g - taken.used_g, version = version + 1
                from taken
                where b.id = taken.batch_id
                """, cancel, Of(studioId), Of(mixed.Key), Of(mixed.UsedG));
            await RunAsync(connection, "update paste_day_tick set piece_ids = $3 where studio_id = $1 and step_key = $2", cancel, Of(studioId), Of(mixed.Key), Of(mixed.PieceIds.ToArray()));
            var taken = await TakenByRunSheetsAsync(connection, studioId, mixed.PieceIds, cancel);
            var takes = mixed.Takes.GroupBy(take => take.MaterialId)
                .Select(group => new MaterialTake(group.Key, Math.Max(0, group.Sum(take => take.Amount) - taken.GetValueOrDefault(group.Key))));
            await StockLedger.TakeAsync(connection, studioId, mixed.Key, takes, materials, cancel);
        }

        await transaction.CommitAsync(cancel);
    }

    /// <summary>Takes a tick back: batches that nobody has touched since are forgotten, and a leftover has again what was taken of it.</summary>
    public async Task NotMixedAsync(Guid studioId, string key, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await StockLedger.HoldAsync(connection, studioId, [key], [], cancel);
        if (await UntickAsync(connection, studioId, key, cancel))
        {
            await RunAsync(connection, "delete from batch where studio_id = $1 and block_key = $2 and version = 1", cancel, Of(studioId), Of(key));
            await RunAsync(connection, """
                with given as (
                    update paste_day_leftover l set used_g = null
                    from paste_day_leftover was
                    where l.studio_id = $1 and l.block_key = $2 and was.studio_id = l.studio_id and was.block_key = l.block_key
                    returning was.batch_id, was.used_g
                )
                update batch b set left_g = least(b.made_g, b.left_g + coalesce(given.used_g, 0)), version = version + 1
                from given
                where b.id = given.batch_id and given.used_g > 0
                """, cancel, Of(studioId), Of(key));
            await StockLedger.GiveBackAsync(connection, studioId, key, cancel);
        }

        await transaction.CommitAsync(cancel);
    }

    /// <summary>What the pieces' own run sheets have taken for their paste.</summary>
    private static async Task<Dictionary<string, double>> TakenByRunSheetsAsync(
        NpgsqlConnection connection, Guid studioId, IReadOnlyList<Guid> pieceIds, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            select material_id, sum(amount) from stock_use
            where studio_id = $1 and split_part(tick_key, ':', 1) = 'piece' and split_part(tick_key, ':', 2) = any ($2) and split_part(tick_key, ':', 3) in ('paste', 'colour')
            group by material_id
            """, connection);
        command.Parameters.Add(Of(studioId));
        command.Parameters.Add(Of(pieceIds.Select(id => id.ToString()).ToArray()));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var taken = new Dictionary<string, double>();
        while (await reader.ReadAsync(cancel))
            taken[reader.GetString(0)] = reader.GetDouble(1);
        return taken;
    }

    public async Task<IReadOnlyList<ChosenLeftover>> LeftoversAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select block_key, batch_id, used_g from paste_day_leftover where studio_id = $1");
        command.Parameters.Add(Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var chosen = new List<ChosenLeftover>();
        while (await reader.ReadAsync(cancel))
            chosen.Add(new ChosenLeftover(reader.GetString(0), reader.GetGuid(1), reader.IsDBNull(2) ? null : reader.GetDouble(2)));
        return chosen;
    }

    /// <returns>False if there is no such batch, or the paste has been mixed already.</returns>
    public async Task<bool> UseLeftoverAsync(Guid studioId, string blockKey, Guid batchId, CancellationToken cancel)
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
    public async Task LeaveLeftoverAsync(Guid studioId, string blockKey, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from paste_day_leftover where studio_id = $1 and block_key = $2 and used_g is null", cancel, Of(studioId), Of(blockKey));
    }

    private static NpgsqlParameter Of<T>(T value) => new NpgsqlParameter<T> { TypedValue = value };

    private static async Task<int> RunAsync(NpgsqlConnection connection, string sql, CancellationToken cancel, params NpgsqlParameter[] values)
    {
        await using var command = new NpgsqlCommand(sql, connection);
        command.Parameters.AddRange(values);
        return await command.ExecuteNonQueryAsync(cancel);
    }
}
