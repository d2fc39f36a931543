using System.Text;
using System.Text.Json;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Files;

/// <summary>Puts an archived studio in place of this one, and takes that back.</summary>
public static class Archive
{
    /// <summary>A studio of many years, with its pictures.</summary>
    private const long LargestArchive = 512L * 1024 * 1024;

    /// <param name="ReplacedAt">When the last archive took the place of a studio; null if none did.</param>
    public sealed record Replaced(DateTimeOffset? ReplacedAt);

    public sealed record Answer(string StudioName);

    public static void Map(RouteGroupBuilder api)
    {
        var files = api.MapGroup("/files/studio");
        files.MapPost("/", Restore).TakesFile(LargestArchive).WithName("restoreStudio").Produces<Answer>().Fails(413, 422, 503);
        files.MapGet("/replaced", async (ArchiveStore archive, CancellationToken cancel) => TypedResults.Ok(new Replaced(await archive.ReplacedAtAsync(cancel))))
            .WithName("getReplacedStudio").Produces<Replaced>().Fails(503);
        files.MapPost("/undo", Undo).WithName("undoRestore").Produces<Answer>().Fails(404, 422, 503);
    }

    private static async Task<IResult> Restore(HttpRequest request, StudioStore studios, ArchiveStore archive, CancellationToken cancel)
    {
        var text = Encoding.UTF8.GetString(await request.ReadFileAsync(cancel));
        return Answered(await archive.RestoreAsync((await studios.FindFirstAsync(cancel))?.Id, text.TrimStart('\uFEFF'), cancel));
    }

    private static async Task<IResult> Undo(StudioStore studios, ArchiveStore archive, CancellationToken cancel) =>
        await archive.UndoAsync((await studios.FindFirstAsync(cancel))?.Id, cancel) is { } result ? Answered(result) : Trouble.NotFound();

    private static IResult Answered(RestoreResult result) => result switch
    {
        RestoreResult.Restored restored => TypedResults.Ok(new Answer(restored.Name)),
        RestoreResult.Refused refused => Trouble.NotPossible(
            [new FieldProblem(refused.Table ?? "file", JsonNamingPolicy.CamelCase.ConvertName($"Archive{refused.Problem}"), null, null)]),
        _ => throw new InvalidOperationException("An archive is restored or refused."),
    };
}
