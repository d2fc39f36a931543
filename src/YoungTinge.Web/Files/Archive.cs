using System.Text.Json;
using YoungTinge.Store.Archives;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Files;

/// <summary>Writes a studio as an archive, puts an archived one in place of this one, and takes that back.</summary>
public static class Archive
{
    public sealed record Answer(string StudioName);

    public static void Map(RouteGroupBuilder api)
    {
        var files = api.MapGroup("/files");
        files.MapGet("/studio.zip", Write).ForOwner().WithName("getStudioArchive")
            .WithSummary("All of the studio as an archive (zip).").Produces(200, contentType: "application/zip").ProducesProblems();
        files.MapPost("/studio", Restore).TakesAnyFile().ForOwner().WithName("restoreStudio")
            .WithSummary("Puts an archived studio in place of this one. Told line by line if application/x-ndjson is accepted.").Produces<Answer>().ProducesProblems(422);
        files.MapPost("/studio/preview", Preview).TakesFile(ArchiveHead.Bytes).Computes().ForOwner().WithName("previewStudio")
            .WithSummary("What an archive says of itself: only its first bytes are sent.").Produces<Answer>().ProducesProblems(413, 422);
        files.MapGet("/studio/replaced", async (CurrentStudio studio, ArchiveStore archive, CancellationToken cancel) => TypedResults.Ok(await archive.ListReplacedAsync(studio.Id, cancel)))
            .ForOwner().WithName("listReplacedStudios")
            .WithSummary("Studios that were replaced by an archive, the last first.").Produces<IReadOnlyList<ReplacedStudio>>().ProducesProblems();
        files.MapPost("/studio/replaced/{state:int}", BringBack).ForOwner().WithName("bringBackStudio")
            .WithSummary("Puts a replaced studio back in place.").Produces<Answer>().ProducesProblems(404, 422);
    }

    private static async Task<IResult> Write(CurrentStudio studio, ArchiveStore archive, CancellationToken cancel)
    {
        // Onto the disk first: the studio is read in one go however slow the line is, and its size is known, so a browser shows how far it is.
        var file = Uploads.NewSpool();
        try
        {
            await archive.WriteAsync(studio.Id, file, cancel);
            file.Position = 0;
            return TypedResults.File(file, "application/zip", "studio.zip");
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }
    }

    private static Task<IResult> Restore(HttpContext context, CurrentStudio studio, ArchiveStore archive) => LongWork.TellAsync(context, async (progress, cancel) =>
    {
        await using var file = await context.Request.SpoolAsync(cancel);
        return Answered(await archive.RestoreAsync(studio.Id, file, cancel, progress));
    });

    /// <summary>Whose studio it is, so that nobody is asked whether a holiday picture shall take the place of hers. The beginning of the file is enough.</summary>
    private static async Task<IResult> Preview(HttpRequest request, CancellationToken cancel)
    {
        var (name, problem) = ArchiveHead.Look(await request.ReadFileAsync(cancel));
        return problem is { } why ? Answered(new RestoreResult.Refused(why)) : TypedResults.Ok(new Answer(name!));
    }

    private static async Task<IResult> BringBack(int state, CurrentStudio studio, ArchiveStore archive, CancellationToken cancel) =>
        await archive.BringBackAsync(studio.Id, state, cancel) is { } result ? Answered(result) : ApiProblem.NotFound();

    internal static IResult Answered(RestoreResult result) => result switch
    {
        RestoreResult.Restored restored => TypedResults.Ok(new Answer(restored.Name)),
        RestoreResult.Refused refused => ApiProblem.NotPossible(
            [new FieldProblem(refused.Table ?? "file", JsonNamingPolicy.CamelCase.ConvertName($"Archive{refused.Problem}"), null, null)]),
        _ => throw new InvalidOperationException("An archive is restored or refused."),
    };
}
