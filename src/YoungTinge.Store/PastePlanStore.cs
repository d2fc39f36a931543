using System.Text.Json;
using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;

namespace YoungTinge.Store;

/// <summary>How the paste of a flower is got, as it was kept.</summary>
/// <param name="Version">Counts the saves.</param>
public sealed record KeptPastePlan<T>(Guid FlowerId, T Plan, int Version);

/// <summary>Runs of shades and marbled batches: at most one of each for a flower.</summary>
public sealed class PastePlanStore(NpgsqlDataSource dataSource)
{
    /// <summary>The plans of one kind, of one flower or of all.</summary>
    public async Task<IReadOnlyList<KeptPastePlan<T>>> ListAsync<T>(Guid studioId, Guid? flowerId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("""
            select p.flower_id, p.plan::text, p.version
            from paste_plan p
            join live_flower f on f.studio_id = p.studio_id and f.id = p.flower_id
            where p.studio_id = $1 and p.kind = $2 and ($3 is null or p.flower_id = $3)
            order by p.flower_id
            """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = KindOf<T>() });
        command.Parameters.Add(Sql.Maybe(NpgsqlDbType.Uuid, flowerId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var plans = new List<KeptPastePlan<T>>();
        while (await reader.ReadAsync(cancel))
        {
            plans.Add(new KeptPastePlan<T>(reader.GetGuid(0), Read<T>(reader.GetString(1)), reader.GetInt32(2)));
        }

        return plans;
    }

    /// <summary>Keeps a first plan (version 0), or writes over the version it was made from.</summary>
    /// <returns>The new version; null if it was changed in the meantime, or there is no such flower.</returns>
    public async Task<int?> SaveAsync<T>(Guid studioId, KeptPastePlan<T> kept, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand(kept.Version <= 0
            ? """
                insert into paste_plan (studio_id, flower_id, kind, plan)
                select f.studio_id, f.id, $3, $4
                from live_flower f
                where f.studio_id = $1 and f.id = $2
                on conflict do nothing
                returning version
                """
            : """
                update paste_plan
                set plan = $4, version = version + 1, changed_at = now()
                where studio_id = $1 and flower_id = $2 and kind = $3 and version = $5
                returning version
                """);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = kept.FlowerId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = KindOf<T>() });
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = JsonSerializer.Serialize(kept.Plan, PlanJson.Options) });
        if (kept.Version > 0)
            command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = kept.Version });
        return await command.ExecuteScalarAsync(cancel) as int?;
    }

    /// <returns>False if there was none.</returns>
    public async Task<bool> RemoveAsync<T>(Guid studioId, Guid flowerId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("delete from paste_plan where studio_id = $1 and flower_id = $2 and kind = $3");
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = flowerId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = KindOf<T>() });
        return await command.ExecuteNonQueryAsync(cancel) > 0;
    }

    /// <summary>Reads a plan of either kind, as it stands in the database.</summary>
    /// <exception cref="JsonException">It is none of that kind.</exception>
    internal static object Read(string kind, string plan) => kind == KindOf<OmbrePlan>() ? Read<OmbrePlan>(plan) : Read<MarblePlan>(plan);

    internal static IEnumerable<Guid> NamedPieces(string kind, string plan) => ((IPastePlan)Read(kind, plan)).NamedPieces().Select(piece => piece.PieceId);

    private static T Read<T>(string plan) => JsonSerializer.Deserialize<T>(plan, PlanJson.Options) ?? throw new InvalidDataException("A paste plan is empty.");

    private static string KindOf<T>() => typeof(T) == typeof(OmbrePlan) ? "ombre" : "marble";
}
