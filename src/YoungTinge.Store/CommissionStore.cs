using Npgsql;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Store;

/// <summary>Work that someone has ordered.</summary>
/// <param name="Place">Where the flowers will stand, in the maker's words.</param>
/// <param name="Light">That they will be seen in there.</param>
/// <param name="Diets">That everything must suit.</param>
public sealed record Commission(Guid Id, string Name, DateOnly DueOn, string Place, int? RoomHumidityPercent, LightKind Light, IReadOnlyList<Diet> Diets);

/// <summary>A design within a commission.</summary>
/// <param name="MustBeEdible">The flower itself will be eaten.</param>
public sealed record Flower(Guid Id, Guid CommissionId, string Name, int Flowers, int Buds, bool MustBeEdible);

public sealed class CommissionStore(NpgsqlDataSource dataSource)
{
    /// <summary>All commissions, first due first, and all their flowers.</summary>
    public async Task<(IReadOnlyList<Commission> Commissions, IReadOnlyList<Flower> Flowers)> ListAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select c.id, c.name, c.due_on, c.place, c.room_humidity_percent, c.light, c.diets, f.id, f.name, f.flowers, f.buds, f.must_be_edible
            from commission c
            left join flower f on f.commission_id = c.id
            where c.studio_id = $1
            order by c.due_on, c.name, f.position
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var commissions = new List<Commission>();
        var flowers = new List<Flower>();
        while (await reader.ReadAsync(cancel))
        {
            var commission = ReadCommission(reader);
            if (commissions.Count == 0 || commissions[^1].Id != commission.Id)
                commissions.Add(commission);
            if (!await reader.IsDBNullAsync(7, cancel))
                flowers.Add(ReadFlower(reader, commission.Id));
        }

        return (commissions, flowers);
    }

    public async Task<(Commission Commission, Flower Flower)?> FindFlowerAsync(Guid studioId, Guid flowerId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select c.id, c.name, c.due_on, c.place, c.room_humidity_percent, c.light, c.diets, f.id, f.name, f.flowers, f.buds, f.must_be_edible
            from flower f
            join commission c on c.id = f.commission_id
            where f.studio_id = $1 and f.id = $2
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flowerId });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        if (!await reader.ReadAsync(cancel))
            return null;
        var commission = ReadCommission(reader);
        return (commission, ReadFlower(reader, commission.Id));
    }

    /// <summary>Writes how many of a flower are wanted over the numbers that the change was made from.</summary>
    /// <returns>False if they were changed in the meantime, or there is no such flower.</returns>
    public async Task<bool> SaveCountsAsync(Guid studioId, Flower was, int flowers, int buds, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            update flower
            set flowers = $3, buds = $4
            where studio_id = $1 and id = $2 and flowers = $5 and buds = $6
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = was.Id });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = flowers });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = buds });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = was.Flowers });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = was.Buds });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    /// <summary>Puts a flower with its pieces at the end of a commission.</summary>
    /// <returns>False if there is no such commission.</returns>
    public async Task<bool> AddFlowerAsync(Guid studioId, Flower flower, IReadOnlyList<(Guid Id, Piece Piece, PiecePlan Plan)> pieces, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await using var command = new NpgsqlCommand("""
            insert into flower (id, studio_id, commission_id, position, name, flowers, buds, must_be_edible)
            select $1, c.studio_id, c.id, coalesce((select max(position) + 1 from flower where commission_id = c.id), 0), $4, $5, $6, $7
            from commission c
            where c.studio_id = $2 and c.id = $3
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flower.Id });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flower.CommissionId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = flower.Name });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = flower.Flowers });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = flower.Buds });
        command.Parameters.Add(new NpgsqlParameter<bool> { TypedValue = flower.MustBeEdible });
        if (await command.ExecuteNonQueryAsync(cancel) == 0)
            return false;
        foreach (var (id, piece, plan) in pieces)
            await PieceStore.InsertAsync(connection, studioId, flower.Id, id, piece, plan, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    /// <summary>Writes a flower's name and whether it will be eaten over those that the change was made from.</summary>
    /// <returns>False if they were changed in the meantime, or there is no such flower.</returns>
    public async Task<bool> SaveFlowerAsync(Guid studioId, Flower was, string name, bool mustBeEdible, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            update flower set name = $3, must_be_edible = $4
            where studio_id = $1 and id = $2 and name = $5 and must_be_edible = $6
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = was.Id });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = name });
        command.Parameters.Add(new NpgsqlParameter<bool> { TypedValue = mustBeEdible });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = was.Name });
        command.Parameters.Add(new NpgsqlParameter<bool> { TypedValue = was.MustBeEdible });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    /// <returns>False if there is no such flower.</returns>
    public async Task<bool> RemoveFlowerAsync(Guid studioId, Guid flowerId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("delete from flower where studio_id = $1 and id = $2");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flowerId });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    /// <returns>False if there is no such commission.</returns>
    public async Task<bool> SaveDietsAsync(Guid studioId, Guid commissionId, IReadOnlyList<Diet> diets, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("update commission set diets = $3 where studio_id = $1 and id = $2");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = commissionId });
        command.Parameters.Add(new NpgsqlParameter<string[]> { TypedValue = [.. diets.Distinct().Select(Words.Diets.WordFor)] });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    private static Commission ReadCommission(NpgsqlDataReader reader) => new(
        reader.GetGuid(0), reader.GetString(1), reader.GetFieldValue<DateOnly>(2), reader.GetString(3), reader.IsDBNull(4) ? null : reader.GetInt32(4),
        Words.Light.ValueOf(reader.GetString(5)), [.. reader.GetFieldValue<string[]>(6).Select(Words.Diets.ValueOf)]);

    private static Flower ReadFlower(NpgsqlDataReader reader, Guid commissionId) =>
        new(reader.GetGuid(7), commissionId, reader.GetString(8), reader.GetInt32(9), reader.GetInt32(10), reader.GetBoolean(11));
}
