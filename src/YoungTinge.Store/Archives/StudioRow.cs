using Npgsql;
using NpgsqlTypes;

namespace YoungTinge.Store.Archives;

/// <summary>The row of the studio itself: what an archive says of it is taken over into the studio that is there.</summary>
internal static class StudioRow
{
    /// <summary>Which studio it is, and whether it is the demo, is not for an archive to say.</summary>
    private static readonly string[] Own = ["id", "is_demo"];

    /// <param name="from">Where the other row comes from: a table, or a function of $2.</param>
    /// <param name="json">For $2, if it takes that.</param>
    /// <exception cref="DamagedArchiveException">There is no such row.</exception>
    public static async Task PutAsync(NpgsqlConnection connection, Guid studioId, string from, string? json, CancellationToken cancel)
    {
        var columns = new List<string>();
        await using (var command = new NpgsqlCommand("select column_name from information_schema.columns where table_schema = 'public' and table_name = 'studio'", connection))
        await using (var reader = await command.ExecuteReaderAsync(cancel))
        {
            while (await reader.ReadAsync(cancel))
                columns.Add(reader.GetString(0));
        }

        var taken = string.Join(", ", columns.Except(Own));
        await using var update = new NpgsqlCommand($"update public.studio set ({taken}) = (select {taken} from {from} other) where id = $1", connection);
        update.Parameters.Add(Sql.Of(studioId));
        if (json is not null)
            update.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = json });
        if (await update.ExecuteNonQueryAsync(cancel) != 1)
            throw new DamagedArchiveException("studio");
    }
}
