using YoungTinge.Core.Pictures;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Pictures;

/// <summary>Keeps how a picture is read and where it was sampled, over the version it was made from; or removes the picture.</summary>
public static class SavePictureMarks
{
    public sealed record Request(PictureMarks Marks);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPut("/pictures/{id:guid}/marks", Handle).WithName("savePictureMarks")
            .WithSummary("Keeps how a picture is read and where it was sampled, over the version it was made from.").Produces<NewVersion>().ProducesProblems(404, 422);
        api.MapDelete("/pictures/{id:guid}", Remove).WithName("removePicture")
            .WithSummary("Takes a picture out.").Produces(204).ProducesProblems(404);
    }

    private static async Task<IResult> Handle(Guid id, Request request, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, PictureStore pictures, CancellationToken cancel)
    {
        if (!request.Marks.IsPossible)
            return ApiProblem.NotPossible([new FieldProblem("marks", "outsidePicture", null, null)]);
        var studioId = studio.Id;
        if (await pictures.SaveMarksAsync(studioId, id, madeFrom.Version, request.Marks, cancel) is not { } version)
            return await pictures.FindJpegAsync(studioId, id, cancel) is null ? ApiProblem.NotFound() : ApiProblem.ChangedElsewhere();
        return MadeFrom.Saved(response, version);
    }

    private static async Task<IResult> Remove(Guid id, CurrentStudio studio, PictureStore pictures, PictureDesk desk, CancellationToken cancel)
    {
        var studioId = studio.Id;
        if (!await pictures.RemoveAsync(studioId, id, cancel))
            return ApiProblem.NotFound();
        desk.TakeAway(studioId, id);
        return TypedResults.NoContent();
    }
}
