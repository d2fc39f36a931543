using YoungTinge.Core.Pictures;
using YoungTinge.Files.Pictures;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Pictures;

/// <summary>
/// Takes a picture in: of a flower, to stay with it, or of a dab, only to be read. It is unpacked and packed anew, upright, without
/// what the camera wrote into it (place, time, device). The client makes the id, so that sending it again does not add it twice.
/// </summary>
public static class AddPicture
{
    private const long LargestBody = PictureFile.LargestBytes + 1024;

    public sealed record Answer(Guid Id, int Width, int Height);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/flowers/{flowerId:guid}/pictures/{id:guid}", Keep).TakesFile(LargestBody).WithName("addPicture")
            .WithSummary("Takes in a picture of a living flower or of what came out, to stay with the flower. Sending it again does not add it twice.").Produces<Answer>().ProducesProblems(404, 413, 422);
        api.MapPost("/dab-pictures/{id:guid}", LayOut).TakesFile(LargestBody).Computes().WithName("layOutDabPicture")
            .WithSummary("Takes in a picture of a dab, only to be read.").Produces<Answer>().ProducesProblems(413, 422);
    }

    private static async Task<IResult> Keep(
        Guid flowerId, Guid id, string? name, QueryWord<PictureShows>? shows, HttpRequest request, CurrentStudio studio, PictureStore pictures, PictureDesk desk, CancellationToken cancel)
    {
        var shown = (shows ?? default).Value;
        switch (await desk.TakeInAsync(request, cancel))
        {
            case PictureResult.Read read:
                var kept = new KeptPicture(id, flowerId, Shortened(name), read.SaysItsColours ? PictureMarks.AsItIs : PictureMarks.None, 1) { Shows = shown };
                if (!await pictures.AddAsync(studio.Id, kept, PictureFile.WriteJpeg(read.Photo), cancel))
                    return await TooManyOrMissing(flowerId, shown, studio, pictures, cancel);
                return TypedResults.Ok(new Answer(id, read.Photo.Width, read.Photo.Height));
            case PictureResult.Refused refused:
                return PictureProblems.Of(refused);
            default:
                throw new InvalidOperationException("A picture is read or refused.");
        }
    }

    private static async Task<IResult> LayOut(Guid id, HttpRequest request, CurrentStudio studio, PictureDesk desk, CancellationToken cancel)
    {
        switch (await desk.TakeInAsync(request, cancel))
        {
            case PictureResult.Read { Photo: var photo }:
                await desk.LayAsync(studio.Id, id, photo, cancel);
                return TypedResults.Ok(new Answer(id, photo.Width, photo.Height));
            case PictureResult.Refused refused:
                return PictureProblems.Of(refused);
            default:
                throw new InvalidOperationException("A picture is read or refused.");
        }
    }

    private static async Task<IResult> TooManyOrMissing(Guid flowerId, PictureShows shows, CurrentStudio studio, PictureStore pictures, CancellationToken cancel) =>
        (await pictures.ListAsync(studio.Id, flowerId, shows, cancel)).Count >= PictureStore.MostPerFlower
            ? ApiProblem.NotPossible([new FieldProblem("picture", "tooManyPictures", PictureStore.MostPerFlower, null)])
            : ApiProblem.NotFound();

    private static string Shortened(string? name) => (name ?? "").Trim() is var plain && plain.Length > PictureStore.LongestName ? plain[..PictureStore.LongestName] : plain;
}
