using Npgsql;

namespace YoungTinge.Store;

/// <summary>Holds a flower while what belongs to it is counted and changed, so that two at once come one after the other.</summary>
internal static class FlowerHold
{
    /// <summary>For the rest of the caller's transaction.</summary>
    /// <returns>False if there is no such flower.</returns>
    public static async Task<bool> TakeAsync(NpgsqlConnection connection, Guid studioId, Guid flowerId, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("select id from flower where studio_id = $1 and id = $2 and deleted_at is null for no key update", connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flowerId });
        return await command.ExecuteScalarAsync(cancel) is not null;
    }
}
