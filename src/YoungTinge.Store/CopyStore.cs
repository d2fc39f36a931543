using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Store;

/// <summary>A flower to be copied, with its pieces as they shall be in the copy.</summary>
/// <param name="Pieces">Each with the id that it is copied from.</param>
/// <param name="WithPastePlans">Its run of shades and its marble come along, for the new pieces.</param>
public sealed record FlowerCopy(Guid FromId, Flower Flower, IReadOnlyList<(Guid FromId, Guid Id, Piece Piece, PiecePlan Plan)> Pieces, bool WithPastePlans);

/// <summary>Makes copies of flowers, alone or with the commission that they are in: all of it or nothing.</summary>
public sealed class CopyStore(NpgsqlDataSource dataSource)
{
    /// <param name="commission">To be made first; null if it is there already.</param>
    /// <param name="commissionFrom">That it is a copy of; null if it is none.</param>
    /// <returns>False if there is no such commission.</returns>
    public async Task<bool> CopyAsync(Guid studioId, (Guid Id, CommissionDetails Details)? commission, Guid? commissionFrom, IReadOnlyList<FlowerCopy> flowers, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (commission is var (id, details))
            await CommissionStore.AddAsync(connection, studioId, id, details, cancel);
        foreach (var copy in flowers)
        {
            if (!await CommissionStore.AddFlowerAsync(connection, studioId, copy.Flower, [.. copy.Pieces.Select(piece => (piece.Id, piece.Piece, piece.Plan))], cancel))
                return false;
        }

        // A run may name pieces of its neighbours: all that is copied together has to be known.
        var renamed = flowers.SelectMany(copy => copy.Pieces).ToDictionary(piece => piece.FromId, piece => piece.Id);
        foreach (var copy in flowers)
            renamed[copy.FromId] = copy.Flower.Id;
        foreach (var copy in flowers)
            await CopyPlanAsync(connection, "flower", "assembly", studioId, copy.FromId, copy.Flower.Id, renamed, cancel);
        if (commission is var (copyId, _) && commissionFrom is { } from)
            await CopyPlanAsync(connection, "commission", "spray", studioId, from, copyId, renamed, cancel);
        foreach (var copy in flowers.Where(copy => copy.WithPastePlans))
            await CopyPastePlansAsync(connection, studioId, copy, renamed, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    /// <summary>A plan that names pieces or flowers, for those of the copy.</summary>
    /// <param name="table">Ours, as is the column: neither can be a parameter.</param>
    private static async Task CopyPlanAsync(
        NpgsqlConnection connection, string table, string column, Guid studioId, Guid fromId, Guid id, Dictionary<Guid, Guid> renamed, CancellationToken cancel)
    {
        await using var read = new NpgsqlCommand($"select {column}::text from {table} where studio_id = $1 and id = $2", connection);
        read.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        read.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = fromId });
        if (await read.ExecuteScalarAsync(cancel) is not string plan)
            return;
        await using var write = new NpgsqlCommand($"update {table} set {column} = $3 where studio_id = $1 and id = $2", connection);
        write.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        write.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        write.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = Renamed(plan, renamed) });
        await write.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>An id stands nowhere in a plan but where something is named, so it can be put in its place as text.</summary>
    private static string Renamed(string plan, Dictionary<Guid, Guid> renamed) =>
        renamed.Aggregate(plan, (text, pair) => text.Replace(pair.Key.ToString(), pair.Value.ToString(), StringComparison.Ordinal));

    private static async Task CopyPastePlansAsync(
        NpgsqlConnection connection, Guid studioId, FlowerCopy copy, Dictionary<Guid, Guid> renamed, CancellationToken cancel)
    {
        var plans = new List<(string Kind, string Plan)>();
        await using (var command = new NpgsqlCommand("select kind, plan::text from paste_plan where studio_id = $1 and flower_id = $2", connection))
        {
            command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
            command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = copy.FromId });
            await using var reader = await command.ExecuteReaderAsync(cancel);
            while (await reader.ReadAsync(cancel))
                plans.Add((reader.GetString(0), reader.GetString(1)));
        }

        foreach (var (kind, plan) in plans)
        {
            if (PastePlanStore.NamedPieces(kind, plan).Any(piece => !renamed.ContainsKey(piece)))
                continue;
            await using var insert = new NpgsqlCommand("insert into paste_plan (studio_id, flower_id, kind, plan) values ($1, $2, $3, $4)", connection);
            insert.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
            insert.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = copy.Flower.Id });
            insert.Parameters.Add(new NpgsqlParameter<string> { TypedValue = kind });
            insert.Parameters.Add(new NpgsqlParameter
            {
                NpgsqlDbType = NpgsqlDbType.Jsonb,
                Value = Renamed(plan, renamed),
            });
            await insert.ExecuteNonQueryAsync(cancel);
        }
    }
}
