using YoungTinge.Store.Archives;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Files;

/// <summary>Copies of the whole studio that the server makes by itself: when, which there are, and putting one back. For owners.</summary>
public static class Backups
{
    /// <param name="CanMake">The server's keeper has named a folder for them.</param>
    /// <param name="NextAt">When the next is made; null for never.</param>
    /// <param name="Version">To send with a change (If-Match).</param>
    public sealed record View(bool CanMake, BackupEvery Every, int Keep, DateTimeOffset? NextAt, IReadOnlyList<BackupView> Made, int Version);

    /// <param name="Rows">That were read back from it.</param>
    /// <param name="Pictures">That were read back from it.</param>
    public sealed record BackupView(Guid Id, DateTimeOffset MadeAt, long Bytes, long Rows, long Pictures);

    public sealed record ScheduleRequest(BackupEvery Every, int Keep);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/backups", List).ForOwner().WithName("getBackups").WithSummary("When copies of the studio are made, and which there are.").Produces<View>().ProducesProblems();
        api.MapPut("/backups/schedule", SaveSchedule).ForOwner().WithName("saveBackupSchedule").WithSummary("Says when copies of the studio are made, and how many are kept.").Produces<View>().ProducesProblems(422);
        api.MapPost("/backups", Make).ForOwner().WithName("makeBackup").WithSummary("Makes a copy of the studio now, and reads it back.").Produces<BackupView>().ProducesProblems(422);
        api.MapGet("/backups/{id:guid}/studio.zip", Download).ForOwner().WithName("getBackup").WithSummary("A copy of the studio, as an archive (zip).").Produces(200, contentType: "application/zip").ProducesProblems(422);
        api.MapPost("/backups/{id:guid}/restore", Restore).ForOwner().WithName("restoreBackup").WithSummary("Puts a copy in place of what is in the studio. Told line by line if application/x-ndjson is accepted.").Produces<Archive.Answer>().ProducesProblems(422);
    }

    private static async Task<IResult> List(CurrentStudio studio, BackupStore backups, BackupMaker maker, CancellationToken cancel) => TypedResults.Ok(await ViewAsync(studio, backups, maker, cancel));

    private static async Task<IResult> SaveSchedule(ScheduleRequest request, MadeFrom madeFrom, CurrentStudio studio, BackupStore backups, BackupMaker maker, TimeProvider clock, CancellationToken cancel)
    {
        List<FieldProblem> problems = [];
        if (!Enum.IsDefined(request.Every))
            problems.Add(new FieldProblem("every", "unknownWord", null, null));
        if (request.Keep is < 1 or > BackupSchedule.MostKept)
            problems.Add(new FieldProblem("keep", "keepOutOfRange", BackupSchedule.MostKept, null));
        if (request.Every != BackupEvery.Never && !maker.CanMake)
            problems.Add(new FieldProblem("every", "noBackupFolder", null, null));
        if (problems.Count > 0)
            return ApiProblem.NotPossible(problems);
        var schedule = new BackupSchedule(request.Every, request.Keep, null, madeFrom.Version);
        // The first at once: a schedule without a copy is none.
        if (!await backups.SaveAsync(studio.Id, schedule with { NextAt = request.Every == BackupEvery.Never ? null : clock.GetUtcNow() }, cancel))
            return ApiProblem.ChangedElsewhere();
        return TypedResults.Ok(await ViewAsync(studio, backups, maker, cancel));
    }

    private static async Task<IResult> Make(CurrentStudio studio, BackupStore backups, BackupMaker maker, CancellationToken cancel)
    {
        if (!maker.CanMake)
            return ApiProblem.NotPossible([new FieldProblem("every", "noBackupFolder", null, null)]);
        var made = await maker.MakeAsync(studio.Database, cancel);
        await backups.AddAsync(studio.Id, made, cancel);
        await maker.TidyAsync(studio.Database, cancel);
        return TypedResults.Ok(Shown(made));
    }

    private static async Task<IResult> Download(Guid id, CurrentStudio studio, BackupStore backups, BackupMaker maker, CancellationToken cancel) =>
        await OpenAsync(id, studio, backups, maker, cancel) is { } file ? TypedResults.File(file, "application/zip", "studio.zip") : Damaged();

    private static Task<IResult> Restore(Guid id, HttpContext context, CurrentStudio studio, BackupStore backups, BackupMaker maker, ArchiveStore archive) => LongWork.TellAsync(context, async (progress, cancel) =>
    {
        await using var file = await OpenAsync(id, studio, backups, maker, cancel);
        return file is null ? Damaged() : Archive.Answered(await archive.RestoreAsync(studio.Id, file, cancel, progress));
    });

    /// <summary>Null if there is no such copy, or it is not whole any more.</summary>
    private static async Task<FileStream?> OpenAsync(Guid id, CurrentStudio studio, BackupStore backups, BackupMaker maker, CancellationToken cancel) =>
        (await backups.ListAsync(studio.Id, cancel)).FirstOrDefault(backup => backup.Id == id) is { } found ? await maker.OpenAsync(studio.Id, found, cancel) : null;

    private static IResult Damaged() => ApiProblem.NotPossible([new FieldProblem("file", "backupDamaged", null, null)]);

    private static async Task<View> ViewAsync(CurrentStudio studio, BackupStore backups, BackupMaker maker, CancellationToken cancel)
    {
        var schedule = await backups.ScheduleAsync(studio.Id, cancel);
        return new View(maker.CanMake, schedule.Every, schedule.Keep, schedule.NextAt, [.. (await backups.ListAsync(studio.Id, cancel)).Select(Shown)], schedule.Version);
    }

    private static BackupView Shown(Backup backup) => new(backup.Id, backup.MadeAt, backup.Bytes, backup.Rows, backup.Pictures);
}
