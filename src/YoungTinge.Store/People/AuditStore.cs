using Npgsql;
using NpgsqlTypes;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store.People;

/// <summary>Something that somebody changed.</summary>
/// <param name="PersonId">Null for nobody who had signed in.</param>
/// <param name="Action">As the API calls it.</param>
/// <param name="SubjectId">What it was done to, if it was one thing; else empty.</param>
public sealed record AuditEntry(Guid Id, DateTimeOffset At, Guid? PersonId, string PersonName, string Action, string SubjectId);

/// <param name="Subject">Its name now; empty if it has none, or is gone.</param>
public sealed record NamedAuditEntry(AuditEntry Entry, string Subject);

/// <summary>Who changed what in a studio.</summary>
public sealed class AuditStore(NpgsqlDataSource dataSource)
{
    /// <summary>Older ones go.</summary>
    private static readonly TimeSpan Kept = TimeSpan.FromDays(400);

    public async Task AddAsync(Guid studioId, AuditEntry entry, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "insert into audit_entry (studio_id, id, at, person_id, person_name, action, subject_id) values ($1, $2, $3, $4, $5, $6, $7)", cancel,
            Of(studioId), Of(entry.Id), Of(entry.At.ToUniversalTime()), Maybe(NpgsqlDbType.Uuid, entry.PersonId),
            Of(entry.PersonName), Of(entry.Action), Of(entry.SubjectId));
    }

    /// <summary>Newest first.</summary>
    /// <param name="before">Only older ones; null for the newest.</param>
    public async Task<IReadOnlyList<NamedAuditEntry>> ListAsync(Guid studioId, DateTimeOffset? before, int most, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select a.id, a.at, a.person_id, a.person_name, a.action, a.subject_id, coalesce(
                (select name from commission where studio_id = $1 and id::text = a.subject_id),
                (select name from flower where studio_id = $1 and id::text = a.subject_id),
                (select f.name || ', ' || p.name from piece p join flower f on f.studio_id = p.studio_id and f.id = p.flower_id where p.studio_id = $1 and p.id::text = a.subject_id),
                (select name from batch where studio_id = $1 and id::text = a.subject_id),
                (select name from material where studio_id = $1 and id = a.subject_id),
                (select name from person where studio_id = $1 and id::text = a.subject_id), '')
            from audit_entry a
            where a.studio_id = $1 and ($2 is null or a.at < $2)
            order by a.at desc, a.id desc
            limit $3
            """);
        command.With(Of(studioId), Maybe(NpgsqlDbType.TimestampTz, before?.UtcDateTime), Of(most));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var entries = new List<NamedAuditEntry>();
        while (await reader.ReadAsync(cancel))
        {
            entries.Add(new NamedAuditEntry(
                new AuditEntry(reader.GetGuid(0), reader.GetFieldValue<DateTimeOffset>(1), reader.IsDBNull(2) ? null : reader.GetGuid(2), reader.GetString(3), reader.GetString(4), reader.GetString(5)),
                reader.GetString(6)));
        }

        return entries;
    }

    public async Task TidyAsync(Guid studioId, DateTimeOffset now, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from audit_entry where studio_id = $1 and at < $2", cancel, Of(studioId), Of((now - Kept).ToUniversalTime()));
    }
}
