using Npgsql;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store.People;

public enum BeginStudioResult
{
    Begun,

    /// <summary>There is one already, and only the first may be begun by whoever comes.</summary>
    NotTheFirst,
    NameTaken,
}

/// <summary>A studio begins with somebody who owns it.</summary>
public static class StudioBeginning
{
    /// <summary>So that two who begin the first at the same moment do it one after the other.</summary>
    private const long Lock = 5_071_024;

    /// <param name="onlyFirst">Only if there is none yet but the demo.</param>
    public static async Task<BeginStudioResult> BeginAsync(NpgsqlDataSource door, Studio studio, Person owner, string passwordHash, bool onlyFirst, CancellationToken cancel)
    {
        await using var connection = await door.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await using (var look = new NpgsqlCommand($"select pg_advisory_xact_lock({Lock}); select exists (select from studio where not is_demo)", connection))
        {
            if (onlyFirst && (bool)(await LastAsync(look, cancel))!)
                return BeginStudioResult.NotTheFirst;
        }

        // From here to the end of the transaction this connection is the new studio's.
        await using (var enter = new NpgsqlCommand("select set_config('app.studio', $1, true)", connection))
        {
            enter.Parameters.Add(Of(studio.Id.ToString()));
            await enter.ExecuteNonQueryAsync(cancel);
        }

        await StudioStore.AddAsync(connection, studio, cancel);
        if (!await PersonStore.AddAsync(connection, studio.Id, owner, passwordHash, cancel))
            return BeginStudioResult.NameTaken;
        await transaction.CommitAsync(cancel);
        return BeginStudioResult.Begun;
    }

    private static async Task<object?> LastAsync(NpgsqlCommand command, CancellationToken cancel)
    {
        await using var reader = await command.ExecuteReaderAsync(cancel);
        await reader.NextResultAsync(cancel);
        await reader.ReadAsync(cancel);
        return reader[0];
    }
}
