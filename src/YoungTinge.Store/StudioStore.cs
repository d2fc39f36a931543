using Npgsql;

namespace YoungTinge.Store;

/// <param name="Maker">Empty if she does not say.</param>
/// <param name="TimeZone">IANA name; its midnight is when a day of a due date begins.</param>
/// <param name="Currency">ISO 4217.</param>
/// <param name="Version">Counts the saves.</param>
public sealed record Studio(Guid Id, string Name, string Maker, string TimeZone, string Currency, Measuring Measuring, int Version)
{
    /// <summary>Of its words, where nobody has chosen another: a BCP 47 tag.</summary>
    public string Language { get; init; } = "en";

    /// <summary>The made-up one, which may be begun anew.</summary>
    public bool IsDemo { get; init; }
}

public sealed class StudioStore(NpgsqlDataSource dataSource)
{
    internal const string Columns = "id, name, maker, time_zone, currency, measures, scale_g, leftover_delta_e, version, holes_mm, language, is_demo";

    /// <summary>Makes a studio with nothing in it.</summary>
    public async Task AddAsync(Studio studio, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await AddAsync(connection, studio, cancel);
    }

    internal static async Task AddAsync(NpgsqlConnection connection, Studio studio, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("insert into studio (id, name, maker, time_zone, currency, measures, scale_g, leftover_delta_e, holes_mm, language, is_demo) values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)", connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studio.Id });
        AddFields(command, studio);
        command.Parameters.Add(new NpgsqlParameter<bool> { TypedValue = studio.IsDemo });
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>All studios that there are, those of makers before the demo: at the door, where none has been gone into.</summary>
    public async Task<IReadOnlyList<Studio>> ListAsync(CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {Columns} from studio order by is_demo, name, id");
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var studios = new List<Studio>();
        while (await reader.ReadAsync(cancel))
            studios.Add(Read(reader));
        return studios;
    }

    internal static Studio Read(NpgsqlDataReader reader) => new(
        reader.GetGuid(0), reader.GetString(1), reader.GetString(2), reader.GetString(3), reader.GetString(4),
        new Measuring(Words.Measures.ValueOf(reader.GetString(5)), reader.GetDouble(6), reader.GetDouble(7)) { HolesMm = HolesOf(reader.GetFieldValue<double[]>(9)) }, reader.GetInt32(8))
    {
        Language = reader.GetString(10),
        IsDemo = reader.GetBoolean(11),
    };

    /// <summary>The same list whenever there are none.</summary>
    private static IReadOnlyList<double> HolesOf(double[] holesMm) => holesMm.Length > 0 ? holesMm : [];

    /// <summary>Writes a studio over the version that the change was made from.</summary>
    /// <returns>False if someone else saved in the meantime; nothing was written then.</returns>
    public async Task<bool> SaveAsync(Studio studio, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        return await SaveAsync(connection, studio, cancel);
    }

    internal static async Task<bool> SaveAsync(NpgsqlConnection connection, Studio studio, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            update studio set name = $2, maker = $3, time_zone = $4, currency = $5, measures = $6, scale_g = $7, leftover_delta_e = $8, holes_mm = $9, language = $10, version = version + 1
            where id = $1 and version = $11
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studio.Id });
        AddFields(command, studio);
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = studio.Version });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    private static void AddFields(NpgsqlCommand command, Studio studio)
    {
        foreach (var text in new[] { studio.Name, studio.Maker, studio.TimeZone, studio.Currency, Words.Measures.WordFor(studio.Measuring.Measures) })
            command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = text });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = studio.Measuring.ScaleG });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = studio.Measuring.LeftoverDeltaE });
        command.Parameters.Add(new NpgsqlParameter<double[]> { TypedValue = [.. studio.Measuring.HolesMm] });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = studio.Language });
    }
}
