using Npgsql;
using NpgsqlTypes;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store;

/// <summary>Something that runs for a while and is to be told when it is over.</summary>
/// <param name="OperationId">That it is for; null for one of the maker's own.</param>
/// <param name="Name">In her words; empty for that of the operation.</param>
/// <param name="Seconds">1 to 86,400.</param>
/// <param name="By">Who started it; empty if that is not known.</param>
public sealed record BenchTimer(Guid Id, string? OperationId, string Name, int Seconds, DateTimeOffset StartedAt, string By)
{
    public const int MostSeconds = 86_400;

    public const int LongestName = 80;
}

/// <summary>Pieces that dry were touched.</summary>
/// <param name="IsDry">As dry as they have to be.</param>
/// <param name="Minutes">Since they were laid out; null if that is not known.</param>
/// <param name="PlannedMinutes">That it was to take.</param>
/// <param name="HouseMinutes">That it takes by the house figures, whatever had been learned by then.</param>
/// <param name="By">Who touched them; empty if that is not known.</param>
public sealed record DryingReading(Guid Id, string OperationId, bool IsDry, double? Minutes, double PlannedMinutes, double HouseMinutes, DateTimeOffset At, string By)
{
    public const double MostMinutes = 1e6;
}

/// <summary>What goes on at the bench. Whatever a device says has an id, and counts once, however often it is sent.</summary>
public sealed class BenchStore(NpgsqlDataSource dataSource)
{
    internal const string TimerColumns = "id, operation_id, name, seconds, started_at, started_by";
    internal const string ReadingColumns = "id, operation_id, is_dry, minutes, planned_minutes, house_minutes, read_at, read_by";

    /// <summary>Longer ago nobody sends anything again.</summary>
    private const string Forgotten = "90 days";

    public async Task<IReadOnlyList<BenchTimer>> TimersAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {TimerColumns} from bench_timer where studio_id = $1 order by started_at + make_interval(secs => seconds), id");
        command.Parameters.Add(Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var timers = new List<BenchTimer>();
        while (await reader.ReadAsync(cancel))
            timers.Add(ReadTimer(reader));
        return timers;
    }

    public async Task<IReadOnlyList<DryingReading>> ReadingsAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {ReadingColumns} from drying_reading where studio_id = $1 order by read_at, id");
        command.Parameters.Add(Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var readings = new List<DryingReading>();
        while (await reader.ReadAsync(cancel))
            readings.Add(ReadReading(reader));
        return readings;
    }

    internal static BenchTimer ReadTimer(NpgsqlDataReader reader) =>
        new(reader.GetGuid(0), reader.IsDBNull(1) ? null : reader.GetString(1), reader.GetString(2), reader.GetInt32(3), reader.GetFieldValue<DateTimeOffset>(4), reader.GetString(5));

    internal static DryingReading ReadReading(NpgsqlDataReader reader) =>
        new(reader.GetGuid(0), reader.GetString(1), reader.GetBoolean(2), reader.IsDBNull(3) ? null : reader.GetDouble(3), reader.GetDouble(4), reader.GetDouble(5), reader.GetFieldValue<DateTimeOffset>(6), reader.GetString(7));

    public Task StartAsync(Guid studioId, Guid noteId, BenchTimer timer, CancellationToken cancel) => OnceAsync(studioId, noteId, connection => RunAsync(connection, """
        insert into bench_timer (studio_id, id, operation_id, name, seconds, started_at, started_by)
        values ($1, $2, $3, $4, $5, $6, $7)
        on conflict do nothing
        """, cancel, Of(studioId), Of(timer.Id), Maybe(NpgsqlDbType.Text, timer.OperationId), Of(timer.Name), Of(timer.Seconds), Of(timer.StartedAt.ToUniversalTime()), Of(timer.By)), cancel);

    public Task StopAsync(Guid studioId, Guid noteId, Guid timerId, CancellationToken cancel) => OnceAsync(studioId, noteId,
        connection => RunAsync(connection, "delete from bench_timer where studio_id = $1 and id = $2", cancel, Of(studioId), Of(timerId)), cancel);

    /// <summary>Its own id makes it count once.</summary>
    public async Task ReadAsync(Guid studioId, DryingReading reading, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, """
            insert into drying_reading (studio_id, id, operation_id, is_dry, minutes, planned_minutes, house_minutes, read_at, read_by)
            values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
            on conflict do nothing
            """, cancel, Of(studioId), Of(reading.Id), Of(reading.OperationId), Of(reading.IsDry), Maybe(NpgsqlDbType.Double, reading.Minutes),
            Of(reading.PlannedMinutes), Of(reading.HouseMinutes), Of(reading.At.ToUniversalTime()), Of(reading.By));
    }

    /// <summary>It was not dry after all: what was felt goes with the tick, in its transaction.</summary>
    internal static Task TakeBackDryAsync(NpgsqlConnection connection, Guid studioId, string operationId, CancellationToken cancel) =>
        RunAsync(connection, "delete from drying_reading where studio_id = $1 and operation_id = $2 and is_dry", cancel, Of(studioId), Of(operationId));

    private async Task OnceAsync(Guid studioId, Guid noteId, Func<NpgsqlConnection, Task> write, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (!await IsNewAsync(connection, studioId, noteId, cancel))
            return;
        await write(connection);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Takes a note in, within the transaction that does what it says.</summary>
    /// <returns>False if it was taken in before: then it has been done.</returns>
    internal static async Task<bool> IsNewAsync(NpgsqlConnection connection, Guid studioId, Guid noteId, CancellationToken cancel)
    {
        await RunAsync(connection, $"delete from bench_note where studio_id = $1 and taken_at < now() - interval '{Forgotten}'", cancel, Of(studioId));
        return await RunAsync(connection, "insert into bench_note (studio_id, id) values ($1, $2) on conflict do nothing", cancel, Of(studioId), Of(noteId)) > 0;
    }
}
