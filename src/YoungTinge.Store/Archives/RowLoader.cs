using System.Text;
using Npgsql;
using NpgsqlTypes;

namespace YoungTinge.Store.Archives;

/// <summary>Something in an archive cannot be.</summary>
/// <param name="table">Where.</param>
internal sealed class DamagedArchiveException(string table, Exception? inner = null) : Exception($"The archive is damaged in {table}.", inner)
{
    public string Table => table;
}

/// <summary>Puts rows of an archive into tables, as the database itself reads rows from JSON, so that nothing is rounded or forgotten.</summary>
internal static class RowLoader
{
    private const int RowsAtOnce = 500;
    private const int CharactersAtOnce = 1_000_000;

    /// <param name="studioId">Whose the rows become, whatever they say.</param>
    /// <returns>How many rows there were.</returns>
    public static async Task<long> PutAsync(NpgsqlConnection connection, string table, Guid studioId, IAsyncEnumerable<string> rows, Action? tell, CancellationToken cancel)
    {
        long count = 0;
        var some = new StringBuilder("[");
        var inIt = 0;
        await foreach (var row in rows.WithCancellation(cancel))
        {
            some.Append(inIt++ > 0 ? "," : "").Append(row);
            count++;
            if (inIt < RowsAtOnce && some.Length < CharactersAtOnce)
                continue;
            await FlushAsync();
            tell?.Invoke();
        }

        if (inIt > 0)
            await FlushAsync();
        return count;

        async Task FlushAsync()
        {
            await using var command = new NpgsqlCommand($"""
                insert into {table} select own.* from jsonb_array_elements($1) line, jsonb_populate_record(null::{table}, line || jsonb_build_object('{(table == "studio" ? "id" : "studio_id")}', $2)) own
                """, connection) { CommandTimeout = 0 };
            command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = some.Append(']').ToString() });
            command.Parameters.Add(Sql.Of(studioId));
            if (await command.ExecuteNonQueryAsync(cancel) != inIt)
                throw new DamagedArchiveException(table);
            some.Clear().Append('[');
            inIt = 0;
        }
    }

    public static async Task RunAsync(NpgsqlConnection connection, string sql, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand(sql, connection) { CommandTimeout = 0 };
        await command.ExecuteNonQueryAsync(cancel);
    }
}
