using Npgsql;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store.People;

/// <summary>
/// Slows down whoever tries passwords: by the name that is tried, whether there is such a name or not, and by where from. Every try counts as a failure
/// until it turns out to be none, so that many at the same moment are no way round it.
/// </summary>
public sealed class SignInTries(NpgsqlDataSource door)
{
    /// <summary>Failures that nobody waits for.</summary>
    public const int Free = 5;

    /// <summary>From here on the name is locked for a while.</summary>
    public const int Locked = 10;

    public static readonly TimeSpan LockedFor = TimeSpan.FromMinutes(15);

    /// <summary>A failure is forgotten after this.</summary>
    private static readonly TimeSpan Forgotten = TimeSpan.FromDays(1);

    /// <summary>How long after the last of so many failures the next try has to wait: nothing, then 5, 10, 20 ... seconds, then the lock.</summary>
    public static TimeSpan WaitAfter(int failures) => failures switch
    {
        < Free => TimeSpan.Zero,
        < Locked => TimeSpan.FromSeconds(5 * Math.Pow(2, failures - Free)),
        _ => LockedFor,
    };

    /// <param name="key">What is tried, or from where.</param>
    /// <param name="share">Of its failures that count: 1 for a name, less for an address that many people share.</param>
    /// <returns>Null if it may be tried now; else how long that takes.</returns>
    public async Task<TimeSpan?> TakeAsync(string key, double share, DateTimeOffset now, CancellationToken cancel)
    {
        await using var connection = await door.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await RunAsync(connection, "insert into sign_in_try (key, failures, last_at) values ($1, 0, $2) on conflict do nothing", cancel, Of(key), Of(now.ToUniversalTime()));
        await using (var read = new NpgsqlCommand("select failures, last_at from sign_in_try where key = $1 for update", connection))
        {
            read.Parameters.Add(Of(key));
            await using var reader = await read.ExecuteReaderAsync(cancel);
            await reader.ReadAsync(cancel);
            var (failures, lastAt) = (reader.GetInt32(0), reader.GetFieldValue<DateTimeOffset>(1));
            var isOld = lastAt < now - Forgotten;
            var wait = isOld ? TimeSpan.Zero : WaitAfter((int)(failures * share));
            // Who came at the same moment as another, and got her turn after her, has not come too soon.
            if (wait > TimeSpan.Zero && lastAt + wait > now)
                return lastAt + wait - now;
            if (isOld)
                failures = 0;
            await reader.DisposeAsync();
            await RunAsync(connection, "update sign_in_try set failures = $2, last_at = $3 where key = $1", cancel, Of(key), Of(failures + 1), Of(now.ToUniversalTime()));
        }

        await transaction.CommitAsync(cancel);
        return null;
    }

    /// <summary>One try was no failure; those before it still count.</summary>
    public async Task TakeBackAsync(string key, CancellationToken cancel)
    {
        await using var connection = await door.OpenConnectionAsync(cancel);
        await RunAsync(connection, "update sign_in_try set failures = greatest(failures - 1, 0) where key = $1", cancel, Of(key));
    }

    /// <summary>It went well: what failed before does not count any more.</summary>
    public async Task ForgetAsync(string key, DateTimeOffset now, CancellationToken cancel)
    {
        await using var connection = await door.OpenConnectionAsync(cancel);
        await RunAsync(connection, "delete from sign_in_try where key = $1 or last_at < $2", cancel, Of(key), Of((now - Forgotten).ToUniversalTime()));
    }
}
