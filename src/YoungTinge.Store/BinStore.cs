using Npgsql;

namespace YoungTinge.Store;

/// <summary>What can be taken out and given back.</summary>
public enum BinKind
{
    Commission,
    Flower,
    Piece,
}

/// <summary>Something that was taken out.</summary>
/// <param name="Of">What it belongs to: a flower's commission, a piece's flower; empty for a commission.</param>
public sealed record BinEntry(BinKind Kind, Guid Id, string Name, string Of, DateTimeOffset DeletedAt);

/// <summary>
/// Commissions, flowers and pieces that were taken out. They can be given back as they were, with all that is in them, until their
/// days are over; then they are gone for good.
/// </summary>
public sealed class BinStore(NpgsqlDataSource dataSource)
{
    public const int KeptDays = 30;

    /// <summary>Newest first. What was taken out before the thing that it is in comes back with that.</summary>
    public async Task<IReadOnlyList<BinEntry>> ListAsync(Guid studioId, DateTimeOffset now, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select 'Commission', id, name, '', deleted_at from commission where studio_id = $1 and deleted_at >= $2
            union all
            select 'Flower', f.id, f.name, c.name, f.deleted_at
            from flower f join live_commission c on c.studio_id = f.studio_id and c.id = f.commission_id
            where f.studio_id = $1 and f.deleted_at >= $2
            union all
            select 'Piece', p.id, p.name, f.name, p.deleted_at
            from piece p join live_flower f on f.studio_id = p.studio_id and f.id = p.flower_id
            where p.studio_id = $1 and p.deleted_at >= $2
            order by 5 desc, 2
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(OldestKept(now));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var entries = new List<BinEntry>();
        while (await reader.ReadAsync(cancel))
        {
            entries.Add(new BinEntry(
                Enum.Parse<BinKind>(reader.GetString(0)), reader.GetGuid(1), reader.GetString(2), reader.GetString(3), reader.GetFieldValue<DateTimeOffset>(4)));
        }

        return entries;
    }

    /// <summary>Takes something out; whatever has lain in the bin for longer than its days is gone for good from now on.</summary>
    /// <returns>False if there is no such thing.</returns>
    public async Task<bool> PutInAsync(Guid studioId, BinKind kind, Guid id, DateTimeOffset now, CancellationToken cancel)
    {
        await EmptyAsync(studioId, now, cancel);
        await using var command = dataSource.CreateCommand($"update {TableOf(kind)} set deleted_at = $3 where studio_id = $1 and id = $2 and deleted_at is null");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        command.Parameters.Add(new NpgsqlParameter<DateTime> { TypedValue = now.UtcDateTime });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    /// <returns>False if it is no longer there, or what it was in is in the bin itself.</returns>
    public async Task<bool> GiveBackAsync(Guid studioId, Guid id, DateTimeOffset now, CancellationToken cancel)
    {
        if ((await ListAsync(studioId, now, cancel)).FirstOrDefault(entry => entry.Id == id) is not { } entry)
            return false;
        await using var command = dataSource.CreateCommand($"update {TableOf(entry.Kind)} set deleted_at = null where studio_id = $1 and id = $2 and deleted_at is not null");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = id });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    private async Task EmptyAsync(Guid studioId, DateTimeOffset now, CancellationToken cancel)
    {
        foreach (var kind in Enum.GetValues<BinKind>())
        {
            await using var command = dataSource.CreateCommand($"delete from {TableOf(kind)} where studio_id = $1 and deleted_at < $2");
            command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
            command.Parameters.Add(OldestKept(now));
            await command.ExecuteNonQueryAsync(cancel);
        }
    }

    private static NpgsqlParameter OldestKept(DateTimeOffset now) => new NpgsqlParameter<DateTime> { TypedValue = now.UtcDateTime.AddDays(-KeptDays) };

    private static string TableOf(BinKind kind) => kind switch
    {
        BinKind.Commission => "commission",
        BinKind.Flower => "flower",
        _ => "piece",
    };
}
