using Npgsql;

namespace YoungTinge.Store.Archives;

/// <summary>
/// Brings an archive of an older build up to this one by the very migrations that brought its database up: its rows are put into
/// temporary tables of their own time, the later migrations are run over those, and what comes out is taken over.
/// </summary>
internal static class ArchiveLift
{
    /// <summary>The first build that wrote archives.</summary>
    public const int Oldest = 5;

    /// <summary>The first build whose rows only name their pictures.</summary>
    private const int PicturesApart = 11;

    public static async Task PutAsync(NpgsqlConnection connection, Guid studioId, ArchiveFile file, Func<byte[], bool> isPicture, Action<string> at, Action tell, CancellationToken cancel)
    {
        at("studio");
        // What a migration makes without saying where is made here, and is gone with the connection.
        await RowLoader.RunAsync(connection, "set local search_path = pg_temp", cancel);
        foreach (var script in Schema.Scripts().Where(script => script.Number <= file.Version))
            await RowLoader.RunAsync(connection, script.Sql, cancel);
        // Pictures that came as files stand in their own table already, and are too large to be copied here for rows to name them.
        if (file.Version >= PicturesApart)
            await RowLoader.RunAsync(connection, "alter table pg_temp.picture drop constraint picture_file_sha256_fkey", cancel);
        await RowLoader.PutAsync(connection, "studio", studioId, ArchiveStore.One(file.Studio), tell, cancel);
        foreach (var table in ArchiveTables.All.Concat(ArchiveTables.Former))
        {
            at(table.Name);
            if (await IsThereAsync(connection, table, cancel))
                await RowLoader.PutAsync(connection, table.Name, studioId, file.RowsAsync(table, cancel), tell, cancel);
            else if (file.Has(table))
                throw new DamagedArchiveException(table.Name);
        }

        at("");
        foreach (var script in Schema.Scripts().Where(script => script.Number > file.Version))
            await RowLoader.RunAsync(connection, script.Sql, cancel);
        await RowLoader.RunAsync(connection, "set local search_path to default", cancel);
        await CheckPicturesAsync(connection, isPicture, cancel);
        await RowLoader.RunAsync(connection, "insert into public.picture_file select * from pg_temp.picture_file on conflict do nothing", cancel);
        at("studio");
        await StudioRow.PutAsync(connection, studioId, "pg_temp.studio", null, cancel);
        foreach (var table in ArchiveTables.All.Select(table => table.Name))
        {
            at(table);
            await RowLoader.RunAsync(connection, $"insert into public.{table} select * from pg_temp.{table}", cancel);
        }

        // Their names must not stand before those of the studio's own tables from here on.
        await RowLoader.RunAsync(connection, """
            do $$
            declare one regclass;
            begin
                for one in select oid from pg_class where relnamespace = pg_my_temp_schema() and relkind = 'r' loop
                    execute format('drop table %s cascade', one);
                end loop;
            end $$
            """, cancel);
    }

    private static async Task CheckPicturesAsync(NpgsqlConnection connection, Func<byte[], bool> isPicture, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("select jpeg from pg_temp.picture_file", connection);
        await using var reader = await command.ExecuteReaderAsync(cancel);
        while (await reader.ReadAsync(cancel))
        {
            if (!isPicture((byte[])reader[0]))
                throw new DamagedArchiveException("picture");
        }
    }

    private static async Task<bool> IsThereAsync(NpgsqlConnection connection, ArchiveTable table, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand($"select to_regclass('pg_temp.{table.Name}') is not null", connection);
        return (bool)(await command.ExecuteScalarAsync(cancel))!;
    }
}
