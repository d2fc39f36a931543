using Microsoft.Net.Http.Headers;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>A piece with its plan. The version comes back as ETag too, to be sent with a change.</summary>
public static class GetPiece
{
    /// <param name="Plan">As it is carried out: its paste is that of what it is shaped from.</param>
    public sealed record Answer(PieceView Piece, PiecePlan Plan, int Version);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/pieces/{id:guid}", Handle)
        .WithName("getPiece").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(
        Guid id, StudioWorks works, HttpResponse response, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.Find(id) is not { } piece)
            return ApiProblem.NotFound();
        response.Headers.ETag = new EntityTagHeaderValue($"\"{piece.Version}\"").ToString();
        return TypedResults.Ok(new Answer(PieceView.From(piece, work.Materials), piece.Plan, piece.Version));
    }
}
