using System.Text.Json;
using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Store;

/// <summary>A paste to mix, or mixed, for a commission. Colours are under daylight.</summary>
/// <param name="CommissionId">Null when that is gone for good: what was mixed outlives it.</param>
/// <param name="Target">What it should be, rested.</param>
/// <param name="Measured">What it came out as; null before it was read.</param>
/// <param name="Version">Counts the saves; 0 for one that was never saved.</param>
public sealed record Batch(
    Guid Id, Guid? CommissionId, string Name, PasteRecipe Recipe, double PasteG, Lab Target, Lab? Measured, string Note, int Version)
{
    /// <summary>Of the commission, also when that is gone for good.</summary>
    public string CommissionName { get; init; } = "";

    /// <summary>Null before it was mixed.</summary>
    public Making? Made { get; init; }

    /// <summary>The paste of the paste-day sheet that it was mixed as; null for one of the mixing table.</summary>
    public BlockPlace? Block { get; init; }
}

/// <summary>A paste of the paste-day sheet.</summary>
/// <param name="Place">Which shade of its run, from 0; 0 for one paste.</param>
public sealed record BlockPlace(string Key, int Place)
{
    public const int LongestKey = 200;
}

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
    internal const string Columns = """
        b.id, b.commission_id, b.name, b.recipe::text, b.paste_g, b.target_l, b.target_a, b.target_b,
            b.measured_l, b.measured_a, b.measured_b, b.note, b.version,
            b.made_at, b.made_recipe::text, b.made_g, b.left_g, b.kept_in, b.block_key, b.place, coalesce(c.name, b.commission_name)
        """;

    internal const string From = "batch b left join commission c on c.studio_id = b.studio_id and c.id = b.commission_id";

    /// <summary>Newest first.</summary>
    public async Task<IReadOnlyList<Batch>> ListAsync(Guid studioId, int most, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"""
            select {Columns}
            from {From}
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
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        return await WriteAsync(connection, studioId, batch, cancel) is { } version
            ? new SaveBatchResult.Saved(version)
            : await WhyNotAsync(studioId, batch, cancel);
    }

    /// <returns>Its new version; null if nothing was written. A block that was mixed already is not mixed again.</returns>
    internal static async Task<int?> WriteAsync(NpgsqlConnection connection, Guid studioId, Batch batch, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand(batch.Version <= 0
            ? """
                insert into batch (id, studio_id, commission_id, commission_name, name, recipe, paste_g, target_l, target_a, target_b,
                    measured_l, measured_a, measured_b, note, made_at, made_recipe, made_g, left_g, kept_in, block_key, place)
                select $1, $2, c.id, c.name, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20
                from live_commission c
                where c.studio_id = $2 and c.id = $3
                on conflict do nothing
                returning version
                """
            : """
                update batch
                set name = $4, recipe = $5, paste_g = $6, target_l = $7, target_a = $8, target_b = $9,
                    measured_l = $10, measured_a = $11, measured_b = $12, note = $13, made_at = $14, made_recipe = $15, made_g = $16, left_g = $17,
                    kept_in = $18, version = version + 1
                where id = $1 and studio_id = $2 and commission_id is not distinct from $3 and version = $19
                returning version
                """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = batch.Id });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Uuid, batch.CommissionId));
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = batch.Name });
        command.Parameters.Add(Json(batch.Recipe));
        foreach (var number in new double?[]
        {
            batch.PasteG, batch.Target.L, batch.Target.A, batch.Target.B, batch.Measured?.L, batch.Measured?.A, batch.Measured?.B,
        })
            command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Double, number));
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = batch.Note });
        var made = batch.Made;
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.TimestampTz, made?.At.UtcDateTime));
        command.Parameters.Add(Json(made?.Recipe));
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Double, made?.Grams));
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Double, made?.LeftG));
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = made?.KeptIn ?? "" });
        if (batch.Version > 0)
        {
            command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = batch.Version });
        }
        else
        {
            command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Text, batch.Block?.Key));
            command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Integer, batch.Block?.Place));
        }

        return (int?)await command.ExecuteScalarAsync(cancel);
    }

    private static NpgsqlParameter Json(PasteRecipe? recipe) => Sql.Maybe(NpgsqlDbType.Jsonb, recipe is null ? null : JsonSerializer.Serialize(recipe, PlanJson.Options));

    public async Task<bool> RemoveAsync(Guid studioId, Guid batchId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("delete from batch where studio_id = $1 and id = $2");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = batchId });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    private async Task<SaveBatchResult> WhyNotAsync(Guid studioId, Batch batch, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {Columns} from {From} where b.studio_id = $1 and b.id = $2");
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

    internal static Batch Read(NpgsqlDataReader reader) => new(
        reader.GetGuid(0),
        reader.IsDBNull(1) ? null : reader.GetGuid(1),
        reader.GetString(2),
        Recipe(reader.GetString(3)),
        reader.GetDouble(4),
        new Lab(reader.GetDouble(5), reader.GetDouble(6), reader.GetDouble(7)),
        reader.IsDBNull(8) ? null : new Lab(reader.GetDouble(8), reader.GetDouble(9), reader.GetDouble(10)),
        reader.GetString(11),
        reader.GetInt32(12))
    {
        CommissionName = reader.GetString(20),
        Made = reader.IsDBNull(13) ? null : new Making(
            reader.GetFieldValue<DateTimeOffset>(13), Recipe(reader.GetString(14)), reader.GetDouble(15), reader.GetDouble(16), reader.GetString(17)),
        Block = reader.IsDBNull(18) ? null : new BlockPlace(reader.GetString(18), reader.GetInt32(19)),
    };

    private static PasteRecipe Recipe(string json) =>
        JsonSerializer.Deserialize<PasteRecipe>(json, PlanJson.Options) ?? throw new InvalidDataException("A batch has no recipe.");
}
