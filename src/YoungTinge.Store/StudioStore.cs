using Npgsql;

namespace YoungTinge.Store;

/// <param name="Currency">ISO 4217.</param>
/// <param name="Version">Counts the saves of how it measures.</param>
public sealed record Studio(Guid Id, string Name, string Maker, string TimeZone, string Currency, Measuring Measuring, int Version);

public sealed class StudioStore(NpgsqlDataSource dataSource)
{
    /// <summary>The studio that this server serves; null before one is set up.</summary>
    public async Task<Studio?> FindFirstAsync(CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select id, name, maker, time_zone, currency, measures, scale_g, leftover_delta_e, version
            from studio
            order by name
            limit 1
            """);
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel)
            ? new Studio(
                reader.GetGuid(0), reader.GetString(1), reader.GetString(2), reader.GetString(3), reader.GetString(4),
                new Measuring(Words.Measures.ValueOf(reader.GetString(5)), reader.GetDouble(6), reader.GetDouble(7)), reader.GetInt32(8))
            : null;
    }

    /// <param name="version">That the change was made from.</param>
    /// <returns>False if someone else saved in the meantime; nothing was written then.</returns>
    public async Task<bool> SaveAsync(Guid studioId, Measuring measuring, int version, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            update studio set measures = $2, scale_g = $3, leftover_delta_e = $4, version = version + 1
            where id = $1 and version = $5
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Measures.WordFor(measuring.Measures) });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = measuring.ScaleG });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = measuring.LeftoverDeltaE });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = version });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }
}
