using Npgsql;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;

namespace YoungTinge.Store;

/// <summary>A step that has been done.</summary>
/// <param name="Fingerprint">Of the step as it was then.</param>
public sealed record Tick(string StepKey, string Fingerprint, DateTimeOffset TickedAt);

/// <summary>What has been done of a sheet.</summary>
/// <param name="table">That holds the ticks: ours, never a user's word.</param>
/// <param name="owner">Its column that says whose sheet it is.</param>
public abstract class TickStore(NpgsqlDataSource dataSource, string table, string owner)
{
    public async Task<IReadOnlyList<Tick>> ListAsync(Guid ownerId, CancellationToken cancel) => [.. (await ListAllAsync([ownerId], cancel))[ownerId]];

    /// <summary>Of many sheets at once; an owner without ticks has none.</summary>
    public async Task<ILookup<Guid, Tick>> ListAllAsync(IReadOnlyList<Guid> ownerIds, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {owner}, step_key, fingerprint, ticked_at from {table} where {owner} = any($1)");
        command.Parameters.Add(new NpgsqlParameter<Guid[]> { TypedValue = [.. ownerIds] });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var ticks = new List<(Guid OwnerId, Tick Tick)>();
        while (await reader.ReadAsync(cancel))
            ticks.Add((reader.GetGuid(0), new Tick(reader.GetString(1), reader.GetString(2), reader.GetFieldValue<DateTimeOffset>(3))));
        return ticks.ToLookup(one => one.OwnerId, one => one.Tick);
    }

    /// <summary>Ticks a step; ticking it again renews the tick.</summary>
    public async Task TickAsync(Guid ownerId, string stepKey, string fingerprint, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await TickAsync(connection, ownerId, stepKey, fingerprint, cancel);
    }

    /// <returns>Whether it was not ticked before.</returns>
    protected async Task<bool> TickAsync(NpgsqlConnection connection, Guid ownerId, string stepKey, string fingerprint, CancellationToken cancel)
    {
        // A row that was put in, and not written over, has no older version of itself.
        await using var command = new NpgsqlCommand($"""
            insert into {table} ({owner}, step_key, fingerprint)
            values ($1, $2, $3)
            on conflict ({owner}, step_key) do update set fingerprint = excluded.fingerprint, ticked_at = now()
            returning xmax = 0
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = ownerId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = stepKey });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = fingerprint });
        return (bool)(await command.ExecuteScalarAsync(cancel))!;
    }

    /// <returns>Whether it was ticked.</returns>
    protected async Task<bool> UntickAsync(NpgsqlConnection connection, Guid ownerId, string stepKey, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand($"delete from {table} where {owner} = $1 and step_key = $2", connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = ownerId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = stepKey });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }
}

/// <summary>A step that is being ticked.</summary>
/// <param name="Takes">Out of the cabinet.</param>
public sealed record TickedStep(RunStep Step, string Fingerprint, IReadOnlyList<MaterialTake> Takes);

/// <summary>Of the run sheet of a piece.</summary>
public sealed class RunSheetStore(NpgsqlDataSource dataSource) : TickStore(dataSource, "run_sheet_tick", "piece_id")
{
    private readonly NpgsqlDataSource dataSource = dataSource;

    /// <summary>
    /// Ticks steps, and takes out of the cabinet what they take; ticked again, what they take now. A paste that has been made on paste
    /// day is not taken twice.
    /// </summary>
    public async Task TickAsync(Guid studioId, Guid pieceId, IReadOnlyList<TickedStep> steps, Materials materials, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var keys = steps.ToDictionary(one => one, one => StockLedger.PieceKey(pieceId, one.Step.Key));
        await StockLedger.HoldAsync(connection, studioId, [.. keys.Values], steps.SelectMany(one => one.Takes).Select(take => take.MaterialId), cancel);
        var isMixed = await IsMixedAsync(connection, studioId, pieceId, cancel);
        foreach (var one in steps.OrderBy(one => one.Step.Key, StringComparer.Ordinal))
        {
            await TickAsync(connection, pieceId, one.Step.Key, one.Fingerprint, cancel);
            await StockLedger.GiveBackAsync(connection, studioId, keys[one], cancel);
            if (one.Step is not (WeighPaste or AddColour) || !isMixed)
                await StockLedger.TakeAsync(connection, studioId, keys[one], one.Takes, materials, cancel);
        }

        await transaction.CommitAsync(cancel);
    }

    /// <summary>Takes ticks back, and puts back what they took.</summary>
    public async Task UntickAsync(Guid studioId, Guid pieceId, IReadOnlyList<string> stepKeys, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await StockLedger.HoldAsync(connection, studioId, [.. stepKeys.Select(key => StockLedger.PieceKey(pieceId, key))], [], cancel);
        foreach (var key in stepKeys.Order(StringComparer.Ordinal))
        {
            await UntickAsync(connection, pieceId, key, cancel);
            await StockLedger.GiveBackAsync(connection, studioId, StockLedger.PieceKey(pieceId, key), cancel);
        }

        await transaction.CommitAsync(cancel);
    }

    private static async Task<bool> IsMixedAsync(NpgsqlConnection connection, Guid studioId, Guid pieceId, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("select exists (select from paste_day_tick where studio_id = $1 and $2 = any (piece_ids))", connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = pieceId });
        return (bool)(await command.ExecuteScalarAsync(cancel))!;
    }
}
