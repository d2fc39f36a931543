using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Scheduling;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store;

/// <summary>Who works when, and the plan that is in force.</summary>
/// <param name="Plan">Null while none is.</param>
/// <param name="Version">Counts the saves; 0 before the first.</param>
public sealed record KeptWorkPlan(IReadOnlyList<Maker> Makers, WorkPlan? Plan, int Version);

public sealed class WorkPlanStore(NpgsqlDataSource dataSource)
{
    internal const string Columns = "makers::text, plan::text, version";

    /// <returns>Null if nothing was ever kept: whoever the studio is of works as is usual.</returns>
    public async Task<KeptWorkPlan?> FindAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {Columns} from work_plan where studio_id = $1");
        command.Parameters.Add(Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel) ? Read(reader) : null;
    }

    internal static KeptWorkPlan Read(NpgsqlDataReader reader) =>
        new(PlanJson.ReadMakers(reader.GetString(0)), reader.IsDBNull(1) ? null : PlanJson.ReadWorkPlan(reader.GetString(1)), reader.GetInt32(2));

    /// <summary>Keeps the first (version 0), or writes over the version it was made from.</summary>
    /// <returns>The new version; null if it was changed in the meantime.</returns>
    public async Task<int?> SaveAsync(Guid studioId, KeptWorkPlan kept, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand(kept.Version <= 0
            ? """
                insert into work_plan (studio_id, makers, plan)
                values ($1, $2, $3)
                on conflict do nothing
                returning version
                """
            : """
                update work_plan
                set makers = $2, plan = $3, version = version + 1, changed_at = now()
                where studio_id = $1 and version = $4
                returning version
                """);
        command.Parameters.Add(Of(studioId));
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = PlanJson.Write(kept.Makers) });
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = kept.Plan is { } plan ? PlanJson.Write(plan) : DBNull.Value });
        if (kept.Version > 0)
            command.Parameters.Add(Of(kept.Version));
        return await command.ExecuteScalarAsync(cancel) as int?;
    }
}
