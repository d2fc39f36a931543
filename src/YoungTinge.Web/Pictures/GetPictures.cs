using YoungTinge.Core.Pictures;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Pictures;

/// <summary>The pictures of a flower with their marks, and each picture itself.</summary>
public static class GetPictures
{
    public sealed record PictureView(Guid Id, string Name, PictureMarks Marks, DateTimeOffset AddedAt, int Version);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/flowers/{flowerId:guid}/pictures", List).WithName("getPictures")
            .WithSummary("The pictures of a flower with their marks: of the living one, or of what came out.").Produces<IReadOnlyList<PictureView>>().ProducesProblems();
        api.MapGet("/pictures/{id:guid}/image", Image).WithName("getPictureImage")
            .WithSummary("A picture of a flower itself.").Produces(200, contentType: "image/jpeg").ProducesProblems(404);
        api.MapGet("/dab-pictures/{id:guid}/image", DabImage).WithName("getDabPictureImage")
            .WithSummary("A picture of a dab itself, for a day.").Produces(200, contentType: "image/jpeg").ProducesProblems(404);
    }

    private static async Task<IResult> List(Guid flowerId, QueryWord<PictureShows>? shows, CurrentStudio studio, PictureStore pictures, CancellationToken cancel) =>
        TypedResults.Ok<IReadOnlyList<PictureView>>([.. (await pictures.ListAsync(studio.Id, flowerId, (shows ?? default).Value, cancel))
            .Select(kept => new PictureView(kept.Id, kept.Name, kept.Marks, kept.AddedAt, kept.Version))]);

    private static async Task<IResult> Image(Guid id, CurrentStudio studio, PictureStore pictures, CancellationToken cancel) =>
        await pictures.FindJpegAsync(studio.Id, id, cancel) is { } jpeg ? TypedResults.File(jpeg, "image/jpeg") : ApiProblem.NotFound();

    private static async Task<IResult> DabImage(Guid id, CurrentStudio studio, LaidPictureStore laid, CancellationToken cancel) =>
        await laid.FindJpegAsync(studio.Id, id, cancel) is { } jpeg ? TypedResults.File(jpeg, "image/jpeg") : ApiProblem.Result(StatusCodes.Status404NotFound, ApiProblemCode.PictureGone);
}
