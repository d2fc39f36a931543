using Npgsql;
using YoungTinge.Core.Colour;

namespace YoungTinge.Store;

/// <summary>Work that someone has ordered.</summary>
/// <param name="Place">Where the flowers will stand, in the maker's words.</param>
/// <param name="Light">That they will be seen in there.</param>
public sealed record Commission(Guid Id, string Name, DateOnly DueOn, string Place, int? RoomHumidityPercent, LightKind Light);

/// <summary>A design within a commission.</summary>
public sealed record Flower(Guid Id, Guid CommissionId, string Name, int Flowers, int Buds);

public sealed class CommissionStore(NpgsqlDataSource dataSource)
{
    /// <summary>All commissions, first due first, and all their flowers.</summary>
    public async Task<(IReadOnlyList<Commission> Commissions, IReadOnlyList<Flower> Flowers)> ListAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select c.id, c.name, c.due_on, c.place, c.room_humidity_percent, c.light, f.id, f.name, f.flowers, f.buds
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
            if (!await reader.IsDBNullAsync(6, cancel))
                flowers.Add(ReadFlower(reader, commission.Id));
        }

        return (commissions, flowers);
    }

    public async Task<(Commission Commission, Flower Flower)?> FindFlowerAsync(Guid studioId, Guid flowerId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select c.id, c.name, c.due_on, c.place, c.room_humidity_percent, c.light, f.id, f.name, f.flowers, f.buds
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

    private static Commission ReadCommission(NpgsqlDataReader reader) => new(
        reader.GetGuid(0), reader.GetString(1), reader.GetFieldValue<DateOnly>(2), reader.GetString(3), reader.IsDBNull(4) ? null : reader.GetInt32(4),
        Words.Light.ValueOf(reader.GetString(5)));

    private static Flower ReadFlower(NpgsqlDataReader reader, Guid commissionId) =>
        new(reader.GetGuid(6), commissionId, reader.GetString(7), reader.GetInt32(8), reader.GetInt32(9));
}
