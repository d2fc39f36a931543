using Npgsql;
using NpgsqlTypes;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store.People;

public enum CodeKind
{
    /// <summary>Makes somebody new of whoever has it.</summary>
    Invite,

    /// <summary>Lets somebody choose a new password.</summary>
    Password,

    /// <summary>Signs somebody in.</summary>
    Enter,
}

/// <summary>What a code is good for.</summary>
/// <param name="Role">Of somebody new; null for one who is there.</param>
/// <param name="Person">Null for somebody new.</param>
public sealed record OneTimeCode(CodeKind Kind, Role? Role, Person? Person);

/// <summary>Somebody who comes in by a code.</summary>
/// <param name="Name">As others are shown it, of somebody new.</param>
public sealed record Newcomer(Guid Id, string Name, string SignInName);

public abstract record UseCodeResult
{
    public sealed record Used(Guid PersonId) : UseCodeResult;

    /// <summary>It was used, is too old, or never was.</summary>
    public sealed record NoSuchCode : UseCodeResult;

    public sealed record NameTaken : UseCodeResult;
}

/// <summary>Codes that are used once, each in an address that an owner hands on: no mail server is needed.</summary>
public sealed class OneTimeCodeStore(NpgsqlDataSource dataSource)
{
    public static readonly TimeSpan Lasts = TimeSpan.FromDays(7);

    /// <summary>An invitation.</summary>
    public Task<string> MakeAsync(Guid studioId, Role role, DateTimeOffset now, CancellationToken cancel) => MakeAsync(studioId, CodeKind.Invite, role, null, now, cancel);

    /// <summary>For somebody who is there; codes that she had before are no longer good.</summary>
    public Task<string> MakeAsync(Guid studioId, CodeKind kind, Guid personId, DateTimeOffset now, CancellationToken cancel) => MakeAsync(studioId, kind, null, personId, now, cancel);

    /// <summary>What a code is good for; null if it was used, is too old, or never was.</summary>
    public async Task<OneTimeCode?> FindAsync(Guid studioId, string code, DateTimeOffset now, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        return await FindAsync(connection, studioId, code, now, "", cancel);
    }

    /// <summary>Uses a code up: whoever has it comes in, with the password that she chose.</summary>
    /// <param name="newcomer">For an invitation.</param>
    /// <param name="passwordHash">Null to be signed in without one.</param>
    public async Task<UseCodeResult> UseAsync(Guid studioId, string code, Newcomer? newcomer, string? passwordHash, DateTimeOffset now, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await FindAsync(connection, studioId, code, now, "for update of c", cancel) is not { } found)
            return new UseCodeResult.NoSuchCode();
        await RunAsync(connection, "delete from one_time_code where studio_id = $1 and token_hash = $2", cancel, Of(studioId), Of(Secret.Hash(code)));
        var personId = found.Person?.Id ?? newcomer!.Id;
        if (found.Person is null)
        {
            if (!await PersonStore.AddAsync(connection, studioId, new Person(personId, newcomer!.Name, newcomer.SignInName, found.Role!.Value, 1), passwordHash, cancel))
                return new UseCodeResult.NameTaken();
        }
        else if (found.Kind == CodeKind.Password)
        {
            await PersonStore.SetPasswordAsync(connection, studioId, personId, passwordHash!, cancel);
            await SessionStore.EndAllAsync(connection, studioId, personId, cancel);
        }

        await transaction.CommitAsync(cancel);
        return new UseCodeResult.Used(personId);
    }

    private async Task<string> MakeAsync(Guid studioId, CodeKind kind, Role? role, Guid? personId, DateTimeOffset now, CancellationToken cancel)
    {
        var code = Secret.NewOf(studioId);
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from one_time_code where studio_id = $1 and (expires_at < $2 or (person_id = $3 and kind = $4))", cancel,
            Of(studioId), Of(now.ToUniversalTime()), Maybe(NpgsqlDbType.Uuid, personId), Of(Words.CodeKind.WordFor(kind)));
        await RunAsync(connection, "insert into one_time_code (studio_id, token_hash, kind, role, person_id, expires_at) values ($1, $2, $3, $4, $5, $6)", cancel,
            Of(studioId), Of(Secret.Hash(code)), Of(Words.CodeKind.WordFor(kind)),
            Maybe(NpgsqlDbType.Text, role is { } known ? Words.Role.WordFor(known) : null), Maybe(NpgsqlDbType.Uuid, personId), Of((now + Lasts).ToUniversalTime()));
        return code;
    }

    private static async Task<OneTimeCode?> FindAsync(NpgsqlConnection connection, Guid studioId, string code, DateTimeOffset now, string held, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand($"""
            select {PersonStore.Columns}, c.kind, c.role
            from one_time_code c left join person p on p.studio_id = c.studio_id and p.id = c.person_id
            where c.studio_id = $1 and c.token_hash = $2 and c.expires_at >= $3 {held}
            """, connection);
        command.With(Of(studioId), Of(Secret.Hash(code)), Of(now.ToUniversalTime()));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel)
            ? new OneTimeCode(Words.CodeKind.ValueOf(reader.GetString(11)), reader.IsDBNull(12) ? null : Words.Role.ValueOf(reader.GetString(12)), reader.IsDBNull(0) ? null : PersonStore.Read(reader))
            : null;
    }
}
