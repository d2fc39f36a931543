using Npgsql;

namespace YoungTinge.Store;

/// <param name="Currency">ISO 4217.</param>
public sealed record Studio(Guid Id, string Name, string Maker, string TimeZone, string Currency);

public sealed class StudioStore(NpgsqlDataSource dataSource)
{
    /// <summary>The studio that this server serves; null before one is set up.</summary>
    public async Task<Studio?> FindFirstAsync(CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select id, name, maker, time_zone, currency
            from studio
            order by name
            limit 1
            """);
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel)
            ? new Studio(reader.GetGuid(0), reader.GetString(1), reader.GetString(2), reader.GetString(3), reader.GetString(4))
            : null;
    }
}
