using System.Text.Json;
using System.Text.Json.Nodes;
using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Store;

/// <summary>A studio as it was before another took its place.</summary>
public sealed record ReplacedStudio(int Id, string StudioName, DateTimeOffset ReplacedAt);

public enum ArchiveProblem
{
    /// <summary>No archive of a studio.</summary>
    NotAnArchive,

    /// <summary>Written by a build that keeps other things than this one.</summary>
    OtherVersion,

    /// <summary>Something in it cannot be; the table says where.</summary>
    Damaged,
}

public abstract record RestoreResult
{
    /// <summary>The studio is as it was when the archive was written; the one before can be had back.</summary>
    public sealed record Restored(string Name) : RestoreResult;

    /// <summary>Nothing has been changed.</summary>
    public sealed record Refused(ArchiveProblem Problem, string? Table = null) : RestoreResult;
}

/// <summary>
/// A whole studio as one JSON document, out and in: every row of every table, as the database itself writes and reads rows as JSON,
/// so that nothing can be forgotten or rounded on the way.
/// </summary>
public sealed class ArchiveStore(NpgsqlDataSource dataSource)
{
    /// <summary>So many earlier states are kept.</summary>
    public const int MostReplaced = 10;

    public const string Format = "young-tinge-studio";

    /// <summary>Of the archive; raised with each migration that changes what a row holds.</summary>
    public const int Version = 10;

    /// <summary>In the order in which they can be put in. The condition picks a studio's rows of it.</summary>
    private static readonly (string Name, string Condition, string Key)[] Tables =
    [
        ("material", "studio_id = $1", "id"),
        ("dose_unit", "studio_id = $1", "material_id, kind"),
        ("commission", "studio_id = $1", "id"),
        ("flower", "studio_id = $1", "id"),
        ("piece", "studio_id = $1", "id"),
        ("run_sheet_tick", "piece_id in (select id from piece where studio_id = $1)", "piece_id, step_key"),
        ("log_entry", "studio_id = $1", "id"),
        ("batch", "studio_id = $1", "id"),
        ("picture", "studio_id = $1", "id"),
        ("paste_plan", "studio_id = $1", "flower_id, kind"),
        ("paste_day_tick", "studio_id = $1", "step_key"),
        ("paste_day_leftover", "studio_id = $1", "block_key"),
        ("stock_use", "studio_id = $1", "tick_key, material_id"),
    ];

    public static IReadOnlyList<string> TableNames => [.. Tables.Select(table => table.Name)];

    public async Task<string> WriteAsync(Guid studioId, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        // One moment for all tables.
        await using var transaction = await connection.BeginTransactionAsync(System.Data.IsolationLevel.RepeatableRead, cancel);
        return await WriteAsync(connection, studioId, cancel);
    }

    /// <summary>What an archive holds, before anything is done with it; the problem if it is none that this build can read.</summary>
    public static (string? StudioName, ArchiveProblem? Problem) Look(string archive) => Parse(archive) is not { } document ? (null, ArchiveProblem.NotAnArchive)
        : document["version"]!.GetValue<int>() != Version ? (null, ArchiveProblem.OtherVersion)
        : document["studio"]!["name"] is JsonValue name && name.TryGetValue<string>(out var text) ? (text, null) : (null, ArchiveProblem.Damaged);

    /// <summary>Puts an archived studio in place of the one that is there, all of it or nothing.</summary>
    public Task<RestoreResult> RestoreAsync(Guid? currentId, string archive, CancellationToken cancel) => RestoreAsync(currentId, archive, cancel, fromStateId: null);

    private async Task<RestoreResult> RestoreAsync(Guid? currentId, string archive, CancellationToken cancel, int? fromStateId)
    {
        if (Parse(archive) is not { } document)
            return new RestoreResult.Refused(ArchiveProblem.NotAnArchive);
        if (document["version"]!.GetValue<int>() != Version)
            return new RestoreResult.Refused(ArchiveProblem.OtherVersion);

        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (fromStateId is { } state)
            await ForgetAsync(connection, "id = $1", state, cancel);
        if (currentId is { } current)
        {
            await KeepAsync(connection, current, await WriteAsync(connection, current, cancel), cancel);
            await using var clear = new NpgsqlCommand("delete from studio where id = $1", connection);
            clear.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = current });
            await clear.ExecuteNonQueryAsync(cancel);
        }

        var table = "studio";
        try
        {
            var studio = document["studio"]!.AsObject();
            var studioId = studio["id"]!.GetValue<Guid>();
            await PutAsync(connection, table, new JsonArray(studio.DeepClone()), cancel);
            var tables = document["tables"]!.AsObject();
            foreach (var (name, condition, _) in Tables)
            {
                table = name;
                var rows = tables[name]!.AsArray();
                await PutAsync(connection, name, rows, cancel);
                if (await CountAsync(connection, name, condition, studioId, cancel) != rows.Count)
                    return new RestoreResult.Refused(ArchiveProblem.Damaged, name);
            }

            table = await UnreadableAsync(connection, studioId, cancel) ?? "";
            if (table != "")
                return new RestoreResult.Refused(ArchiveProblem.Damaged, table);
            await transaction.CommitAsync(cancel);
            return new RestoreResult.Restored(studio["name"]!.GetValue<string>());
        }
        catch (Exception exception) when (exception is PostgresException or InvalidOperationException or FormatException or NullReferenceException)
        {
            // Rows that break a rule of the database, or a document of another shape. The transaction takes everything back.
            return new RestoreResult.Refused(ArchiveProblem.Damaged, table);
        }
    }

    /// <summary>States of the studio before archives took its place, newest first.</summary>
    public async Task<IReadOnlyList<ReplacedStudio>> ListReplacedAsync(CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select id, studio_name, replaced_at from replaced_studio order by id desc");
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var states = new List<ReplacedStudio>();
        while (await reader.ReadAsync(cancel))
            states.Add(new ReplacedStudio(reader.GetInt32(0), reader.GetString(1), reader.GetFieldValue<DateTimeOffset>(2)));
        return states;
    }

    /// <summary>Puts an earlier state back; the one that it takes the place of is kept in turn, so nothing is lost by trying.</summary>
    /// <returns>Null if there is no such state.</returns>
    public async Task<RestoreResult?> BringBackAsync(Guid? currentId, int stateId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select archive from replaced_studio where id = $1");
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = stateId });
        return await command.ExecuteScalarAsync(cancel) is string archive ? await RestoreAsync(currentId, archive, cancel, stateId) : null;
    }

    private static JsonObject? Parse(string archive)
    {
        try
        {
            return JsonNode.Parse(archive) is JsonObject document
                && document["format"]?.GetValueKind() == JsonValueKind.String && document["format"]!.GetValue<string>() == Format
                && document["version"]?.GetValueKind() == JsonValueKind.Number && document["version"]!.AsValue().TryGetValue<int>(out _)
                && document["studio"] is JsonObject && document["tables"] is JsonObject tables && Tables.All(table => tables[table.Name] is JsonArray)
                ? document : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static async Task<string> WriteAsync(NpgsqlConnection connection, Guid studioId, CancellationToken cancel)
    {
        // Names of tables and their keys are ours, from the list above.
        var parts = string.Join(", ", Tables.Select(table =>
            $"'{table.Name}', (select coalesce(jsonb_agg(to_jsonb(t) order by {table.Key}), '[]') from {table.Name} t where {table.Condition})"));
        await using var command = new NpgsqlCommand($"""
            select jsonb_build_object('format', '{Format}', 'version', {Version}, 'studio', to_jsonb(s), 'tables', jsonb_build_object({parts}))::text
            from studio s
            where s.id = $1
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        return (string)(await command.ExecuteScalarAsync(cancel) ?? throw new InvalidOperationException("There is no such studio."));
    }

    private static async Task PutAsync(NpgsqlConnection connection, string table, JsonArray rows, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand($"insert into {table} select * from jsonb_populate_recordset(null::{table}, $1)", connection);
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = rows.ToJsonString() });
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Rows that say they are another studio's are found by their number.</summary>
    private static async Task<long> CountAsync(NpgsqlConnection connection, string table, string condition, Guid studioId, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand($"select count(*) from {table} where {condition}", connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        return (long)(await command.ExecuteScalarAsync(cancel))!;
    }

    private static async Task KeepAsync(NpgsqlConnection connection, Guid studioId, string archive, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            insert into replaced_studio (archive, studio_name)
            select $1, name from studio where id = $2
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = archive });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        await command.ExecuteNonQueryAsync(cancel);
        await ForgetAsync(connection, "id not in (select id from replaced_studio order by id desc limit $1)", MostReplaced, cancel);
    }

    /// <param name="which">A condition of ours over one number.</param>
    private static async Task ForgetAsync(NpgsqlConnection connection, string which, int number, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand($"delete from replaced_studio where {which}", connection);
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = number });
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>The table of the first thing that the application could not read or would not have kept; null if all is well.</summary>
    private static async Task<string?> UnreadableAsync(NpgsqlConnection connection, Guid studioId, CancellationToken cancel)
    {
        try
        {
            var materials = new Core.Cabinet.Materials((await CabinetStore.ListAsync(connection, studioId, cancel)).Select(kept => kept.Material));
            await using var command = new NpgsqlCommand("select plan::text, outline_id, form::text from piece where studio_id = $1", connection);
            command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
            await using var reader = await command.ExecuteReaderAsync(cancel);
            while (await reader.ReadAsync(cancel))
            {
                if (PlanCheck.Problems(PlanJson.Read(reader.GetString(0)), materials).Any())
                    return "piece";
                if (OutlineLibrary.Find(reader.GetString(1)) is null)
                    return "piece";
                if (!await reader.IsDBNullAsync(2, cancel))
                    PieceStore.ReadForm(reader.GetString(2));
            }

            await reader.DisposeAsync();
            if (!await ReadsPastePlansAsync(connection, studioId, cancel))
                return "paste_plan";
            return await BatchStore.CanReadAllAsync(connection, studioId, cancel) ? null : "batch";
        }
        catch (Exception exception) when (exception is InvalidDataException or ArgumentException or JsonException)
        {
            return exception is JsonException ? "piece" : "material";
        }
    }

    private static async Task<bool> ReadsPastePlansAsync(NpgsqlConnection connection, Guid studioId, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("select kind, plan::text from paste_plan where studio_id = $1", connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        try
        {
            while (await reader.ReadAsync(cancel))
                PastePlanStore.Read(reader.GetString(0), reader.GetString(1));
            return true;
        }
        catch (Exception exception) when (exception is InvalidDataException or JsonException)
        {
            return false;
        }
    }
}
