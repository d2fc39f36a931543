using System.Text.Json;
using Npgsql;
using NpgsqlTypes;
using YoungTinge.Store.Demo;

namespace YoungTinge.Store.Archives;

/// <summary>A studio as it was before another took its place.</summary>
public sealed record ReplacedStudio(int Id, string StudioName, DateTimeOffset ReplacedAt);

public enum ArchiveProblem
{
    /// <summary>No archive of a studio.</summary>
    NotAnArchive,

    /// <summary>Written by a newer build than this one.</summary>
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

/// <summary>A whole studio out and in again, with its pictures, and back to how it was before.</summary>
/// <param name="isPicture">Whether a file can be shown as a picture.</param>
public sealed class ArchiveStore(NpgsqlDataSource dataSource, Func<byte[], bool> isPicture)
{
    /// <summary>So many earlier states are kept.</summary>
    public const int MostReplaced = 10;

    public const string Format = "young-tinge-studio";

    /// <summary>Of the archive: the number of the last migration.</summary>
    public static int Version { get; } = Schema.Scripts().Max(script => script.Number);

    public static IReadOnlyList<string> TableNames => [.. ArchiveTables.All.Select(table => table.Name)];

    /// <summary>Writes an archive, all of one moment.</summary>
    public async Task WriteAsync(Guid studioId, Stream to, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(System.Data.IsolationLevel.RepeatableRead, cancel);
        await ArchiveWriter.WriteAsync(connection, studioId, to, withPictures: true, cancel);
    }

    /// <summary>Writes an archive and reads it back to its end.</summary>
    /// <param name="file">Empty; stands at its beginning afterwards.</param>
    /// <returns>How many rows and pictures were read back.</returns>
    /// <exception cref="IOException">It cannot be read back.</exception>
    public async Task<(long Rows, long Pictures)> WriteProvenAsync(Guid studioId, Stream file, CancellationToken cancel)
    {
        await WriteAsync(studioId, file, cancel);
        file.Position = 0;
        var read = await CountAsync(file, cancel) ?? throw new IOException("What was written cannot be read back.");
        file.Position = 0;
        return read;
    }

    /// <summary>
    /// Puts what an archive holds in place of what is in a studio, all of it or nothing. The studio stays who it is, with its people, and so
    /// do its number and whether it is the demo: an archive may come from anywhere.
    /// </summary>
    /// <param name="archive">Can be sought in.</param>
    /// <param name="progress">Told the share that is done, 0 to 1.</param>
    public Task<RestoreResult> RestoreAsync(Guid studioId, Stream archive, CancellationToken cancel, Action<double>? progress = null) =>
        RestoreAsync(studioId, archive, null, progress, cancel);

    /// <summary>Reads an archive to its end.</summary>
    /// <returns>How many rows and pictures it holds; null if it cannot be read.</returns>
    public static async Task<(long Rows, long Pictures)?> CountAsync(Stream archive, CancellationToken cancel)
    {
        await using var file = await ArchiveFile.OpenAsync(archive, cancel);
        if (file is null)
            return null;
        long rows = 0, pictures = 0;
        try
        {
            foreach (var table in ArchiveTables.All.Where(file.Has))
            {
                await foreach (var row in file.RowsAsync(table, cancel))
                {
                    using var whole = JsonDocument.Parse(row);
                    rows++;
                }
            }

            await foreach (var _ in file.PicturesAsync(cancel))
                pictures++;
        }
        catch (Exception exception) when (exception is InvalidDataException or JsonException)
        {
            return null;
        }

        return (rows, pictures);
    }

    /// <summary>States of the studio before archives took its place, newest first.</summary>
    public async Task<IReadOnlyList<ReplacedStudio>> ListReplacedAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select id, studio_name, replaced_at from replaced_studio where studio_id = $1 order by id desc");
        command.Parameters.Add(Sql.Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var states = new List<ReplacedStudio>();
        while (await reader.ReadAsync(cancel))
            states.Add(new ReplacedStudio(reader.GetInt32(0), reader.GetString(1), reader.GetFieldValue<DateTimeOffset>(2)));
        return states;
    }

    /// <summary>Puts an earlier state back; the one that it takes the place of is kept in turn, so nothing is lost by trying.</summary>
    /// <returns>Null if there is no such state.</returns>
    public async Task<RestoreResult?> BringBackAsync(Guid studioId, int stateId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select archive from replaced_studio where studio_id = $1 and id = $2");
        command.Parameters.Add(Sql.Of(studioId));
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = stateId });
        return await command.ExecuteScalarAsync(cancel) is byte[] archive
            ? await RestoreAsync(studioId, new MemoryStream(archive), stateId, null, cancel)
            : null;
    }

    /// <summary>Puts the demo back to how it is when new; as it was before it is kept as an earlier state.</summary>
    /// <param name="demo">As it is now.</param>
    /// <returns>False if it was changed in the meantime; nothing has been done then.</returns>
    public async Task<bool> BeginDemoAnewAsync(Studio demo, DateTimeOffset now, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await SetAsideAsync(connection, demo.Id, cancel);
        if (!await StudioStore.SaveAsync(connection, DemoStudio.Of(demo.Id) with { Version = demo.Version }, cancel))
            return false;
        await DemoStudio.FillAsync(connection, demo.Id, now, cancel);
        await transaction.CommitAsync(cancel);
        await PictureFiles.ForgetUnnamedAsync(dataSource, demo.Id, cancel);
        return true;
    }

    /// <summary>One thing as a list of one.</summary>
    internal static async IAsyncEnumerable<string> One(string row)
    {
        await Task.CompletedTask;
        yield return row;
    }

    private async Task<RestoreResult> RestoreAsync(Guid studioId, Stream archive, int? fromStateId, Action<double>? progress, CancellationToken cancel)
    {
        await using var file = await ArchiveFile.OpenAsync(archive, cancel);
        if (file is null)
            return new RestoreResult.Refused(ArchiveProblem.NotAnArchive);
        if (file.Version < ArchiveLift.Oldest || file.Version > Version)
            return new RestoreResult.Refused(ArchiveProblem.OtherVersion);

        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (fromStateId is { } state)
            await ForgetAsync(connection, studioId, "id = $2", state, cancel);
        await SetAsideAsync(connection, studioId, cancel);
        var table = "studio";
        string name;
        try
        {
            name = await PutAsync(connection, studioId, file, at => table = at, () => progress?.Invoke(file.Share), cancel);
        }
        catch (Exception exception) when (IsDamage(exception))
        {
            // The transaction takes everything back.
            return new RestoreResult.Refused(ArchiveProblem.Damaged, (exception as DamagedArchiveException)?.Table ?? table);
        }

        await transaction.CommitAsync(cancel);
        await PictureFiles.ForgetUnnamedAsync(dataSource, studioId, cancel);
        return new RestoreResult.Restored(name);
    }

    /// <summary>Rows that break a rule of the database or of the job, or a file of another shape; not a full disk, for which the archive can do nothing.</summary>
    private static bool IsDamage(Exception exception) => exception switch
    {
        DamagedArchiveException or InvalidDataException or JsonException or NotSupportedException or ArgumentException or FormatException or InvalidOperationException { InnerException: null } => true,
        PostgresException postgres => postgres.SqlState[..2] is "21" or "22" or "23" or "42" or "54",
        _ => false,
    };

    /// <returns>The name of the studio.</returns>
    private async Task<string> PutAsync(NpgsqlConnection connection, Guid studioId, ArchiveFile file, Action<string> at, Action tell, CancellationToken cancel)
    {
        at("picture");
        await foreach (var picture in file.PicturesAsync(cancel))
        {
            await PutPictureAsync(connection, studioId, picture, cancel);
            tell();
        }

        if (file.Version == Version)
            await PutRowsAsync(connection, studioId, file, at, tell, cancel);
        else
            await ArchiveLift.PutAsync(connection, studioId, file, isPicture, at, tell, cancel);
        at("studio");
        await StudioCheck.RunAsync(connection, studioId, at, cancel);
        await using var named = new NpgsqlCommand("select name from studio where id = $1", connection);
        named.Parameters.Add(Sql.Of(studioId));
        return (string)(await named.ExecuteScalarAsync(cancel))!;
    }

    private static async Task PutRowsAsync(NpgsqlConnection connection, Guid studioId, ArchiveFile file, Action<string> at, Action tell, CancellationToken cancel)
    {
        at("studio");
        await StudioRow.PutAsync(connection, studioId, "jsonb_populate_record(null::studio, $2)", file.Studio, cancel);
        foreach (var table in ArchiveTables.All)
        {
            at(table.Name);
            if (!file.Has(table))
                throw new DamagedArchiveException(table.Name);
            await RowLoader.PutAsync(connection, table.Name, studioId, file.RowsAsync(table, cancel), tell, cancel);
        }
    }

    private async Task PutPictureAsync(NpgsqlConnection connection, Guid studioId, byte[] picture, CancellationToken cancel)
    {
        if (!isPicture(picture))
            throw new DamagedArchiveException("picture");
        await PictureFiles.PutAsync(connection, studioId, picture, cancel);
    }

    /// <summary>Keeps what is in the studio as an earlier state, and makes room.</summary>
    private static async Task SetAsideAsync(NpgsqlConnection connection, Guid studioId, CancellationToken cancel)
    {
        using var archive = new MemoryStream();
        await ArchiveWriter.WriteAsync(connection, studioId, archive, withPictures: false, cancel);
        await using var keep = new NpgsqlCommand("""
            with kept as (
                insert into replaced_studio (studio_id, archive, studio_name) select id, $2, name from studio where id = $1 returning id
            )
            insert into replaced_studio_picture (studio_id, state_id, file_sha256)
            select distinct $1, kept.id, p.file_sha256 from kept, picture p where p.studio_id = $1
            """, connection);
        keep.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        keep.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Bytea, Value = archive.ToArray() });
        await keep.ExecuteNonQueryAsync(cancel);
        await ForgetAsync(connection, studioId, "id not in (select id from replaced_studio where studio_id = $1 order by id desc limit $2)", MostReplaced, cancel);
        foreach (var table in ArchiveTables.All.Reverse().Select(table => table.Name).Concat(["bench_note", "laid_picture"]))
        {
            await using var clear = new NpgsqlCommand($"delete from {table} where studio_id = $1", connection) { CommandTimeout = 0 };
            clear.Parameters.Add(Sql.Of(studioId));
            await clear.ExecuteNonQueryAsync(cancel);
        }
    }

    /// <param name="which">A condition of ours over one number, $2.</param>
    private static async Task ForgetAsync(NpgsqlConnection connection, Guid studioId, string which, int number, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand($"delete from replaced_studio where studio_id = $1 and {which}", connection);
        command.Parameters.Add(Sql.Of(studioId));
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = number });
        await command.ExecuteNonQueryAsync(cancel);
    }
}
