using Npgsql;
using NpgsqlTypes;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store.Archives;

public enum BackupEvery
{
    Never,
    Day,
    Week,
}

/// <summary>When copies of the whole studio are made, and how many of them are kept.</summary>
/// <param name="Keep">1 to <see cref="MostKept"/>; past them the oldest goes.</param>
/// <param name="NextAt">Null for never.</param>
/// <param name="Version">Counts the saves; 0 before the first.</param>
public sealed record BackupSchedule(BackupEvery Every, int Keep, DateTimeOffset? NextAt, int Version)
{
    public const int MostKept = 100;

    public static readonly BackupSchedule None = new(BackupEvery.Never, 7, null, 0);

    /// <summary>When the next is due after one at a moment.</summary>
    public DateTimeOffset? After(DateTimeOffset at) => Every switch
    {
        BackupEvery.Day => at.AddDays(1),
        BackupEvery.Week => at.AddDays(7),
        _ => null,
    };
}

/// <summary>A copy that was made and read back.</summary>
public sealed record Backup(Guid Id, DateTimeOffset MadeAt, long Bytes, long Rows, long Pictures, byte[] Sha256);

/// <summary>Which copies there are of a studio, and when the next is made. The files themselves lie on a disk.</summary>
public sealed class BackupStore(NpgsqlDataSource dataSource)
{
    public async Task<BackupSchedule> ScheduleAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select every, keep, next_at, version from backup_schedule where studio_id = $1");
        command.Parameters.Add(Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel)
            ? new BackupSchedule(Words.BackupEvery.ValueOf(reader.GetString(0)), reader.GetInt32(1), reader.IsDBNull(2) ? null : reader.GetFieldValue<DateTimeOffset>(2), reader.GetInt32(3))
            : BackupSchedule.None;
    }

    /// <returns>False if it was changed in the meantime.</returns>
    public async Task<bool> SaveAsync(Guid studioId, BackupSchedule schedule, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        return await RunAsync(connection, """
            insert into backup_schedule (studio_id, every, keep, next_at) select $1, $2, $3, $4 where $5 = 0
            on conflict (studio_id) do nothing
            """, cancel, Fields()) > 0 || await RunAsync(connection, """
            update backup_schedule set every = $2, keep = $3, next_at = $4, version = version + 1 where studio_id = $1 and version = $5
            """, cancel, Fields()) > 0;

        NpgsqlParameter[] Fields() => [Of(studioId), Of(Words.BackupEvery.WordFor(schedule.Every)), Of(schedule.Keep), Moment(schedule.NextAt), Of(schedule.Version)];
    }

    /// <summary>Studios of which a copy is due: at the door.</summary>
    public static async Task<IReadOnlyList<Guid>> DueAsync(NpgsqlDataSource door, DateTimeOffset now, CancellationToken cancel)
    {
        await using var command = door.CreateCommand("select studio_id from backup_schedule where next_at <= $1 order by next_at");
        command.Parameters.Add(Of(now.ToUniversalTime()));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var due = new List<Guid>();
        while (await reader.ReadAsync(cancel))
            due.Add(reader.GetGuid(0));
        return due;
    }

    /// <summary>Makes the copy that is due, unless another server is just making it.</summary>
    /// <param name="make">Makes it while nobody else can; what it throws leaves the copy due.</param>
    public async Task MakeDueAsync(Guid studioId, DateTimeOffset now, Func<CancellationToken, Task<Backup>> make, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        BackupSchedule schedule;
        await using (var take = new NpgsqlCommand("select every, keep, next_at, version from backup_schedule where studio_id = $1 and next_at <= $2 for update skip locked", connection))
        {
            take.With(Of(studioId), Of(now.ToUniversalTime()));
            await using var reader = await take.ExecuteReaderAsync(cancel);
            if (!await reader.ReadAsync(cancel))
                return;
            schedule = new BackupSchedule(Words.BackupEvery.ValueOf(reader.GetString(0)), reader.GetInt32(1), reader.GetFieldValue<DateTimeOffset>(2), reader.GetInt32(3));
        }

        var backup = await make(cancel);
        await AddAsync(connection, studioId, backup, cancel);
        await RunAsync(connection, "update backup_schedule set next_at = $2 where studio_id = $1", cancel, Of(studioId), Moment(schedule.After(now)));
        await transaction.CommitAsync(cancel);
    }

    public async Task AddAsync(Guid studioId, Backup backup, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await AddAsync(connection, studioId, backup, cancel);
    }

    /// <summary>Newest first.</summary>
    public async Task<IReadOnlyList<Backup>> ListAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select id, made_at, bytes, rows, pictures, sha256 from backup where studio_id = $1 order by made_at desc, id desc");
        command.Parameters.Add(Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var backups = new List<Backup>();
        while (await reader.ReadAsync(cancel))
            backups.Add(new Backup(reader.GetGuid(0), reader.GetFieldValue<DateTimeOffset>(1), reader.GetInt64(2), reader.GetInt64(3), reader.GetInt64(4), (byte[])reader[5]));
        return backups;
    }

    public async Task ForgetAsync(Guid studioId, Guid id, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from backup where studio_id = $1 and id = $2", cancel, Of(studioId), Of(id));
    }

    private static Task<int> AddAsync(NpgsqlConnection connection, Guid studioId, Backup backup, CancellationToken cancel) => RunAsync(
        connection, "insert into backup (studio_id, id, made_at, bytes, rows, pictures, sha256) values ($1, $2, $3, $4, $5, $6, $7)", cancel,
        Of(studioId), Of(backup.Id), Of(backup.MadeAt.ToUniversalTime()), Of(backup.Bytes), Of(backup.Rows), Of(backup.Pictures), Of(backup.Sha256));

    private static NpgsqlParameter Moment(DateTimeOffset? at) => Maybe(NpgsqlDbType.TimestampTz, at?.UtcDateTime);
}
