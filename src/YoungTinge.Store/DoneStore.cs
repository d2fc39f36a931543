using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Cabinet;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store;

/// <summary>An operation that was ticked.</summary>
/// <param name="Fingerprint">Of what it was then; null if that is not known.</param>
/// <param name="By">Who ticked it; empty if that is not known.</param>
/// <param name="Went">What really went in; null for as planned.</param>
/// <param name="HouseMinutes">That it takes a hand by the house figures; null if that is not known.</param>
public sealed record Done(string OperationId, string? Fingerprint, DateTimeOffset At, string By, IReadOnlyList<MaterialTake>? Went, double? HouseMinutes);

/// <summary>From which note of a device a change of ticks comes: it counts once.</summary>
/// <param name="At">When it was done, which may be before it is told.</param>
public sealed record FromNote(Guid NoteId, DateTimeOffset At);

/// <summary>An operation that is being ticked, with what follows from it.</summary>
/// <param name="Takes">Out of the cabinet.</param>
public sealed record DoneOperation(string Id, string Fingerprint, IReadOnlyList<MaterialTake> Takes)
{
    /// <summary>What really went in, where that was other than planned: then it is what was taken.</summary>
    public IReadOnlyList<MaterialTake>? Went { get; init; }

    /// <summary>That it takes a hand by the house figures; null if it has changed since it was read.</summary>
    public double? HouseMinutes { get; init; }

    /// <summary>What there is of a paste when it has been made; empty for all else.</summary>
    public IReadOnlyList<Batch> Makes { get; init; } = [];

    /// <summary>Kinds of piece that a paste is for.</summary>
    public IReadOnlyList<Guid> PieceIds { get; init; } = [];

    /// <summary>Of the leftover that goes into it.</summary>
    public double LeftoverG { get; init; }

    /// <summary>Paste that is taken from a batch; null for all else.</summary>
    public (Guid BatchId, double Grams)? FromBatch { get; init; }
}

/// <summary>What has been done of the work, what it took, and the batches that it made.</summary>
public sealed class DoneStore(NpgsqlDataSource dataSource)
{
    public async Task<IReadOnlyList<Done>> ListAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select operation_id, fingerprint, done_at, done_by, went::text, house_minutes from operation_done where studio_id = $1");
        command.Parameters.Add(Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var done = new List<Done>();
        while (await reader.ReadAsync(cancel))
            done.Add(new Done(reader.GetString(0), reader.IsDBNull(1) ? null : reader.GetString(1), reader.GetFieldValue<DateTimeOffset>(2), reader.GetString(3), reader.IsDBNull(4) ? null : PlanJson.ReadTakes(reader.GetString(4)), reader.IsDBNull(5) ? null : reader.GetDouble(5)));
        return done;
    }

    /// <summary>
    /// Ticks operations, all or none, and takes out of the cabinet what they take; ticked again, what they take now. A paste that was made
    /// is not made again: its tick is only renewed.
    /// </summary>
    /// <param name="note">Null for what is told as it is done.</param>
    public async Task TickAsync(Guid studioId, IReadOnlyList<DoneOperation> operations, string by, Materials materials, CancellationToken cancel, FromNote? note = null)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (note is not null && !await BenchStore.IsNewAsync(connection, studioId, note.NoteId, cancel))
            return;
        await StockLedger.HoldAsync(connection, studioId, [.. operations.Select(one => one.Id)], operations.SelectMany(one => one.Went ?? one.Takes).Select(take => take.MaterialId), cancel);
        foreach (var one in operations.OrderBy(one => one.Id, StringComparer.Ordinal))
        {
            var isNew = await TickAsync(connection, studioId, one, by, note?.At, cancel);
            if (one.Makes.Count > 0)
            {
                if (isNew)
                    await MakeAsync(connection, studioId, one, materials, cancel);
                continue;
            }

            if (isNew && one.FromBatch is var (batchId, grams))
                await TakeFromBatchAsync(connection, studioId, one.Id, batchId, grams, cancel);
            await StockLedger.GiveBackAsync(connection, studioId, one.Id, cancel);
            await StockLedger.TakeAsync(connection, studioId, one.Id, one.Went ?? one.Takes, materials, cancel);
        }

        await transaction.CommitAsync(cancel);
    }

    /// <summary>Takes ticks back, and puts back what they took: batches that nobody has touched since are forgotten, and a leftover has again what was taken of it.</summary>
    public async Task UntickAsync(Guid studioId, IReadOnlyList<string> operationIds, CancellationToken cancel, FromNote? note = null)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (note is not null && !await BenchStore.IsNewAsync(connection, studioId, note.NoteId, cancel))
            return;
        await StockLedger.HoldAsync(connection, studioId, operationIds, [], cancel);
        foreach (var id in operationIds.Order(StringComparer.Ordinal))
        {
            if (await RunAsync(connection, "delete from operation_done where studio_id = $1 and operation_id = $2", cancel, Of(studioId), Of(id)) == 0)
                continue;
            await BenchStore.TakeBackDryAsync(connection, studioId, id, cancel);
            await RunAsync(connection, "delete from batch where studio_id = $1 and block_key = $2 and version = 1", cancel, Of(studioId), Of(id));
            await RunAsync(connection, """
                with given as (
                    update paste_day_leftover l set used_g = null
                    from paste_day_leftover was
                    where l.studio_id = $1 and l.block_key = $2 and was.studio_id = l.studio_id and was.block_key = l.block_key
                    returning was.batch_id, was.used_g
                )
                update batch b set left_g = least(b.made_g, b.left_g + coalesce(given.used_g, 0)), version = version + 1
                from given
                where b.studio_id = $1 and b.id = given.batch_id and given.used_g > 0
                """, cancel, Of(studioId), Of(id));
            // What is shaped from a batch was never chosen as a leftover for a paste.
            if (id.StartsWith("piece:", StringComparison.Ordinal))
                await RunAsync(connection, "delete from paste_day_leftover where studio_id = $1 and block_key = $2", cancel, Of(studioId), Of(id));
            await StockLedger.GiveBackAsync(connection, studioId, id, cancel);
        }

        await transaction.CommitAsync(cancel);
    }

    /// <returns>Whether it was not ticked before.</returns>
    private static async Task<bool> TickAsync(NpgsqlConnection connection, Guid studioId, DoneOperation one, string by, DateTimeOffset? at, CancellationToken cancel)
    {
        // A row that was put in, and not written over, has no older version of itself.
        await using var command = new NpgsqlCommand("""
            insert into operation_done (studio_id, operation_id, fingerprint, done_by, went, done_at, house_minutes)
            values ($1, $2, $3, $4, $5, coalesce($6, now()), $7)
            on conflict (studio_id, operation_id) do update set fingerprint = excluded.fingerprint, done_by = excluded.done_by, went = excluded.went, done_at = excluded.done_at, house_minutes = excluded.house_minutes
            returning xmax = 0
            """, connection);
        command.Parameters.AddRange(new[] { (NpgsqlParameter)Of(studioId), Of(one.Id), Of(one.Fingerprint), Of(by) });
        command.Parameters.Add(Maybe(NpgsqlDbType.Jsonb, one.Went is null ? null : PlanJson.Write(one.Went)));
        command.Parameters.Add(Maybe(NpgsqlDbType.TimestampTz, at?.ToUniversalTime()));
        command.Parameters.Add(Maybe(NpgsqlDbType.Double, one.HouseMinutes));
        return (bool)(await command.ExecuteScalarAsync(cancel))!;
    }

    private static async Task MakeAsync(NpgsqlConnection connection, Guid studioId, DoneOperation one, Materials materials, CancellationToken cancel)
    {
        foreach (var batch in one.Makes)
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
            """, cancel, Of(studioId), Of(one.Id), Of(one.LeftoverG));
        var taken = await WeighedBeforeAsync(connection, studioId, one.PieceIds, cancel);
        var takes = one.Takes.GroupBy(take => take.MaterialId).Select(group => new MaterialTake(group.Key, Math.Max(0, group.Sum(take => take.Amount) - taken.GetValueOrDefault(group.Key))));
        await StockLedger.TakeAsync(connection, studioId, one.Id, takes, materials, cancel);
    }

    private static Task TakeFromBatchAsync(NpgsqlConnection connection, Guid studioId, string operationId, Guid batchId, double grams, CancellationToken cancel) => RunAsync(connection, """
        with taken as (
            insert into paste_day_leftover (studio_id, block_key, batch_id, used_g)
            select $1, $2, b.id, least($4, b.left_g)
            from batch b
            where b.studio_id = $1 and b.id = $3 and b.left_g > 0
            on conflict (studio_id, block_key) do nothing
            returning batch_id, used_g
        )
        update batch b set left_g = b.left_g - taken.used_g, version = version + 1
        from taken
        where b.id = taken.batch_id
        """, cancel, Of(studioId), Of(operationId), Of(batchId), Of(grams));

    /// <summary>What run sheets of earlier builds have taken for a paste of their own: it is not taken twice.</summary>
    private static async Task<Dictionary<string, double>> WeighedBeforeAsync(NpgsqlConnection connection, Guid studioId, IReadOnlyList<Guid> pieceIds, CancellationToken cancel)
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
}
