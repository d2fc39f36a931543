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

    public sealed record Answer(string StudioName);

    public static void Map(RouteGroupBuilder api)
    {
        var files = api.MapGroup("/files/studio");
        files.MapPost("/", Restore).TakesFile(LargestArchive).WithName("restoreStudio").Produces<Answer>().Fails(413, 422, 503);
        files.MapPost("/preview", Preview).TakesFile(LargestArchive).WithName("previewStudio").Produces<Answer>().Fails(413, 422);
        files.MapGet("/replaced", async (ArchiveStore archive, CancellationToken cancel) => TypedResults.Ok(await archive.ListReplacedAsync(cancel)))
            .WithName("listReplacedStudios").Produces<IReadOnlyList<ReplacedStudio>>().Fails(503);
        files.MapPost("/replaced/{state:int}", BringBack).WithName("bringBackStudio").Produces<Answer>().Fails(404, 422, 503);
    }

    private static async Task<IResult> Restore(HttpRequest request, StudioStore studios, ArchiveStore archive, CancellationToken cancel)
    {
        var text = Encoding.UTF8.GetString(await request.ReadFileAsync(cancel));
        return Answered(await archive.RestoreAsync((await studios.FindFirstAsync(cancel))?.Id, text.TrimStart('\uFEFF'), cancel));
    }

    /// <summary>Whose studio it is, so that nobody is asked whether a holiday picture shall take the place of hers.</summary>
    private static async Task<IResult> Preview(HttpRequest request, CancellationToken cancel)
    {
        var (name, problem) = ArchiveStore.Look(Encoding.UTF8.GetString(await request.ReadFileAsync(cancel)).TrimStart('\uFEFF'));
        return problem is { } why ? Answered(new RestoreResult.Refused(why)) : TypedResults.Ok(new Answer(name!));
    }

    private static async Task<IResult> BringBack(int state, StudioStore studios, ArchiveStore archive, CancellationToken cancel) =>
        await archive.BringBackAsync((await studios.FindFirstAsync(cancel))?.Id, state, cancel) is { } result ? Answered(result) : Trouble.NotFound();

    private static IResult Answered(RestoreResult result) => result switch
    {
        RestoreResult.Restored restored => TypedResults.Ok(new Answer(restored.Name)),
        RestoreResult.Refused refused => Trouble.NotPossible(
            [new FieldProblem(refused.Table ?? "file", JsonNamingPolicy.CamelCase.ConvertName($"Archive{refused.Problem}"), null, null)]),
        _ => throw new InvalidOperationException("An archive is restored or refused."),
    };
}
