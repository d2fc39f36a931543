using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Store;

/// <summary>A piece with its plan.</summary>
/// <param name="Parts">Flowers or buds that it is made for.</param>
/// <param name="Version">Counts the saves of the plan.</param>
public sealed record PlannedPiece(Guid Id, Guid FlowerId, Piece Piece, int Parts, PiecePlan Plan, int Version);

public abstract record SavePlanResult
{
    public sealed record Saved(int Version) : SavePlanResult;

    /// <summary>Someone else saved in the meantime; nothing was written.</summary>
    public sealed record Changed(PlannedPiece Current) : SavePlanResult;

    public sealed record Missing : SavePlanResult;
}

public sealed class PieceStore(NpgsqlDataSource dataSource)
{
    private const string Columns = """
        p.id, p.flower_id, p.name, p.outline_id, p.length_mm, p.width_mm, p.thickness_mm, p.solid, p.part_of, p.per_part,
            p.spare_share, case p.part_of when 'bud' then f.buds else f.flowers end, p.plan::text, p.version
        """;

    public async Task<PlannedPiece?> FindAsync(Guid studioId, Guid pieceId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"""
            select {Columns}
            from piece p
            join flower f on f.id = p.flower_id
            where p.studio_id = $1 and p.id = $2
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = pieceId });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel) ? Read(reader) : null;
    }

    /// <summary>The pieces of one flower in order along the stem, or of all flowers of the studio.</summary>
    public async Task<IReadOnlyList<PlannedPiece>> ListAsync(Guid studioId, Guid? flowerId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"""
            select {Columns}
            from piece p
            join flower f on f.id = p.flower_id
            where p.studio_id = $1 and ($2 is null or p.flower_id = $2)
            order by p.flower_id, p.position
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Uuid, Value = flowerId is { } id ? id : DBNull.Value });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var pieces = new List<PlannedPiece>();
        while (await reader.ReadAsync(cancel))
            pieces.Add(Read(reader));
        return pieces;
    }

    /// <summary>Writes a plan over the version it was made from, or not at all.</summary>
    public async Task<SavePlanResult> SavePlanAsync(Guid studioId, Guid pieceId, int madeFromVersion, PiecePlan plan, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            update piece
            set plan = $4, version = version + 1, changed_at = now()
            where studio_id = $1 and id = $2 and version = $3
            returning version
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = pieceId });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = madeFromVersion });
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = PlanJson.Write(plan) });
        if (await command.ExecuteScalarAsync(cancel) is int version)
            return new SavePlanResult.Saved(version);
        return await FindAsync(studioId, pieceId, cancel) is { } current ? new SavePlanResult.Changed(current) : new SavePlanResult.Missing();
    }

    /// <param name="was">That the change was made from.</param>
    /// <returns>False if it was changed in the meantime; null if there is no such piece.</returns>
    public async Task<bool?> SaveSparesAsync(Guid studioId, Guid pieceId, double spareShare, double was, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("update piece set spare_share = $3 where studio_id = $1 and id = $2 and spare_share = $4");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = pieceId });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = spareShare });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = was });
        return await command.ExecuteNonQueryAsync(cancel) > 0 ? true : await FindAsync(studioId, pieceId, cancel) is null ? null : false;
    }

    private static PlannedPiece Read(NpgsqlDataReader reader) => new(
        reader.GetGuid(0),
        reader.GetGuid(1),
        new Piece(
            reader.GetString(2), reader.GetString(3), reader.GetDouble(4), reader.GetDouble(5), reader.GetDouble(6),
            reader.GetBoolean(7), Words.Part.ValueOf(reader.GetString(8)), reader.GetInt32(9), reader.GetDouble(10)),
        reader.GetInt32(11),
        PlanJson.Read(reader.GetString(12)),
        reader.GetInt32(13));
}
