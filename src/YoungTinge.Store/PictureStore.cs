using System.Text.Json;
using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Pictures;

namespace YoungTinge.Store;

/// <summary>What a picture shows.</summary>
public enum PictureShows
{
    /// <summary>The living flower that is coloured after.</summary>
    Living,

    /// <summary>What came out in sugar.</summary>
    Made,
}

/// <summary>A picture that stays with its flower, without its pixels.</summary>
/// <param name="Version">Counts the changes of its marks.</param>
public sealed record KeptPicture(Guid Id, Guid FlowerId, string Name, PictureMarks Marks, int Version)
{
    public PictureShows Shows { get; init; } = PictureShows.Living;

    /// <summary>Told by the database when it is kept.</summary>
    public DateTimeOffset AddedAt { get; init; }
}

public sealed class PictureStore(NpgsqlDataSource dataSource)
{
    public const int LongestName = 200;

    /// <summary>A flower needs a few pictures of each kind; more would only be carried along.</summary>
    public const int MostPerFlower = 12;

    /// <summary>Keeps a picture. Sending the same one again changes nothing.</summary>
    /// <returns>False if there is no such flower, or it has enough pictures.</returns>
    public async Task<bool> AddAsync(Guid studioId, KeptPicture picture, byte[] jpeg, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (!await FlowerHold.TakeAsync(connection, studioId, picture.FlowerId, cancel))
            return false;
        var sum = await PictureFiles.PutAsync(connection, studioId, jpeg, cancel);
        await using var command = new NpgsqlCommand("""
            insert into picture (id, studio_id, flower_id, name, file_sha256, marks, shows)
            select $1, f.studio_id, f.id, $4, $5, $6, $8
            from live_flower f
            where f.studio_id = $2 and f.id = $3
                and (select count(*) from picture p where p.studio_id = f.studio_id and p.flower_id = f.id and p.shows = $8 and p.id <> $1) < $7
            on conflict (studio_id, id) do update set name = picture.name
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = picture.Id });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = picture.FlowerId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = picture.Name });
        command.Parameters.Add(new NpgsqlParameter<byte[]> { TypedValue = sum });
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = Write(picture.Marks) });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = MostPerFlower });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Shows.WordFor(picture.Shows) });
        if (await command.ExecuteNonQueryAsync(cancel) == 0)
            return false;
        await transaction.CommitAsync(cancel);
        return true;
    }

    /// <summary>Of one flower, oldest first.</summary>
    public async Task<IReadOnlyList<KeptPicture>> ListAsync(Guid studioId, Guid flowerId, PictureShows shows, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select id, flower_id, name, marks::text, version, shows, added_at
            from picture
            where studio_id = $1 and flower_id = $2 and shows = $3
            order by added_at, id
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flowerId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Shows.WordFor(shows) });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var pictures = new List<KeptPicture>();
        while (await reader.ReadAsync(cancel))
        {
            pictures.Add(new KeptPicture(reader.GetGuid(0), reader.GetGuid(1), reader.GetString(2), ReadMarks(reader.GetString(3)), reader.GetInt32(4))
            {
                Shows = Words.Shows.ValueOf(reader.GetString(5)),
                AddedAt = reader.GetFieldValue<DateTimeOffset>(6),
            });
        }

        return pictures;
    }

    /// <summary>Null if there is none.</summary>
    public async Task<byte[]?> FindJpegAsync(Guid studioId, Guid id, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select file.jpeg
            from picture p join picture_file file on file.studio_id = p.studio_id and file.sha256 = p.file_sha256
            where p.studio_id = $1 and p.id = $2
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        return await command.ExecuteScalarAsync(cancel) as byte[];
    }

    /// <summary>Writes the marks over the version they were made from.</summary>
    /// <returns>The new version; null if it was changed or removed in the meantime.</returns>
    public async Task<int?> SaveMarksAsync(Guid studioId, Guid id, int madeFromVersion, PictureMarks marks, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            update picture
            set marks = $4, version = version + 1
            where studio_id = $1 and id = $2 and version = $3
            returning version
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = madeFromVersion });
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = Write(marks) });
        return await command.ExecuteScalarAsync(cancel) as int?;
    }

    public async Task<bool> RemoveAsync(Guid studioId, Guid id, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("delete from picture where studio_id = $1 and id = $2");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        if (await command.ExecuteNonQueryAsync(cancel) == 0)
            return false;
        await PictureFiles.ForgetUnnamedAsync(dataSource, studioId, cancel);
        return true;
    }

    internal static PictureMarks ReadMarks(string json) =>
        JsonSerializer.Deserialize<PictureMarks>(json, PlanJson.Options) ?? throw new InvalidDataException("A picture has no marks.");

    private static string Write(PictureMarks marks) => JsonSerializer.Serialize(marks, PlanJson.Options);
}
