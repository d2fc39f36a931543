using Npgsql;

namespace YoungTinge.Store;

/// <summary>Pictures that are only read and not kept, such as those of dabs: there for every server until they are a day old.</summary>
public sealed class LaidPictureStore(NpgsqlDataSource dataSource)
{
    /// <summary>Of one studio; past them the oldest goes.</summary>
    public const int Most = 500;

    private static readonly TimeSpan Oldest = TimeSpan.FromDays(1);

    /// <summary>Lays a picture out; one with the same id is replaced by it.</summary>
    public async Task LayAsync(Guid studioId, Guid id, byte[] jpeg, DateTimeOffset now, CancellationToken cancel)
    {
        await using var batch = dataSource.CreateBatch();
        var lay = new NpgsqlBatchCommand("""
            insert into laid_picture (id, studio_id, jpeg, laid_at) values ($1, $2, $3, $4)
            on conflict (studio_id, id) do update set jpeg = excluded.jpeg, laid_at = excluded.laid_at
            """);
        lay.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        lay.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        lay.Parameters.Add(new NpgsqlParameter<byte[]> { TypedValue = jpeg });
        lay.Parameters.Add(new NpgsqlParameter<DateTimeOffset> { TypedValue = now.ToUniversalTime() });
        var tidy = new NpgsqlBatchCommand("""
            delete from laid_picture where studio_id = $1 and id in (
                select id from (select id, laid_at, row_number() over (order by laid_at desc) as place from laid_picture where studio_id = $1) laid
                where laid_at < $2 or place > $3)
            """);
        tidy.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        tidy.Parameters.Add(new NpgsqlParameter<DateTimeOffset> { TypedValue = (now - Oldest).ToUniversalTime() });
        tidy.Parameters.Add(new NpgsqlParameter<int> { TypedValue = Most });
        batch.BatchCommands.Add(lay);
        batch.BatchCommands.Add(tidy);
        await batch.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Null if it is not there, or no longer.</summary>
    public async Task<byte[]?> FindJpegAsync(Guid studioId, Guid id, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select jpeg from laid_picture where studio_id = $1 and id = $2");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        return await command.ExecuteScalarAsync(cancel) as byte[];
    }
}
