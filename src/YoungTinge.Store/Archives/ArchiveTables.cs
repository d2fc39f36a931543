namespace YoungTinge.Store.Archives;

/// <summary>A table of which an archive holds the studio's rows.</summary>
/// <param name="Condition">Picks them; $1 is the studio.</param>
/// <param name="Key">Their order in the archive.</param>
internal sealed record ArchiveTable(string Name, string Condition, string Key);

internal static class ArchiveTables
{
    /// <summary>In the order in which they can be put in.</summary>
    public static readonly IReadOnlyList<ArchiveTable> All =
    [
        new("material", "studio_id = $1", "id"),
        new("dose_unit", "studio_id = $1", "material_id, kind"),
        new("commission", "studio_id = $1", "id"),
        new("flower", "studio_id = $1", "id"),
        new("piece", "studio_id = $1", "id"),
        new("log_entry", "studio_id = $1", "id"),
        new("batch", "studio_id = $1", "id"),
        new("picture", "studio_id = $1", "id"),
        new("paste_plan", "studio_id = $1", "flower_id, kind"),
        new("operation_done", "studio_id = $1", "operation_id"),
        new("paste_day_leftover", "studio_id = $1", "block_key"),
        new("stock_use", "studio_id = $1", "tick_key, material_id"),
        new("work_plan", "studio_id = $1", "studio_id"),
        new("bench_timer", "studio_id = $1", "id"),
        new("drying_reading", "studio_id = $1", "id"),
        new("practice_trial", "studio_id = $1", "id"),
    ];

    /// <summary>Of earlier builds: a migration makes others of them.</summary>
    public static readonly IReadOnlyList<ArchiveTable> Former =
    [
        new("run_sheet_tick", "", "piece_id, step_key"),
        new("paste_day_tick", "", "step_key"),
    ];
}
