using Npgsql;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store.People;

/// <summary>Somebody who has signed in, as she is now: whatever was changed about her since counts at once.</summary>
/// <param name="RenewedAt">When it was last said that she is still there.</param>
public sealed record Session(Guid PersonId, string Name, Role Role, DateTimeOffset RenewedAt);

/// <summary>Browsers that are signed in.</summary>
public sealed class SessionStore(NpgsqlDataSource dataSource)
{
    /// <summary>One that is not used for so long is signed out.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromDays(30);

    /// <returns>The secret that its cookie carries.</returns>
    public async Task<string> BeginAsync(Guid studioId, Guid personId, DateTimeOffset now, CancellationToken cancel)
    {
        var secret = Secret.NewOf(studioId);
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from session where studio_id = $1 and seen_at < $2", cancel, Of(studioId), Of((now - Longest).ToUniversalTime()));
        await RunAsync(connection, "insert into session (studio_id, token_hash, person_id, made_at, seen_at) values ($1, $2, $3, $4, $4)", cancel, Of(studioId), Of(Secret.Hash(secret)), Of(personId), Of(now.ToUniversalTime()));
        return secret;
    }

    /// <summary>Null if it was signed out, or never was.</summary>
    public async Task<Session?> FindAsync(Guid studioId, string secret, DateTimeOffset now, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select p.id, p.name, p.role, s.seen_at
            from session s join person p on p.studio_id = s.studio_id and p.id = s.person_id
            where s.studio_id = $1 and s.token_hash = $2 and s.seen_at >= $3
            """);
        command.With(Of(studioId), Of(Secret.Hash(secret)), Of((now - Longest).ToUniversalTime()));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel) ? new Session(reader.GetGuid(0), reader.GetString(1), Words.Role.ValueOf(reader.GetString(2)), reader.GetFieldValue<DateTimeOffset>(3)) : null;
    }

    public async Task RenewAsync(Guid studioId, string secret, DateTimeOffset now, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "update session set seen_at = $3 where studio_id = $1 and token_hash = $2", cancel, Of(studioId), Of(Secret.Hash(secret)), Of(now.ToUniversalTime()));
    }

    public async Task EndAsync(Guid studioId, string secret, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from session where studio_id = $1 and token_hash = $2", cancel, Of(studioId), Of(Secret.Hash(secret)));
    }

    /// <summary>Signs somebody out of every browser.</summary>
    public async Task EndAllAsync(Guid studioId, Guid personId, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await EndAllAsync(connection, studioId, personId, cancel);
    }

    /// <summary>Signs somebody out of every browser but one.</summary>
    public async Task EndOthersAsync(Guid studioId, Guid personId, string secret, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from session where studio_id = $1 and person_id = $2 and token_hash <> $3", cancel, Of(studioId), Of(personId), Of(Secret.Hash(secret)));
    }

    internal static Task EndAllAsync(NpgsqlConnection connection, Guid studioId, Guid personId, CancellationToken cancel) =>
        RunAsync(connection, "delete from session where studio_id = $1 and person_id = $2", cancel, Of(studioId), Of(personId));
}
