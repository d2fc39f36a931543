using Npgsql;
using NpgsqlTypes;

namespace YoungTinge.Store;

/// <summary>Values for statements, and statements that answer nothing but how many rows they touched.</summary>
internal static class Sql
{
    public static NpgsqlParameter Of<T>(T value) => new NpgsqlParameter<T> { TypedValue = value };

    /// <summary>A value that there need not be: its kind has to be said.</summary>
    public static NpgsqlParameter Maybe(NpgsqlDbType type, object? value) => new() { NpgsqlDbType = type, Value = value ?? DBNull.Value };

    /// <summary>Gives a statement its values.</summary>
    public static void With(this NpgsqlCommand command, params NpgsqlParameter[] values) => command.Parameters.AddRange(values);

    public static async Task<int> RunAsync(NpgsqlConnection connection, string sql, CancellationToken cancel, params NpgsqlParameter[] values)
    {
        await using var command = new NpgsqlCommand(sql, connection);
        command.With(values);
        return await command.ExecuteNonQueryAsync(cancel);
    }
}
