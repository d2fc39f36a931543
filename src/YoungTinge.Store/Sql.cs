using Npgsql;

namespace YoungTinge.Store;

/// <summary>Statements that answer nothing but how many rows they touched.</summary>
internal static class Sql
{
    public static NpgsqlParameter Of<T>(T value) => new NpgsqlParameter<T> { TypedValue = value };

    /// <summary>Gives a statement its values.</summary>
    public static void With(this NpgsqlCommand command, params NpgsqlParameter[] values) => command.Parameters.AddRange(values);

    public static async Task<int> RunAsync(NpgsqlConnection connection, string sql, CancellationToken cancel, params NpgsqlParameter[] values)
    {
        await using var command = new NpgsqlCommand(sql, connection);
        command.With(values);
        return await command.ExecuteNonQueryAsync(cancel);
    }
}
