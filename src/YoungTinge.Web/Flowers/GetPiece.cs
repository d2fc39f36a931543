using Microsoft.Net.Http.Headers;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>A piece with its plan. The version comes back as ETag too, to be sent with a change.</summary>
public static class GetPiece
{
    public sealed record Answer(PieceView Piece, PiecePlan Plan, int Version);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/pieces/{id:guid}", Handle)
        .WithName("getPiece").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(
        Guid id, CurrentStudio studio, PieceStore pieces, CabinetStore cabinet, HttpResponse response, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await pieces.FindAsync(studioId, id, cancel) is not { } piece)
            return ApiProblem.NotFound();
        response.Headers.ETag = new EntityTagHeaderValue($"\"{piece.Version}\"").ToString();
        return TypedResults.Ok(new Answer(PieceView.From(piece, await cabinet.LoadAsync(studioId, cancel)), piece.Plan, piece.Version));
    }
}
