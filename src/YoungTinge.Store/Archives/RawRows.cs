using Npgsql;

namespace YoungTinge.Store.Archives;

/// <summary>What holds for the rows of every table, by the types of their columns.</summary>
internal static class RawRows
{
    /// <exception cref="DamagedArchiveException">A row that was just put in is another studio's, or a value in it cannot be.</exception>
    public static async Task CheckAsync(NpgsqlConnection connection, ArchiveTable table, Guid studioId, CancellationToken cancel)
    {
        var wrong = string.Join(" or ", (await ColumnsAsync(connection, table, cancel)).Select(column => $"({column})"));
        // Put in by this transaction and not the studio's; or the studio's and not possible.
        await using var command = new NpgsqlCommand($"""
            select exists (select from {table.Name} where (xmin = pg_current_xact_id()::xid and not ({table.Condition})) or ({table.Condition} and ({wrong})))
            """, connection) { CommandTimeout = 0 };
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        if ((bool)(await command.ExecuteScalarAsync(cancel))!)
            throw new DamagedArchiveException(table.Name);
    }

    /// <returns>For each column whose type lets in too much, when a value of it cannot be.</returns>
    private static async Task<IReadOnlyList<string>> ColumnsAsync(NpgsqlConnection connection, ArchiveTable table, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand(
            "select column_name, udt_name from information_schema.columns where table_schema = 'public' and table_name = $1", connection);
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = table.Name });
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var conditions = new List<string> { "false" };
        while (await reader.ReadAsync(cancel))
        {
            var (column, type) = (reader.GetString(0), reader.GetString(1));
            conditions.AddRange(type switch
            {
                "float8" => [$"{column} in ('NaN', 'Infinity', '-Infinity')"],
                "_float8" => [$"{column} && array['NaN', 'Infinity', '-Infinity']::float8[]", HoldsNothing(column)],
                "date" or "timestamptz" => [$"{column} < '{StudioRules.Earliest:yyyy-MM-dd}' or {column} >= '{StudioRules.Latest:yyyy-MM-dd}'"],
                "_text" or "_uuid" => [HoldsNothing(column)],
                _ => Array.Empty<string>(),
            });
        }

        return conditions;
    }

    /// <summary>A list with a gap in it, or with lists in it.</summary>
    private static string HoldsNothing(string column) => $"array_position({column}, null) is not null or array_ndims({column}) > 1";
}
