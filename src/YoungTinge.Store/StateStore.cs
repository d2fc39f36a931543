using Npgsql;

namespace YoungTinge.Store;

/// <summary>Tells whether anything in a studio has changed, without reading what is in it.</summary>
public sealed class StateStore
{
    private readonly NpgsqlDataSource dataSource;
    private readonly Guid studioId;
    private readonly SharedReading<(Studio Studio, IReadOnlyDictionary<string, string> State)?> reading;

    public StateStore(NpgsqlDataSource dataSource, Guid studioId)
    {
        this.dataSource = dataSource;
        this.studioId = studioId;
        reading = new(ReadAsync);
    }

    /// <summary>
    /// All tables but those of pictures, which no view is computed from, each with triggers that leave a mark of every change. How much is
    /// left of a material has a mark of its own, <c>stock</c>.
    /// </summary>
    public static readonly IReadOnlyList<string> Tables =
    [
        "material", "stock", "dose_unit", "commission", "flower", "piece", "paste_plan", "batch", "operation_done", "paste_day_leftover", "stock_use", "log_entry", "studio", "work_plan", "bench_timer", "drying_reading", "practice_trial",
    ];

    /// <summary>The studio with the state that it is in, in one going; null if it is gone.</summary>
    /// <returns>
    /// The state has a word for each table, for what a reader sees of it at this moment. Marks carry the number of the transaction that made
    /// the change and are seen with it, so the word is another after any change, whoever made it and in whatever order changes end.
    /// </returns>
    public Task<(Studio Studio, IReadOnlyDictionary<string, string> State)?> FindAsync(CancellationToken cancel) => reading.ReadAsync(cancel);

    private async Task<(Studio Studio, IReadOnlyDictionary<string, string> State)?> ReadAsync()
    {
        await using var command = dataSource.CreateCommand($"""
            select {StudioStore.Columns}, (
                select array_agg(marks.table_name || ' ' || marks.word)
                from (
                    select table_name, count(*) || '.' || sum(hashtextextended(backend || ' ' || xact, 0)) as word
                    from change_mark
                    where studio_id = studio.id
                    group by table_name
                ) marks)
            from studio
            where id = $1
            """);
        command.Parameters.Add(Sql.Of(studioId));
        await using var reader = await command.ExecuteReaderAsync();
        if (!await reader.ReadAsync())
            return null;
        var studio = StudioStore.Read(reader);
        var words = reader.IsDBNull(reader.FieldCount - 1) ? [] : reader.GetFieldValue<string[]>(reader.FieldCount - 1);
        var marks = words.Select(word => word.Split(' ')).ToDictionary(word => word[0], word => word[1]);
        return (studio, Tables.ToDictionary(table => table, table => marks.GetValueOrDefault(table, "")));
    }
}
