using Npgsql;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Scheduling;

namespace YoungTinge.Store.Archives;

/// <summary>
/// Asks of everything in a studio that has just been put in what would have been asked if a maker had typed it: an archive is a file,
/// and a file may say anything.
/// </summary>
internal static class StudioCheck
{
    /// <exception cref="DamagedArchiveException">Something in it cannot be.</exception>
    public static async Task RunAsync(NpgsqlConnection connection, Guid studioId, Action<string> at, CancellationToken cancel)
    {
        foreach (var table in ArchiveTables.All.Prepend(new ArchiveTable("studio", "id = $1", "id")))
        {
            at(table.Name);
            await RawRows.CheckAsync(connection, table, studioId, cancel);
        }

        await EachAsync(connection, "studio", $"select {StudioStore.Columns} from studio where id = $1", reader => Check(StudioRules.Of(StudioStore.Read(reader))));
        at("material");
        var sheets = (await CabinetStore.SheetsAsync(connection, studioId, cancel)).Select(kept => kept.Sheet).ToList();
        if (!Check(sheets.SelectMany(MaterialRecordCheck.Problems)))
            throw new DamagedArchiveException("material");
        var materials = new Materials(sheets.Select(sheet => MaterialFromRecord.Convert(sheet, sheet.Id!)));
        await EachAsync(connection, "commission", $"select {CommissionStore.CommissionColumns} from commission c where c.studio_id = $1",
            reader => Check(StudioRules.Of(CommissionStore.ReadCommission(reader).Details)));
        await EachAsync(connection, "flower", $"select {CommissionStore.CommissionColumns}, {CommissionStore.FlowerColumns} from flower f join commission c on c.studio_id = f.studio_id and c.id = f.commission_id where f.studio_id = $1",
            reader => CommissionStore.ReadFlower(reader, Guid.Empty) is var flower ? Check(StudioRules.OfName(flower.Name).Concat(StudioRules.OfCounts(flower.Flowers, flower.Buds))) : true);
        await EachAsync(connection, "piece", $"select {PieceStore.Columns} from piece p join flower f on f.studio_id = p.studio_id and f.id = p.flower_id join commission c on c.studio_id = f.studio_id and c.id = f.commission_id where p.studio_id = $1",
            reader => CheckPiece(PieceStore.Read(reader), materials));
        await EachAsync(connection, "log_entry", $"select {LogbookStore.Columns} from log_entry e where e.studio_id = $1", reader => Check(StudioRules.Of(LogbookStore.Read(reader))));
        await EachAsync(connection, "batch", $"select {BatchStore.Columns} from {BatchStore.From} where b.studio_id = $1", reader => Check(StudioRules.Of(BatchStore.Read(reader), materials)));
        await EachAsync(connection, "picture", "select marks::text from picture where studio_id = $1", reader => PictureStore.ReadMarks(reader.GetString(0)).IsPossible);
        await EachAsync(connection, "operation_done", "select went::text from operation_done where studio_id = $1 and went is not null",
            reader => PlanJson.ReadTakes(reader.GetString(0)).All(take => take.Amount >= 0));
        await EachAsync(connection, "paste_plan", "select kind, plan::text from paste_plan where studio_id = $1",
            reader => CheckPastePlan(PastePlanStore.Read(reader.GetString(0), reader.GetString(1)), materials));

        await EachAsync(connection, "work_plan", $"select {WorkPlanStore.Columns} from work_plan where studio_id = $1",
            reader => !MakerCheck.Problems(WorkPlanStore.Read(reader).Workshop).Any());

        await EachAsync(connection, "bench_timer", $"select {BenchStore.TimerColumns} from bench_timer where studio_id = $1",
            reader => BenchStore.ReadTimer(reader) is { Name.Length: <= BenchTimer.LongestName, Seconds: >= 1 and <= BenchTimer.MostSeconds });
        await EachAsync(connection, "drying_reading", $"select {BenchStore.ReadingColumns} from drying_reading where studio_id = $1",
            reader => BenchStore.ReadReading(reader) is var reading && reading.Minutes is null or >= 0 and <= DryingReading.MostMinutes && reading.PlannedMinutes is >= 0 and <= DryingReading.MostMinutes);

        await EachAsync(connection, "practice_trial", $"select {PracticeStore.Columns} from practice_trial where studio_id = $1",
            reader => PracticeStore.Read(reader) is { Level: >= 0 and <= PracticeTrial.MostLevel });

        async Task EachAsync(NpgsqlConnection connection, string table, string sql, Func<NpgsqlDataReader, bool> isRight)
        {
            at(table);
            await using var command = new NpgsqlCommand(sql, connection) { CommandTimeout = 0 };
            command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
            await using var reader = await command.ExecuteReaderAsync(cancel);
            while (await reader.ReadAsync(cancel))
            {
                if (!isRight(reader))
                    throw new DamagedArchiveException(table);
            }
        }
    }

    private static bool Check<T>(IEnumerable<T> problems) => !problems.Any();

    private static bool CheckPiece(PlannedPiece planned, Materials materials)
    {
        // A jar may hold less today than when the plan was kept; what no jar holds was never kept.
        var problems = PlanCheck.Problems(planned.Plan, materials).Where(problem => problem.Code switch
        {
            PlanProblemCode.DoseOverLimit => planned.Plan.Paste.Doses.Any(dose => dose.GPer100g > MadeBatch.MostGPer100g),
            PlanProblemCode.LoadOverLimit => planned.Plan.Coats.OfType<DustCoat>().Any(dust => dust.LoadMgPerCm2 > MaterialRecordCheck.MostLoadMgPerCm2),
            _ => true,
        });
        return Check(PieceCheck.Problems(planned.Piece, isSure: true)) && Check(problems);
    }

    private static bool CheckPastePlan(object plan, Materials materials)
    {
        // A piece that it names may be gone by now, and with it what it weighs.
        return plan switch
        {
            OmbrePlan ombre => Check(OmbreCheck.Problems(ombre, []).Where(problem => problem.Code is not (OmbreProblemCode.UnknownPiece or OmbreProblemCode.MassOutOfRange or OmbreProblemCode.UnderScale)))
                && IsMass(ombre.Uses.Select(use => use.OtherG)) && Recipes([ombre.First, ombre.Last, .. ombre.Middle is { } middle ? [middle.Recipe] : Array.Empty<PasteRecipe>()]),
            MarblePlan marble => Check(MarbleCheck.Problems(marble, []).Where(problem => problem.Code is not (MarbleProblemCode.UnknownPiece or MarbleProblemCode.MassOutOfRange)))
                && IsMass([marble.OtherG]) && Recipes(marble.Stripes.Select(stripe => stripe.Recipe)),
            _ => false,
        };

        static bool IsMass(IEnumerable<double> grams) => grams.All(mass => mass is >= 0 and <= SearchCheck.MostPasteG);

        bool Recipes(IEnumerable<PasteRecipe> recipes) => Check(recipes.SelectMany(recipe => StudioRules.OfRecipe(recipe, "", materials)));
    }
}
