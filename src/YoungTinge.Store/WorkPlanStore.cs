using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Scheduling;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store;

/// <summary>Who works when, and the plan that is in force.</summary>
/// <param name="Plan">Null while none is.</param>
/// <param name="Version">Counts the saves; 0 before the first.</param>
public sealed record KeptWorkPlan(Workshop Workshop, WorkPlan? Plan, int Version);

public sealed class WorkPlanStore(NpgsqlDataSource dataSource)
{
    internal const string Columns = "makers::text, drying_pieces, plan::text, version";

    /// <returns>Null if nothing was ever kept: whoever the studio is of works as is usual.</returns>
    public async Task<KeptWorkPlan?> FindAsync(Guid studioId, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand($"select {Columns} from work_plan where studio_id = $1");
        command.Parameters.Add(Of(studioId));
        await using var reader = await command.ExecuteReaderAsync(cancel);
        return await reader.ReadAsync(cancel) ? Read(reader) : null;
    }

    internal static KeptWorkPlan Read(NpgsqlDataReader reader) =>
        new(new Workshop(PlanJson.ReadMakers(reader.GetString(0)), reader.IsDBNull(1) ? null : reader.GetInt32(1)), reader.IsDBNull(2) ? null : PlanJson.ReadWorkPlan(reader.GetString(2)), reader.GetInt32(3));

    /// <summary>Keeps the first (version 0), or writes over the version it was made from.</summary>
    /// <returns>The new version; null if it was changed in the meantime.</returns>
    public async Task<int?> SaveAsync(Guid studioId, KeptWorkPlan kept, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand(kept.Version <= 0
            ? """
                insert into work_plan (studio_id, makers, plan, drying_pieces)
                values ($1, $2, $3, $4)
                on conflict do nothing
                returning version
                """
            : """
                update work_plan
                set makers = $2, plan = $3, drying_pieces = $4, version = version + 1, changed_at = now()
                where studio_id = $1 and version = $5
                returning version
                """);
        command.Parameters.Add(Of(studioId));
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = PlanJson.Write(kept.Workshop.Makers) });
        command.Parameters.Add(Maybe(NpgsqlDbType.Jsonb, kept.Plan is { } plan ? PlanJson.Write(plan) : null));
        command.Parameters.Add(Maybe(NpgsqlDbType.Integer, kept.Workshop.DryingPieces));
        if (kept.Version > 0)
            command.Parameters.Add(Of(kept.Version));
        return await command.ExecuteScalarAsync(cancel) as int?;
    }
}
