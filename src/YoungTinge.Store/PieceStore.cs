using System.Text.Json;
using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Work;

namespace YoungTinge.Store;

/// <summary>A piece with its plan.</summary>
/// <param name="Parts">Flowers or buds that it is made for.</param>
/// <param name="Version">Counts the saves of the piece and its plan.</param>
/// <param name="Guests">Those whom it is made for.</param>
public sealed record PlannedPiece(Guid Id, Guid FlowerId, Piece Piece, int Parts, PiecePlan Plan, int Version, Guests Guests)
{
    /// <summary>What it is shaped from, where that is known: its own recipe, or what is kept for it elsewhere.</summary>
    public PasteSource? Source { get; init; }

    /// <summary>How it stands in its flower; null where that is not known.</summary>
    public StandingPiece? Standing { get; init; }

    /// <summary>Its paste is planned elsewhere, or made: it is not mixed by the recipe in its plan.</summary>
    public bool IsPasteSettled => Source is not (null or OwnPaste);

    public PlannedWork Work => new(Id, Piece, Parts, Plan) { Source = Source };

    /// <summary>What all pieces take; what none is wanted of for now can still be planned, as one.</summary>
    public PasteQuantity Quantity => PasteQuantity.For(Piece, Math.Max(1, Parts));

    public ResolvedPlan Resolve(Materials cabinet) => new(Plan, cabinet, Source) { Standing = Standing };

    /// <summary>As it is carried out: on the paste that it is shaped from.</summary>
    public PlannedPiece From(PasteSource? source) => source is null ? this : this with { Plan = source.Carried(Plan), Source = source };
}

public abstract record SavePlanResult
{
    public sealed record Saved(int Version) : SavePlanResult;

    /// <summary>Someone else saved in the meantime; nothing was written.</summary>
    public sealed record Changed(PlannedPiece Current) : SavePlanResult;

    public sealed record Missing : SavePlanResult;
}

public enum AddPieceResult
{
    Added,
    NoFlower,

    /// <summary>A flower has only so many kinds of piece.</summary>
    TooMany,
}

public sealed class PieceStore(NpgsqlDataSource dataSource)
{
    internal const string Columns = """
        p.id, p.flower_id, p.name, p.outline_id, p.length_mm, p.width_mm, p.thickness_mm, p.solid, p.part_of, p.per_part,
            p.spare_share, case p.part_of when 'bud' then f.buds else f.flowers end, p.plan::text, p.version, p.form::text,
            f.must_be_edible, c.diets
        """;

    public async Task<PlannedPiece?> FindAsync(Guid studioId, Guid pieceId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"""
            select {Columns}
            from live_piece p
            join flower f on f.studio_id = p.studio_id and f.id = p.flower_id
            join commission c on c.studio_id = f.studio_id and c.id = f.commission_id
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
            from live_piece p
            join flower f on f.studio_id = p.studio_id and f.id = p.flower_id
            join commission c on c.studio_id = f.studio_id and c.id = f.commission_id
            where p.studio_id = $1 and ($2 is null or p.flower_id = $2)
            order by p.flower_id, p.position, p.id
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Uuid, flowerId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var pieces = new List<PlannedPiece>();
        while (await reader.ReadAsync(cancel))
            pieces.Add(Read(reader));
        return pieces;
    }

    /// <summary>Writes a plan over the version it was made from, or not at all.</summary>
    /// <param name="keepsPaste">Its own paste stays as it was kept: the piece is shaped from another, which is planned elsewhere.</param>
    public async Task<SavePlanResult> SavePlanAsync(Guid studioId, Guid pieceId, int madeFromVersion, PiecePlan plan, bool keepsPaste, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        if (await WritePlanAsync(connection, studioId, pieceId, madeFromVersion, plan, keepsPaste, cancel) is { } version)
            return new SavePlanResult.Saved(version);
        return await FindAsync(studioId, pieceId, cancel) is { } current ? new SavePlanResult.Changed(current) : new SavePlanResult.Missing();
    }

    /// <summary>Writes the plans of several pieces, each over the version it was made from, or none of them.</summary>
    /// <returns>The new versions; null if one of the pieces was changed or taken out in the meantime.</returns>
    public async Task<IReadOnlyDictionary<Guid, int>?> SavePlansAsync(
        Guid studioId, IReadOnlyList<(Guid PieceId, int MadeFromVersion, PiecePlan Plan, bool KeepsPaste)> plans, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var versions = new Dictionary<Guid, int>();
        // Always in the same order, so that two who save the same pieces wait for each other and not both.
        foreach (var (pieceId, madeFromVersion, plan, keepsPaste) in plans.OrderBy(one => one.PieceId))
        {
            if (await WritePlanAsync(connection, studioId, pieceId, madeFromVersion, plan, keepsPaste, cancel) is not { } version)
                return null;
            versions[pieceId] = version;
        }

        await transaction.CommitAsync(cancel);
        return versions;
    }

    /// <returns>The new version; null if there is no such piece of that version.</returns>
    private static async Task<int?> WritePlanAsync(NpgsqlConnection connection, Guid studioId, Guid pieceId, int madeFromVersion, PiecePlan plan, bool keepsPaste, CancellationToken cancel)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = """
            update piece
            set plan = case when $5 then $4 || jsonb_build_object('paste', plan -> 'paste') else $4 end, version = version + 1, changed_at = now()
            where studio_id = $1 and id = $2 and deleted_at is null and version = $3
            returning version
            """;
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = pieceId });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = madeFromVersion });
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = PlanJson.Write(plan) });
        command.Parameters.Add(new NpgsqlParameter<bool> { TypedValue = keepsPaste });
        return await command.ExecuteScalarAsync(cancel) as int?;
    }

    /// <summary>Writes how many spares of a piece are made, over the version that the change was made from.</summary>
    /// <returns>The new version of the piece; null if it was changed in the meantime, or there is no such piece.</returns>
    public async Task<int?> SaveSparesAsync(Guid studioId, Guid pieceId, int madeFromVersion, double spareShare, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            update piece
            set spare_share = $4, version = version + 1, changed_at = now()
            where studio_id = $1 and id = $2 and deleted_at is null and version = $3
            returning version
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = pieceId });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = madeFromVersion });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = spareShare });
        return await command.ExecuteScalarAsync(cancel) as int?;
    }

    /// <summary>Puts a piece at the end of a flower's stem.</summary>
    /// <returns>False if there is no such flower.</returns>
    public async Task<AddPieceResult> AddAsync(Guid studioId, Guid flowerId, Guid id, Piece piece, PiecePlan plan, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (!await FlowerHold.TakeAsync(connection, studioId, flowerId, cancel))
            return AddPieceResult.NoFlower;
        if ((await IdsAsync(connection, studioId, flowerId, cancel)).Count >= PieceCheck.MostKinds)
            return AddPieceResult.TooMany;
        if (!await InsertAsync(connection, studioId, flowerId, id, piece, plan, cancel))
            return AddPieceResult.NoFlower;
        await transaction.CommitAsync(cancel);
        return AddPieceResult.Added;
    }

    internal static async Task<bool> InsertAsync(NpgsqlConnection connection, Guid studioId, Guid flowerId, Guid id, Piece piece, PiecePlan plan, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            insert into piece (id, studio_id, flower_id, position, name, outline_id, length_mm, width_mm, thickness_mm, solid,
                part_of, per_part, spare_share, plan, form)
            select $1, f.studio_id, f.id, coalesce((select max(position) + 1 from piece where flower_id = f.id), 0), $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14
            from live_flower f
            where f.studio_id = $2 and f.id = $3
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flowerId });
        AddShape(command, piece);
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = PlanJson.Write(plan) });
        AddForm(command, piece);
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    /// <summary>Writes what a piece is, apart from its plan, over the version it was made from. The plan's version counts on.</summary>
    /// <returns>The new version; null if it was changed in the meantime, or there is no such piece.</returns>
    public async Task<int?> SavePieceAsync(Guid studioId, Guid pieceId, int madeFromVersion, Piece piece, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            update piece
            set name = $4, outline_id = $5, length_mm = $6, width_mm = $7, thickness_mm = $8, solid = $9, part_of = $10, per_part = $11,
                spare_share = $12, form = $13, version = version + 1, changed_at = now()
            where studio_id = $1 and id = $2 and deleted_at is null and version = $3
            returning version
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = pieceId });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = madeFromVersion });
        AddShape(command, piece);
        AddForm(command, piece);
        return await command.ExecuteScalarAsync(cancel) as int?;
    }

    /// <summary>Puts a flower's pieces into another order along the stem, over the version of the flower that the change was made from.</summary>
    /// <param name="pieceIds">All of them, each once.</param>
    /// <returns>The new version of the flower; null if it was changed in the meantime, other pieces stand there by now, or there is no such flower.</returns>
    public async Task<int?> OrderAsync(Guid studioId, Guid flowerId, int madeFromVersion, IReadOnlyList<Guid> pieceIds, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (!await FlowerHold.TakeAsync(connection, studioId, flowerId, cancel) || !pieceIds.ToHashSet().SetEquals(await IdsAsync(connection, studioId, flowerId, cancel)))
            return null;
        await using var command = new NpgsqlCommand("""
            with arranged as (
                update flower
                set version = version + 1
                where studio_id = $1 and id = $2 and version = $4
                returning id, version
            ), moved as (
                update piece p
                set position = wanted.position
                from unnest($3) with ordinality as wanted (id, position), arranged
                where p.studio_id = $1 and p.flower_id = arranged.id and p.id = wanted.id
            )
            select version from arranged
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flowerId });
        command.Parameters.Add(new NpgsqlParameter<Guid[]> { TypedValue = [.. pieceIds] });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = madeFromVersion });
        var version = await command.ExecuteScalarAsync(cancel) as int?;
        await transaction.CommitAsync(cancel);
        return version;
    }

    /// <summary>Of a flower, in order.</summary>
    private static async Task<IReadOnlyList<Guid>> IdsAsync(NpgsqlConnection connection, Guid studioId, Guid flowerId, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("select id from live_piece where studio_id = $1 and flower_id = $2 order by position, id", connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flowerId });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var ids = new List<Guid>();
        while (await reader.ReadAsync(cancel))
            ids.Add(reader.GetGuid(0));
        return ids;
    }

    private static void AddShape(NpgsqlCommand command, Piece piece)
    {
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = piece.Name });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = piece.OutlineId });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = piece.LengthMm });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = piece.WidthMm });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = piece.ThicknessMm });
        command.Parameters.Add(new NpgsqlParameter<bool> { TypedValue = piece.Solid });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Part.WordFor(piece.PartOf) });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = piece.PerPart });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = piece.SpareShare });
    }

    private static void AddForm(NpgsqlCommand command, Piece piece) =>
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = JsonSerializer.Serialize(piece.Form, PlanJson.Options) });

    internal static PlannedPiece Read(NpgsqlDataReader reader)
    {
        var piece = new Piece(
            reader.GetString(2), reader.GetString(3), reader.GetDouble(4), reader.GetDouble(5), reader.GetDouble(6),
            reader.GetBoolean(7), Words.Part.ValueOf(reader.GetString(8)), reader.GetInt32(9), reader.GetDouble(10));
        return new PlannedPiece(
            reader.GetGuid(0),
            reader.GetGuid(1),
            reader.IsDBNull(14) ? piece : piece with { Form = ReadForm(reader.GetString(14)) },
            reader.GetInt32(11),
            PlanJson.Read(reader.GetString(12)),
            reader.GetInt32(13),
            new Guests(reader.GetBoolean(15), [.. reader.GetFieldValue<string[]>(16).Select(Words.Diets.ValueOf)]));
    }

    internal static PieceForm ReadForm(string json) =>
        JsonSerializer.Deserialize<PieceForm>(json, PlanJson.Options) ?? throw new InvalidDataException("A piece has no form.");
}
