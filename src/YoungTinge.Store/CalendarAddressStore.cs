using Npgsql;
using YoungTinge.Store.People;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store;

/// <summary>A private address for the calendar of a studio. It is told once, when it is made; kept is only what it hashes to.</summary>
public sealed class CalendarAddressStore(NpgsqlDataSource dataSource)
{
    /// <returns>When the address was made; null if there is none.</returns>
    public async Task<DateTimeOffset?> MadeAtAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select made_at from calendar_address where studio_id = $1");
        command.Parameters.Add(Of(studioId));
        return await command.ExecuteScalarAsync(cancel) is DateTime at ? new DateTimeOffset(at, TimeSpan.Zero) : null;
    }

    /// <summary>Makes a new address; one that there was leads nowhere from then on.</summary>
    /// <returns>What stands in the address.</returns>
    public async Task<string> MakeAsync(Guid studioId, CancellationToken cancel)
    {
        var token = Secret.New();
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, """
            insert into calendar_address (studio_id, token_hash) values ($1, $2)
            on conflict (studio_id) do update set token_hash = excluded.token_hash, made_at = now()
            """, cancel, Of(studioId), Of(Secret.Hash(token)));
        return token;
    }

    public async Task WithdrawAsync(Guid studioId, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from calendar_address where studio_id = $1", cancel, Of(studioId));
    }

    /// <summary>Looks an address up among all studios: at the door.</summary>
    /// <returns>The studio that it is of; null if it leads nowhere.</returns>
    public static async Task<Guid?> FindAsync(NpgsqlDataSource door, string token, CancellationToken cancel)
    {
        await using var command = door.CreateCommand("select studio_id from calendar_address where token_hash = $1");
        command.Parameters.Add(Of(Secret.Hash(token)));
        return await command.ExecuteScalarAsync(cancel) as Guid?;
    }
}
