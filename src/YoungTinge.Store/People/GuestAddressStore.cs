using Npgsql;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store.People;

/// <summary>Private addresses under which a client reads one commission. Each is told once, when it is made; kept is only what it hashes to.</summary>
public sealed class GuestAddressStore(NpgsqlDataSource dataSource)
{
    /// <returns>When a commission's address ends; null if there is none, or it has ended.</returns>
    public async Task<DateTimeOffset?> ExpiryAsync(Guid studioId, Guid commissionId, DateTimeOffset now, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select expires_at from guest_address where studio_id = $1 and commission_id = $2 and expires_at > $3");
        command.With(Of(studioId), Of(commissionId), Of(now.ToUniversalTime()));
        return await command.ExecuteScalarAsync(cancel) is DateTime at ? new DateTimeOffset(at, TimeSpan.Zero) : null;
    }

    /// <summary>Makes a new address; one that there was leads nowhere from then on.</summary>
    /// <returns>What stands in the address; null if there is no such commission.</returns>
    public async Task<string?> MakeAsync(Guid studioId, Guid commissionId, DateTimeOffset now, DateTimeOffset expiresAt, CancellationToken cancel)
    {
        var secret = Secret.NewOf(studioId);
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        return await RunAsync(connection, """
            insert into guest_address (studio_id, commission_id, token_hash, made_at, expires_at) select studio_id, id, $3, $4, $5 from live_commission where studio_id = $1 and id = $2
            on conflict (studio_id, commission_id) do update set token_hash = excluded.token_hash, made_at = excluded.made_at, expires_at = excluded.expires_at
            """, cancel, Of(studioId), Of(commissionId), Of(Secret.Hash(secret)), Of(now.ToUniversalTime()), Of(expiresAt.ToUniversalTime())) > 0 ? secret : null;
    }

    public async Task WithdrawAsync(Guid studioId, Guid commissionId, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from guest_address where studio_id = $1 and commission_id = $2", cancel, Of(studioId), Of(commissionId));
    }

    /// <returns>The commission that an address is of; null if it leads nowhere.</returns>
    public async Task<Guid?> CommissionOfAsync(Guid studioId, string secret, DateTimeOffset now, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select g.commission_id from guest_address g join live_commission c on c.studio_id = g.studio_id and c.id = g.commission_id
            where g.studio_id = $1 and g.token_hash = $2 and g.expires_at > $3
            """);
        command.With(Of(studioId), Of(Secret.Hash(secret)), Of(now.ToUniversalTime()));
        return await command.ExecuteScalarAsync(cancel) as Guid?;
    }
}
