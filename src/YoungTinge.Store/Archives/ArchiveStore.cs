using System.Text.Json;
using Npgsql;
using NpgsqlTypes;

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

    /// <summary>Puts an archived studio in place of the one that is there, all of it or nothing.</summary>
    /// <param name="archive">Can be sought in.</param>
    /// <param name="progress">Told the share that is done, 0 to 1.</param>
    public Task<RestoreResult> RestoreAsync(Guid? currentId, Stream archive, CancellationToken cancel, Action<double>? progress = null) =>
        RestoreAsync(currentId, archive, null, progress, cancel);

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
        return await command.ExecuteScalarAsync(cancel) is byte[] archive
            ? await RestoreAsync(currentId, new MemoryStream(archive), stateId, null, cancel)
            : null;
    }

    /// <summary>One thing as a list of one.</summary>
    internal static async IAsyncEnumerable<string> One(string row)
    {
        await Task.CompletedTask;
        yield return row;
    }

    private async Task<RestoreResult> RestoreAsync(Guid? currentId, Stream archive, int? fromStateId, Action<double>? progress, CancellationToken cancel)
    {
        await using var file = await ArchiveFile.OpenAsync(archive, cancel);
        if (file is null)
            return new RestoreResult.Refused(ArchiveProblem.NotAnArchive);
        if (file.Version < ArchiveLift.Oldest || file.Version > Version)
            return new RestoreResult.Refused(ArchiveProblem.OtherVersion);

        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (fromStateId is { } state)
            await ForgetAsync(connection, "id = $1", state, cancel);
        if (currentId is { } current)
            await SetAsideAsync(connection, current, cancel);
        var table = "studio";
        string name;
        try
        {
            name = await PutAsync(connection, file, at => table = at, () => progress?.Invoke(file.Share), cancel);
        }
        catch (Exception exception) when (IsDamage(exception))
        {
            // The transaction takes everything back.
            return new RestoreResult.Refused(ArchiveProblem.Damaged, (exception as DamagedArchiveException)?.Table ?? table);
        }

        await transaction.CommitAsync(cancel);
        await PictureFiles.ForgetUnnamedAsync(dataSource, cancel);
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
    private async Task<string> PutAsync(NpgsqlConnection connection, ArchiveFile file, Action<string> at, Action tell, CancellationToken cancel)
    {
        at("picture");
        await foreach (var picture in file.PicturesAsync(cancel))
        {
            await PutPictureAsync(connection, picture, cancel);
            tell();
        }

        if (file.Version == Version)
            await PutRowsAsync(connection, file, at, tell, cancel);
        else
            await ArchiveLift.PutAsync(connection, file, isPicture, at, tell, cancel);
        at("studio");
        using var head = JsonDocument.Parse(file.Studio);
        var studioId = head.RootElement.TryGetProperty("id", out var id) && id.TryGetGuid(out var known) ? known : throw new DamagedArchiveException("studio");
        await StudioCheck.RunAsync(connection, studioId, at, cancel);
        return head.RootElement.GetProperty("name").GetString()!;
    }

    private static async Task PutRowsAsync(NpgsqlConnection connection, ArchiveFile file, Action<string> at, Action tell, CancellationToken cancel)
    {
        at("studio");
        await RowLoader.PutAsync(connection, "studio", One(file.Studio), tell, cancel);
        foreach (var table in ArchiveTables.All)
        {
            at(table.Name);
            if (!file.Has(table))
                throw new DamagedArchiveException(table.Name);
            await RowLoader.PutAsync(connection, table.Name, file.RowsAsync(table, cancel), tell, cancel);
        }
    }

    private async Task PutPictureAsync(NpgsqlConnection connection, byte[] picture, CancellationToken cancel)
    {
        if (!isPicture(picture))
            throw new DamagedArchiveException("picture");
        await PictureFiles.PutAsync(connection, picture, cancel);
    }

    /// <summary>Keeps the studio that is there as an earlier state, and makes room.</summary>
    private static async Task SetAsideAsync(NpgsqlConnection connection, Guid studioId, CancellationToken cancel)
    {
        using var archive = new MemoryStream();
        await ArchiveWriter.WriteAsync(connection, studioId, archive, withPictures: false, cancel);
        await using var keep = new NpgsqlCommand("""
            with kept as (
                insert into replaced_studio (archive, studio_name) select $2, name from studio where id = $1 returning id
            )
            insert into replaced_studio_picture (state_id, file_sha256)
            select distinct kept.id, p.file_sha256 from kept, picture p where p.studio_id = $1
            """, connection);
        keep.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        keep.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Bytea, Value = archive.ToArray() });
        await keep.ExecuteNonQueryAsync(cancel);
        await ForgetAsync(connection, "id not in (select id from replaced_studio order by id desc limit $1)", MostReplaced, cancel);
        await using var clear = new NpgsqlCommand("delete from studio where id = $1", connection) { CommandTimeout = 0 };
        clear.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        await clear.ExecuteNonQueryAsync(cancel);
    }

    /// <param name="which">A condition of ours over one number.</param>
    private static async Task ForgetAsync(NpgsqlConnection connection, string which, int number, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand($"delete from replaced_studio where {which}", connection);
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = number });
        await command.ExecuteNonQueryAsync(cancel);
    }
}
