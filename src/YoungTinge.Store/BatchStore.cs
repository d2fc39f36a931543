using System.Text.Json;
using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Store;

/// <summary>A paste to mix, or mixed, for a commission. Colours are under daylight.</summary>
/// <param name="Target">What it should be, rested.</param>
/// <param name="Measured">What it came out as; null before it was read.</param>
/// <param name="Version">Counts the saves; 0 for one that was never saved.</param>
public sealed record Batch(
    Guid Id, Guid CommissionId, string Name, PasteRecipe Recipe, double PasteG, Lab Target, Lab? Measured, string Note, int Version);

public abstract record SaveBatchResult
{
    public sealed record Saved(int Version) : SaveBatchResult;

    /// <summary>Someone else saved in the meantime; nothing was written.</summary>
    public sealed record Changed : SaveBatchResult;

    /// <summary>No such batch, or no such commission.</summary>
    public sealed record Missing : SaveBatchResult;
}

public sealed class BatchStore(NpgsqlDataSource dataSource)
{
    private const string Columns = """
        b.id, b.commission_id, b.name, b.recipe::text, b.paste_g, b.target_l, b.target_a, b.target_b,
            b.measured_l, b.measured_a, b.measured_b, b.note, b.version
        """;

    /// <summary>Newest first.</summary>
    public async Task<IReadOnlyList<Batch>> ListAsync(Guid studioId, int most, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"""
            select {Columns}
            from batch b
            where b.studio_id = $1
            order by b.kept_at desc, b.id
            limit $2
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = most });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var batches = new List<Batch>();
        while (await reader.ReadAsync(cancel))
            batches.Add(Read(reader));
        return batches;
    }

    /// <summary>
    /// Keeps a new batch (version 0), or writes over the version it was made from, or does nothing. Keeping the same new batch again
    /// changes nothing: a retry after a lost answer is safe.
    /// </summary>
    public async Task<SaveBatchResult> SaveAsync(Guid studioId, Batch batch, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand(batch.Version == 0
            ? """
                insert into batch (id, studio_id, commission_id, name, recipe, paste_g, target_l, target_a, target_b,
                    measured_l, measured_a, measured_b, note)
                select $1, $2, c.id, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13
                from commission c
                where c.studio_id = $2 and c.id = $3
                on conflict (id) do nothing
                returning version
                """
            : """
                update batch
                set commission_id = c.id, name = $4, recipe = $5, paste_g = $6, target_l = $7, target_a = $8, target_b = $9,
                    measured_l = $10, measured_a = $11, measured_b = $12, note = $13, version = version + 1
                from commission c
                where batch.id = $1 and batch.studio_id = $2 and c.studio_id = $2 and c.id = $3 and version = $14
                returning version
                """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = batch.Id });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = batch.CommissionId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = batch.Name });
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = JsonSerializer.Serialize(batch.Recipe, PlanJson.Options) });
        foreach (var number in new double?[]
        {
            batch.PasteG, batch.Target.L, batch.Target.A, batch.Target.B, batch.Measured?.L, batch.Measured?.A, batch.Measured?.B,
        })
            command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Double, Value = number is { } value ? value : DBNull.Value });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = batch.Note });
        if (batch.Version > 0)
            command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = batch.Version });
        return await command.ExecuteScalarAsync(cancel) is int version
            ? new SaveBatchResult.Saved(version)
            : await WhyNotAsync(studioId, batch, cancel);
    }

    public async Task<bool> RemoveAsync(Guid studioId, Guid batchId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("delete from batch where studio_id = $1 and id = $2");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = batchId });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    private async Task<SaveBatchResult> WhyNotAsync(Guid studioId, Batch batch, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {Columns} from batch b where b.studio_id = $1 and b.id = $2");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = batch.Id });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        if (!await reader.ReadAsync(cancel))
            return new SaveBatchResult.Missing();
        var kept = Read(reader);
        if (batch.Version == 0 && kept.Version == 1 && kept.Name == batch.Name && kept.PasteG.Equals(batch.PasteG))
            return new SaveBatchResult.Saved(kept.Version);
        return kept.Version == batch.Version ? new SaveBatchResult.Missing() : new SaveBatchResult.Changed();
    }

    private static Batch Read(NpgsqlDataReader reader) => new(
        reader.GetGuid(0),
        reader.GetGuid(1),
        reader.GetString(2),
        JsonSerializer.Deserialize<PasteRecipe>(reader.GetString(3), PlanJson.Options) ?? throw new InvalidDataException("A batch has no recipe."),
        reader.GetDouble(4),
        new Lab(reader.GetDouble(5), reader.GetDouble(6), reader.GetDouble(7)),
        reader.IsDBNull(8) ? null : new Lab(reader.GetDouble(8), reader.GetDouble(9), reader.GetDouble(10)),
        reader.GetString(11),
        reader.GetInt32(12));
}
