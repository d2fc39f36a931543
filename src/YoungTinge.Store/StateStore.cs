using Npgsql;

namespace YoungTinge.Store;

/// <summary>Tells whether anything in a studio has changed, without reading what is in it.</summary>
public sealed class StateStore(NpgsqlDataSource dataSource)
{
    /// <summary>All but pictures, which no view is computed from.</summary>
    private static readonly string[] Tables =
    [
        "material", "dose_unit", "commission", "flower", "piece", "paste_plan", "batch", "operation_done", "paste_day_leftover", "stock_use", "log_entry", "studio",
    ];

    /// <summary>
    /// A word for what a reader sees at this moment. PostgreSQL writes a changed row anew under the number of the transaction that did
    /// it (xmin), so the rows' numbers and places are others after any change, whoever made it and in whatever order changes end.
    /// </summary>
    public async Task<string> OfAsync(Guid studioId, CancellationToken cancel) => string.Join('-', (await TablesAsync(studioId, cancel)).Values);

    /// <summary>The same, a word for each table by its name.</summary>
    public async Task<IReadOnlyDictionary<string, string>> TablesAsync(Guid studioId, CancellationToken cancel)
    {
        // The names are ours, from the list above.
        var parts = string.Join(" union all ", Tables.Select((table, i) =>
            $"select {i} as part, count(*) as rows, coalesce(sum(hashtextextended(xmin::text || ctid::text, 0)), 0) as marks from {table} where {ConditionOf(table)}"));
        await using var command = dataSource.CreateCommand($"select array_agg(rows || '.' || marks order by part) from ({parts}) state");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        return Tables.Zip((string[])(await command.ExecuteScalarAsync(cancel))!).ToDictionary(pair => pair.First, pair => pair.Second);
    }

    private static string ConditionOf(string table) => table switch
    {
        "studio" => "id = $1",
        _ => "studio_id = $1",
    };
}
