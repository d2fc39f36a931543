using Microsoft.Net.Http.Headers;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>A piece with its plan. The version comes back as ETag too, to be sent with a change.</summary>
public static class GetPiece
{
    /// <summary>A stage of the flower after which a coat can go onto the piece.</summary>
    /// <param name="Name">In the maker's words; empty for those of the house.</param>
    public sealed record StageView(Guid Id, StageKind Kind, string Name);

    /// <param name="Plan">As it is carried out: its paste is that of what it is shaped from.</param>
    /// <param name="Stages">In order; empty for what is not put into a flower.</param>
    /// <param name="Dusting">Of the whole flower, whether its coats go on before it is put together or after.</param>
    public sealed record Answer(PieceView Piece, PiecePlan Plan, IReadOnlyList<StageView> Stages, Dusting Dusting, int Version);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/pieces/{id:guid}", Handle)
        .KeepsLook(hasOwnTag: true).WithName("getPiece").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(
        Guid id, StudioWorks works, HttpResponse response, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.Find(id) is not { } piece)
            return ApiProblem.NotFound();
        response.Headers.ETag = new EntityTagHeaderValue($"\"{piece.Version}\"").ToString();
        var assembly = work.AssemblyOf(piece.FlowerId);
        return TypedResults.Ok(new Answer(
            work.Show(piece), piece.Plan,
            [.. piece.Standing!.StageIds.Select(stageId => assembly.Stages.First(stage => stage.Id == stageId)).Select(stage => new StageView(stage.Id, stage.Kind, stage.Name))],
            assembly.Dusting, piece.Version));
    }
}
