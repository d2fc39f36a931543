using System.Collections.Concurrent;
using Npgsql;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Learning;

namespace YoungTinge.Store;

/// <param name="Version">Counts the saves.</param>
public sealed record KeptMaterial(Material Material, int Version);

/// <param name="Version">That it was made from; 0 for a new one.</param>
public sealed record MaterialChange(Material Material, int Version);

public abstract record SaveMaterialsResult
{
    public sealed record Saved : SaveMaterialsResult;

    /// <summary>Someone else saved one of them in the meantime; nothing was written.</summary>
    public sealed record Changed(string Id) : SaveMaterialsResult;

    /// <summary>Another material has this name; nothing was written.</summary>
    public sealed record NameTaken(string Name) : SaveMaterialsResult;
}

/// <summary>A cabinet as the logbook has taught it to be, with what is known of its jars and of the hand.</summary>
public sealed record Taught(Materials Cabinet, LearnedJars Jars, LearnedFinish Finish)
{
    /// <summary>Entries that say again what another has said.</summary>
    public required IReadOnlySet<Guid> Repeats { get; init; }
}

public enum RemoveMaterialResult
{
    Removed,

    /// <summary>A plan or a batch names it; it can only be retired.</summary>
    InUse,
    Missing,
}

public sealed class CabinetStore(NpgsqlDataSource dataSource)
{
    /// <summary>What was learned last in each studio, and from what.</summary>
    private readonly ConcurrentDictionary<Guid, Known> learned = new();

    private sealed record Known(string State, LearnedJars Jars, LearnedFinish Finish, IReadOnlySet<Guid> Repeats);

    /// <summary>The cabinet as the logbook has taught it to be: what colours are predicted with.</summary>
    public async Task<Materials> LoadAsync(Guid studioId, CancellationToken cancel) => (await LoadLearnedAsync(studioId, cancel)).Cabinet;

    /// <returns>What readings tell of the colours of pastes, and of dusts; null for what nothing was read of.</returns>
    public async Task<(LearnedJars? Jars, LearnedFinish? Dusts)> LearnedAsync(Guid studioId, CancellationToken cancel)
    {
        var known = await LearnedAsync(studioId, await ListedAsync(studioId, cancel), cancel);
        return (known is { Jars: { Trust.Count: > 0 } jars } ? jars : null, known is { Finish: { Trust.Count: > 0 } finish } ? finish : null);
    }

    /// <returns>With what is known of its jars.</returns>
    public async Task<Taught> LoadLearnedAsync(Guid studioId, CancellationToken cancel)
    {
        var listed = await ListedAsync(studioId, cancel);
        if (await LearnedAsync(studioId, listed, cancel) is var (_, jars, finish, repeats))
            return new Taught(finish.Taught(listed.With(jars)), jars, finish) { Repeats = repeats };
        var nothing = new LogbookReadings(listed, [], [], Today);
        return new Taught(listed, nothing.Learn(), nothing.LearnFinish(nothing.Learn(), [], Today)) { Repeats = nothing.Repeats };
    }

    private static DateTimeOffset Today => new(DateTimeOffset.UtcNow.Date, TimeSpan.Zero);

    /// <returns>Null if there is nothing to learn from.</returns>
    private async Task<Known?> LearnedAsync(Guid studioId, Materials listed, CancellationToken cancel)
    {
        string state;
        await using (var command = dataSource.CreateCommand("""
            select exists (select from log_entry where studio_id = $1 and mix is not null and (subject = 'paste' or laid is not null) and not is_left_out and not is_taken_out),
                (select coalesce(sum(hashtextextended(table_name || ' ' || backend || ' ' || xact, 0)), 0)::text from change_mark where studio_id = $1 and table_name in ('log_entry', 'material'))
            """))
        {
            command.Parameters.Add(Sql.Of(studioId));
            await using var reader = await command.ExecuteReaderAsync(cancel);
            await reader.ReadAsync(cancel);
            if (!reader.GetBoolean(0))
                return null;
            state = $"{reader.GetString(1)} {Today:yyyy-MM-dd}";
        }

        if (learned.TryGetValue(studioId, out var known) && known.State == state)
            return known;
        var readings = await ReadingsAsync(studioId, listed, cancel);
        var jars = readings.Learn(known?.Jars);
        var finish = readings.LearnFinish(jars, readings.UsedZones, readings.At);
        return learned[studioId] = new Known(state, jars, finish, readings.Repeats);
    }

    /// <param name="listed">Its cabinet.</param>
    public async Task<LogbookReadings> ReadingsAsync(Guid studioId, Materials listed, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand(
            $"select {LogbookStore.Columns} from log_entry e where e.studio_id = $1 and e.mix is not null and (e.subject = 'paste' or e.laid is not null) and not e.is_taken_out order by e.logged_at, e.id");
        command.Parameters.Add(Sql.Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var entries = new List<LogEntry>();
        while (await reader.ReadAsync(cancel))
            entries.Add(LogbookStore.Read(reader));
        var standing = entries.Where(entry => listed.HasAllOf(entry.Mix!.Recipe)).ToLookup(entry => entry.Laid is null);
        return new LogbookReadings(listed, [.. standing[true]], [.. standing[false].Where(entry => entry.Plan!.Coats.All(coat => !coat.Problems("", listed).Any()))], Today);
    }

    /// <summary>The cabinet as it is written, before anything was learned: to be changed, and to go into files.</summary>
    public async Task<Materials> ListedAsync(Guid studioId, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        var (scaleG, holesMm) = (BenchScale.UsualG, Array.Empty<double>());
        await using (var command = new NpgsqlCommand("select scale_g, holes_mm from studio where id = $1", connection))
        {
            command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
            await using var reader = await command.ExecuteReaderAsync(cancel);
            if (await reader.ReadAsync(cancel))
                (scaleG, holesMm) = (reader.GetDouble(0), reader.GetFieldValue<double[]>(1));
        }

        return new Materials((await ListAsync(connection, studioId, cancel)).Select(kept => kept.Material)) { ScaleG = scaleG, HolesMm = holesMm };
    }

    public async Task<IReadOnlyList<KeptMaterial>> ListAsync(Guid studioId, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        return await ListAsync(connection, studioId, cancel);
    }

    internal static async Task<IReadOnlyList<KeptMaterial>> ListAsync(NpgsqlConnection connection, Guid studioId, CancellationToken cancel) =>
        [.. (await SheetsAsync(connection, studioId, cancel)).Select(kept => new KeptMaterial(MaterialFromRecord.Convert(kept.Sheet, kept.Sheet.Id!), kept.Version))];

    /// <summary>As they are written, before they are made into materials.</summary>
    internal static async Task<IReadOnlyList<(MaterialRecord Sheet, int Version)>> SheetsAsync(NpgsqlConnection connection, Guid studioId, CancellationToken cancel)
    {
        await using var batch = new NpgsqlBatch(connection);
        foreach (var sql in new[] { "select material_id, kind, mass_g, is_weighed from dose_unit where studio_id = $1", $"select {MaterialRow.Columns}, version from material where studio_id = $1 order by position, id" })
        {
            var command = new NpgsqlBatchCommand(sql);
            command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
            batch.BatchCommands.Add(command);
        }

        await using var reader = await batch.ExecuteReaderAsync(cancel);
        var units = new Dictionary<(string Material, DoseUnitKind Kind), (double MassG, bool IsWeighed)>();
        while (await reader.ReadAsync(cancel))
            units[(reader.GetString(0), Words.Unit.ValueOf(reader.GetString(1)))] = (reader.GetDouble(2), reader.GetBoolean(3));

        await reader.NextResultAsync(cancel);
        var version = reader.GetOrdinal("version");
        var sheets = new List<(MaterialRecord, int)>();
        while (await reader.ReadAsync(cancel))
        {
            var sheet = MaterialRow.Read(reader);
            double? Unit(DoseUnitKind kind) => units.TryGetValue((sheet.Id!, kind), out var unit) ? unit.MassG : null;
            sheet = sheet with
            {
                TouchG = Unit(DoseUnitKind.Touch),
                DropG = Unit(DoseUnitKind.Drop),
                PeaG = Unit(DoseUnitKind.Pea),
                KnifeTipG = Unit(DoseUnitKind.KnifeTip),
                PinchG = Unit(DoseUnitKind.Pinch),
                WeighedUnits = [.. Enum.GetValues<DoseUnitKind>().Where(kind => units.TryGetValue((sheet.Id!, kind), out var unit) && unit.IsWeighed)],
            };
            sheets.Add((sheet, reader.GetInt32(version)));
        }

        return sheets;
    }

    /// <summary>Writes all of them, each over the version it was made from, or none. New ones come last on the shelf.</summary>
    public async Task<SaveMaterialsResult> SaveAsync(Guid studioId, IReadOnlyList<MaterialChange> changes, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var name = "";
        await StockLedger.HoldAsync(connection, studioId, [], changes.Select(change => change.Material.Id), cancel);
        try
        {
            foreach (var change in changes)
            {
                name = change.Material.Label.Name;
                if (!await WriteAsync(connection, studioId, change, cancel))
                    return new SaveMaterialsResult.Changed(change.Material.Id);
            }

            await transaction.CommitAsync(cancel);
            return new SaveMaterialsResult.Saved();
        }
        catch (PostgresException exception) when (exception is { SqlState: PostgresErrorCodes.UniqueViolation, ConstraintName: "material_name_key" })
        {
            return new SaveMaterialsResult.NameTaken(name);
        }
    }

    public async Task<RemoveMaterialResult> RemoveAsync(Guid studioId, string id, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            delete from material
            where studio_id = $1 and id = $2
                and not exists (select from piece where studio_id = $1 and jsonb_path_exists(plan, '$.** ? (@ == $id)', jsonb_build_object('id', $2)))
                and not exists (select from batch where studio_id = $1 and (jsonb_path_exists(recipe, '$.** ? (@ == $id)', jsonb_build_object('id', $2))
                    or jsonb_path_exists(made_recipe, '$.** ? (@ == $id)', jsonb_build_object('id', $2))))
                and not exists (select from paste_plan where studio_id = $1 and jsonb_path_exists(plan, '$.** ? (@ == $id)', jsonb_build_object('id', $2)))
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = id });
        if (await command.ExecuteNonQueryAsync(cancel) > 0)
            return RemoveMaterialResult.Removed;
        return (await ListAsync(studioId, cancel)).Any(kept => kept.Material.Id == id) ? RemoveMaterialResult.InUse : RemoveMaterialResult.Missing;
    }

    /// <summary>Puts materials into a studio that has none of these ids, within the caller's transaction.</summary>
    internal static async Task InsertAllAsync(NpgsqlConnection connection, Guid studioId, IReadOnlyList<Material> materials, CancellationToken cancel)
    {
        foreach (var material in materials)
            await WriteAsync(connection, studioId, new MaterialChange(material, 0), cancel);
    }

    /// <returns>False if it is no longer at the version that the change was made from.</returns>
    private static async Task<bool> WriteAsync(NpgsqlConnection connection, Guid studioId, MaterialChange change, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand(change.Version == 0 ? MaterialRow.Insert : MaterialRow.Update, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = change.Version });
        var sheet = MaterialRecord.Of(change.Material);
        command.Parameters.AddRange(MaterialRow.Parameters(sheet).ToArray());
        if (await command.ExecuteNonQueryAsync(cancel) == 0)
            return false;

        await using var units = new NpgsqlBatch(connection);
        var old = new NpgsqlBatchCommand("delete from dose_unit where studio_id = $1 and material_id = $2");
        old.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        old.Parameters.Add(new NpgsqlParameter<string> { TypedValue = change.Material.Id });
        units.BatchCommands.Add(old);
        foreach (var unit in change.Material is Colourant colourant ? colourant.Units : [])
        {
            var insert = new NpgsqlBatchCommand("insert into dose_unit (studio_id, material_id, kind, mass_g, is_weighed) values ($1, $2, $3, $4, $5)");
            insert.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
            insert.Parameters.Add(new NpgsqlParameter<string> { TypedValue = change.Material.Id });
            insert.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Unit.WordFor(unit.Kind) });
            insert.Parameters.Add(new NpgsqlParameter<double> { TypedValue = unit.MassG });
            insert.Parameters.Add(new NpgsqlParameter<bool> { TypedValue = unit.IsWeighed });
            units.BatchCommands.Add(insert);
        }

        await units.ExecuteNonQueryAsync(cancel);
        return true;
    }
}
