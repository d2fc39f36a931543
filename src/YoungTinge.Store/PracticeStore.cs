using Npgsql;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Practice;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store;

/// <summary>Something that was tried in practice.</summary>
/// <param name="Level">How far apart it was; of a match, how far off it was left. CIEDE2000, 0 to 100.</param>
/// <param name="Colour">That it was about.</param>
public sealed record PracticeTrial(Guid Id, Exercise Exercise, double Level, bool IsRight, Lab Colour, DateTimeOffset At)
{
    public const double MostLevel = 100;
}

/// <summary>What was tried in practice.</summary>
public sealed class PracticeStore(NpgsqlDataSource dataSource)
{
    internal const string Columns = "id, exercise, level, is_right, colour_l, colour_a, colour_b, tried_at";

    /// <summary>Sending the same again changes nothing.</summary>
    public async Task AddAsync(Guid studioId, PracticeTrial trial, CancellationToken cancel)
    {
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await RunAsync(connection, """
            insert into practice_trial (studio_id, id, exercise, level, is_right, colour_l, colour_a, colour_b, tried_at)
            values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
            on conflict do nothing
            """, cancel, Of(studioId), Of(trial.Id), Of(Words.Exercises.WordFor(trial.Exercise)), Of(trial.Level), Of(trial.IsRight), Of(trial.Colour.L), Of(trial.Colour.A), Of(trial.Colour.B), Of(trial.At.ToUniversalTime()));
    }

    /// <returns>The last of them, the oldest first.</returns>
    public async Task<IReadOnlyList<PracticeTrial>> ListAsync(Guid studioId, int most, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {Columns} from practice_trial where studio_id = $1 order by tried_at desc, id limit $2");
        command.Parameters.Add(Of(studioId));
        command.Parameters.Add(Of(most));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var trials = new List<PracticeTrial>();
        while (await reader.ReadAsync(cancel))
            trials.Add(Read(reader));
        trials.Reverse();
        return trials;
    }

    internal static PracticeTrial Read(NpgsqlDataReader reader) => new(
        reader.GetGuid(0), Words.Exercises.ValueOf(reader.GetString(1)), reader.GetDouble(2), reader.GetBoolean(3), new Lab(reader.GetDouble(4), reader.GetDouble(5), reader.GetDouble(6)), reader.GetFieldValue<DateTimeOffset>(7));
}
