using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Store;

/// <summary>How far a commission is.</summary>
public enum CommissionStatus
{
    Asked,
    Planned,
    InWork,
    Delivered,

    /// <summary>Over and out of the way; kept to look things up.</summary>
    PutAway,
}

/// <summary>What a maker says of a commission.</summary>
/// <param name="Place">Where the flowers will stand, in the maker's words.</param>
/// <param name="RoomHumidityPercent">0 to 100; null is not known.</param>
/// <param name="RoomCelsius">-10 to 50; null is not known.</param>
/// <param name="Light">That they will be seen in there.</param>
/// <param name="MarginDays">Everything is to be ready so long before it is due, 0 to 60.</param>
/// <param name="ClientNote">What the client wishes, or is told.</param>
/// <param name="OwnNote">For the studio alone.</param>
/// <param name="Diets">That everything must suit.</param>
public sealed record CommissionDetails(
    string Name, DateOnly DueOn, string Place, int? RoomHumidityPercent, double? RoomCelsius, LightKind Light, int MarginDays, string ClientNote, string OwnNote,
    IReadOnlyList<Diet> Diets, CommissionStatus Status);

/// <summary>Work that someone has ordered.</summary>
/// <param name="Version">Counts the saves.</param>
public sealed record Commission(Guid Id, CommissionDetails Details, int Version)
{
    /// <summary>How its flowers are wired to sprays; null for as the house would.</summary>
    public SprayPlan? Spray { get; init; }

    public string Name => Details.Name;

    public DateOnly DueOn => Details.DueOn;

    /// <summary>The last day on which everything may become ready.</summary>
    public DateOnly ReadyOn => DueOn.AddDays(-Details.MarginDays);

    public LightKind Light => Details.Light;

    public IReadOnlyList<Diet> Diets => Details.Diets;

    /// <summary>There is something to do for it, now or soon.</summary>
    public bool IsOpen => Details.Status is CommissionStatus.Asked or CommissionStatus.Planned or CommissionStatus.InWork;
}

/// <summary>A design within a commission.</summary>
/// <param name="MustBeEdible">The flower itself will be eaten.</param>
/// <param name="Version">Counts the saves of it, and of the order of its pieces; 0 for one that was never saved.</param>
public sealed record Flower(Guid Id, Guid CommissionId, string Name, int Flowers, int Buds, bool MustBeEdible, int Version)
{
    /// <summary>How it is put together; null for as the house would.</summary>
    public AssemblyPlan? Assembly { get; init; }
}

public sealed class CommissionStore(NpgsqlDataSource dataSource)
{
    internal const string CommissionColumns = """
        c.id, c.version, c.name, c.due_on, c.place, c.room_humidity_percent, c.room_celsius, c.light, c.margin_days, c.client_note, c.own_note, c.diets, c.status, c.spray::text
        """;

    internal const string FlowerColumns = "f.id, f.name, f.flowers, f.buds, f.must_be_edible, f.version, f.assembly::text";
    private const int FirstFlowerColumn = 14;

    /// <summary>All commissions, first due first, and all their flowers.</summary>
    public async Task<(IReadOnlyList<Commission> Commissions, IReadOnlyList<Flower> Flowers)> ListAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"""
            select {CommissionColumns}, {FlowerColumns}
            from live_commission c
            left join live_flower f on f.studio_id = c.studio_id and f.commission_id = c.id
            where c.studio_id = $1
            order by c.due_on, c.name, c.id, f.position, f.id
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
            if (!await reader.IsDBNullAsync(FirstFlowerColumn, cancel))
                flowers.Add(ReadFlower(reader, commission.Id));
        }

        return (commissions, flowers);
    }

    public async Task<(Commission Commission, Flower Flower)?> FindFlowerAsync(Guid studioId, Guid flowerId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"""
            select {CommissionColumns}, {FlowerColumns}
            from live_flower f
            join commission c on c.studio_id = f.studio_id and c.id = f.commission_id
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

    /// <summary>Puts a flower with its pieces at the end of a commission.</summary>
    /// <returns>False if there is no such commission.</returns>
    public async Task<bool> AddFlowerAsync(Guid studioId, Flower flower, IReadOnlyList<(Guid Id, Piece Piece, PiecePlan Plan)> pieces, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (!await AddFlowerAsync(connection, studioId, flower, pieces, cancel))
            return false;
        await transaction.CommitAsync(cancel);
        return true;
    }

    internal static async Task<bool> AddFlowerAsync(
        NpgsqlConnection connection, Guid studioId, Flower flower, IReadOnlyList<(Guid Id, Piece Piece, PiecePlan Plan)> pieces, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            insert into flower (id, studio_id, commission_id, position, name, flowers, buds, must_be_edible)
            select $1, c.studio_id, c.id, coalesce((select max(position) + 1 from flower where commission_id = c.id), 0), $4, $5, $6, $7
            from live_commission c
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
        return true;
    }

    /// <summary>Writes what a flower is called, how many are wanted and whether it will be eaten, over the version that the change was made from.</summary>
    /// <returns>Its new version; null if it was changed in the meantime, or there is no such flower.</returns>
    public async Task<int?> SaveFlowerAsync(Guid studioId, Flower flower, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            update flower
            set name = $4, flowers = $5, buds = $6, must_be_edible = $7, version = version + 1
            where studio_id = $1 and id = $2 and deleted_at is null and version = $3
            returning version
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flower.Id });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = flower.Version });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = flower.Name });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = flower.Flowers });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = flower.Buds });
        command.Parameters.Add(new NpgsqlParameter<bool> { TypedValue = flower.MustBeEdible });
        return await command.ExecuteScalarAsync(cancel) as int?;
    }

    /// <summary>Writes how a flower is put together, over the version that the change was made from.</summary>
    /// <param name="assembly">Null for as the house would.</param>
    /// <returns>Its new version; null if it was changed in the meantime, or is gone.</returns>
    public Task<int?> SaveAssemblyAsync(Guid studioId, Guid flowerId, int madeFromVersion, AssemblyPlan? assembly, CancellationToken cancel) =>
        SavePlanAsync("flower", "assembly", studioId, flowerId, madeFromVersion, assembly is null ? null : PlanJson.Write(assembly), cancel);

    /// <summary>Writes how a commission's flowers are wired to sprays, over the version that the change was made from.</summary>
    /// <param name="spray">Null for as the house would.</param>
    /// <returns>Its new version; null if it was changed in the meantime, or is gone.</returns>
    public Task<int?> SaveSprayAsync(Guid studioId, Guid id, int madeFromVersion, SprayPlan? spray, CancellationToken cancel) =>
        SavePlanAsync("commission", "spray", studioId, id, madeFromVersion, spray is null ? null : PlanJson.Write(spray), cancel);

    /// <param name="table">Ours, as is the column: neither can be a parameter.</param>
    private async Task<int?> SavePlanAsync(string table, string column, Guid studioId, Guid id, int madeFromVersion, string? plan, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"""
            update {table}
            set {column} = $4, version = version + 1
            where studio_id = $1 and id = $2 and deleted_at is null and version = $3
            returning version
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = madeFromVersion });
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Jsonb, plan));
        return await command.ExecuteScalarAsync(cancel) as int?;
    }

    public async Task AddAsync(Guid studioId, Guid id, CommissionDetails details, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await AddAsync(connection, studioId, id, details, cancel);
    }

    internal static async Task AddAsync(NpgsqlConnection connection, Guid studioId, Guid id, CommissionDetails details, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            insert into commission (id, studio_id, name, due_on, place, room_humidity_percent, room_celsius, light, margin_days, client_note, own_note, diets, status)
            values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        AddDetails(command, details);
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Writes a commission over the version that the change was made from.</summary>
    /// <returns>Its new version; null if it was changed in the meantime, or is gone.</returns>
    public async Task<int?> SaveAsync(Guid studioId, Guid id, int madeFromVersion, CommissionDetails details, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            update commission
            set name = $3, due_on = $4, place = $5, room_humidity_percent = $6, room_celsius = $7, light = $8, margin_days = $9, client_note = $10,
                own_note = $11, diets = $12, status = $13, version = version + 1
            where id = $1 and studio_id = $2 and deleted_at is null and version = $14
            returning version
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        AddDetails(command, details);
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = madeFromVersion });
        return await command.ExecuteScalarAsync(cancel) as int?;
    }

    /// <summary>Null if there is none, or it is in the bin.</summary>
    public async Task<Commission?> FindAsync(Guid studioId, Guid id, CancellationToken cancel) =>
        (await ListAsync(studioId, cancel)).Commissions.FirstOrDefault(commission => commission.Id == id);

    private static void AddDetails(NpgsqlCommand command, CommissionDetails details)
    {
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = details.Name });
        command.Parameters.Add(new NpgsqlParameter<DateOnly> { TypedValue = details.DueOn });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = details.Place });
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Integer, details.RoomHumidityPercent));
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Double, details.RoomCelsius));
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Light.WordFor(details.Light) });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = details.MarginDays });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = details.ClientNote });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = details.OwnNote });
        command.Parameters.Add(new NpgsqlParameter<string[]> { TypedValue = [.. details.Diets.Distinct().Select(Words.Diets.WordFor)] });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Status.WordFor(details.Status) });
    }

    internal static Commission ReadCommission(NpgsqlDataReader reader) => new(
        reader.GetGuid(0),
        new CommissionDetails(
            reader.GetString(2), reader.GetFieldValue<DateOnly>(3), reader.GetString(4), reader.IsDBNull(5) ? null : reader.GetInt32(5),
            reader.IsDBNull(6) ? null : reader.GetDouble(6), Words.Light.ValueOf(reader.GetString(7)), reader.GetInt32(8), reader.GetString(9), reader.GetString(10),
            [.. reader.GetFieldValue<string[]>(11).Select(Words.Diets.ValueOf)], Words.Status.ValueOf(reader.GetString(12))),
        reader.GetInt32(1))
    {
        Spray = reader.IsDBNull(13) ? null : PlanJson.ReadSpray(reader.GetString(13)),
    };

    internal static Flower ReadFlower(NpgsqlDataReader reader, Guid commissionId) => new(
        reader.GetGuid(FirstFlowerColumn), commissionId, reader.GetString(FirstFlowerColumn + 1), reader.GetInt32(FirstFlowerColumn + 2),
        reader.GetInt32(FirstFlowerColumn + 3), reader.GetBoolean(FirstFlowerColumn + 4), reader.GetInt32(FirstFlowerColumn + 5))
    {
        Assembly = reader.IsDBNull(FirstFlowerColumn + 6) ? null : PlanJson.ReadAssembly(reader.GetString(FirstFlowerColumn + 6)),
    };
}
