using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;
using Npgsql;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store;

/// <summary>A private address for the calendar of a studio. It is told once, when it is made; kept is only what it hashes to.</summary>
public sealed class CalendarAddressStore(NpgsqlDataSource dataSource)
{
    private const int SecretBytes = 24;

    /// <summary>Of what stands in an address, in characters.</summary>
    public const int TokenLength = SecretBytes / 3 * 4;

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
        var token = Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(SecretBytes));
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, """
            insert into calendar_address (studio_id, token_hash) values ($1, $2)
            on conflict (studio_id) do update set token_hash = excluded.token_hash, made_at = now()
            """, cancel, Of(studioId), Of(Hash(token)));
        return token;
    }

    public async Task WithdrawAsync(Guid studioId, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from calendar_address where studio_id = $1", cancel, Of(studioId));
    }

    /// <returns>The studio that an address is of; null if it leads nowhere.</returns>
    public async Task<Guid?> FindAsync(string token, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select studio_id from calendar_address where token_hash = $1");
        command.Parameters.Add(Of(Hash(token)));
        return await command.ExecuteScalarAsync(cancel) as Guid?;
    }

    private static byte[] Hash(string token) => SHA256.HashData(Encoding.UTF8.GetBytes(token));
}
