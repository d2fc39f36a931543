using Npgsql;
using NpgsqlTypes;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store.People;

/// <summary>What came of changing somebody.</summary>
public enum ChangePersonResult
{
    Changed,
    NotFound,

    /// <summary>Somebody else was quicker.</summary>
    ChangedElsewhere,

    /// <summary>The studio would be left without an owner.</summary>
    LastOwner,
}

/// <summary>Who a name to sign in with is.</summary>
public sealed record FoundPerson(Guid StudioId, Guid PersonId, string? PasswordHash);

/// <summary>The people of a studio.</summary>
public sealed class PersonStore(NpgsqlDataSource dataSource)
{
    /// <summary>Of <c>person p</c>, in the order of <see cref="Read"/>.</summary>
    internal const string Columns = "p.id, p.name, p.sign_in_name, p.role, p.version, p.language, p.measures, p.time_zone, p.theme, p.made_at, p.password_hash is not null";

    /// <summary>Owners first, then by name.</summary>
    public async Task<IReadOnlyList<Person>> ListAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {Columns} from person p where studio_id = $1 order by array_position(array['owner', 'maker', 'helper'], role), lower(name), id");
        command.Parameters.Add(Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var people = new List<Person>();
        while (await reader.ReadAsync(cancel))
            people.Add(Read(reader));
        return people;
    }

    public async Task<Person?> FindAsync(Guid studioId, Guid personId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {Columns} from person p where studio_id = $1 and id = $2");
        command.Parameters.Add(Of(studioId));
        command.Parameters.Add(Of(personId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel) ? Read(reader) : null;
    }

    /// <summary>Looks a name up among all studios: at the door.</summary>
    public static async Task<FoundPerson?> FindByNameAsync(NpgsqlDataSource door, string signInName, CancellationToken cancel)
    {
        await using var command = door.CreateCommand("select studio_id, id, password_hash from person where lower(sign_in_name) = lower($1)");
        command.Parameters.Add(Of(signInName));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel) ? new FoundPerson(reader.GetGuid(0), reader.GetGuid(1), reader.IsDBNull(2) ? null : reader.GetString(2)) : null;
    }

    /// <returns>False if somebody has that name already.</returns>
    public static async Task<bool> AddAsync(NpgsqlConnection connection, Guid studioId, Person person, string? passwordHash, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            insert into person (studio_id, id, name, sign_in_name, role, password_hash) values ($1, $2, $3, $4, $5, $6)
            on conflict ((lower(sign_in_name))) do nothing
            """, connection);
        command.With(Of(studioId), Of(person.Id), Of(person.Name), Of(person.SignInName), Of(Words.Role.WordFor(person.Role)), Text(passwordHash));
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    public async Task<string?> PasswordHashAsync(Guid studioId, Guid personId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("select password_hash from person where studio_id = $1 and id = $2");
        command.With(Of(studioId), Of(personId));
        return await command.ExecuteScalarAsync(cancel) as string;
    }

    public async Task SetPasswordAsync(Guid studioId, Guid personId, string passwordHash, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await SetPasswordAsync(connection, studioId, personId, passwordHash, cancel);
    }

    internal static Task SetPasswordAsync(NpgsqlConnection connection, Guid studioId, Guid personId, string passwordHash, CancellationToken cancel) =>
        RunAsync(connection, "update person set password_hash = $3 where studio_id = $1 and id = $2", cancel, Of(studioId), Of(personId), Of(passwordHash));

    /// <summary>Writes her name and how she sees the pages, over the version that the change was made from.</summary>
    /// <returns>False if it was changed in the meantime.</returns>
    public async Task<bool> SaveAsync(Guid studioId, Person person, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        return await RunAsync(connection, """
            update person set name = $3, language = $4, measures = $5, time_zone = $6, theme = $7, version = version + 1
            where studio_id = $1 and id = $2 and version = $8
            """, cancel,
            Of(studioId), Of(person.Id), Of(person.Name), Text(person.Preferences.Language),
            Text(person.Preferences.Measures is { } measures ? Words.Measures.WordFor(measures) : null), Text(person.Preferences.TimeZone),
            Text(person.Preferences.Theme is { } theme ? Words.Theme.WordFor(theme) : null), Of(person.Version)) > 0;
    }

    public Task<ChangePersonResult> ChangeRoleAsync(Guid studioId, Guid personId, int version, Role role, CancellationToken cancel) =>
        ChangeAsync(studioId, personId, version, stays: role == Role.Owner, connection => RunAsync(
            connection, "update person set role = $3, version = version + 1 where studio_id = $1 and id = $2", cancel, Of(studioId), Of(personId), Of(Words.Role.WordFor(role))), cancel);

    /// <summary>Takes somebody out of the studio: every browser that she has signed in with is signed out.</summary>
    public Task<ChangePersonResult> RemoveAsync(Guid studioId, Guid personId, int version, CancellationToken cancel) =>
        ChangeAsync(studioId, personId, version, stays: false, connection => RunAsync(connection, "delete from person where studio_id = $1 and id = $2", cancel, Of(studioId), Of(personId)), cancel);

    /// <param name="stays">Whether she is an owner after it.</param>
    private async Task<ChangePersonResult> ChangeAsync(Guid studioId, Guid personId, int version, bool stays, Func<NpgsqlConnection, Task> change, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // One change at a time: two owners who take each other out would each find the other one still there.
        var people = new Dictionary<Guid, (string Role, int Version)>();
        await using (var read = new NpgsqlCommand("select id, role, version from person where studio_id = $1 order by id for update", connection))
        {
            read.Parameters.Add(Of(studioId));
            await using var reader = await read.ExecuteReaderAsync(cancel);
            while (await reader.ReadAsync(cancel))
                people[reader.GetGuid(0)] = (reader.GetString(1), reader.GetInt32(2));
        }

        if (!people.TryGetValue(personId, out var her))
            return ChangePersonResult.NotFound;
        if (her.Version != version)
            return ChangePersonResult.ChangedElsewhere;
        var owner = Words.Role.WordFor(Role.Owner);
        if (!stays && her.Role == owner && people.Count(person => person.Value.Role == owner) == 1)
            return ChangePersonResult.LastOwner;
        await change(connection);
        await transaction.CommitAsync(cancel);
        return ChangePersonResult.Changed;
    }

    private static NpgsqlParameter Text(string? value) => Maybe(NpgsqlDbType.Text, value);

    internal static Person Read(NpgsqlDataReader reader) => new(reader.GetGuid(0), reader.GetString(1), reader.GetString(2), Words.Role.ValueOf(reader.GetString(3)), reader.GetInt32(4))
    {
        Preferences = new Preferences(
            reader.IsDBNull(5) ? null : reader.GetString(5), reader.IsDBNull(6) ? null : Words.Measures.ValueOf(reader.GetString(6)),
            reader.IsDBNull(7) ? null : reader.GetString(7), reader.IsDBNull(8) ? null : Words.Theme.ValueOf(reader.GetString(8))),
        MadeAt = reader.GetFieldValue<DateTimeOffset>(9),
        HasPassword = reader.GetBoolean(10),
    };
}
