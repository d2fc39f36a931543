using YoungTinge.Core.Flowers;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>Changes how many spares of a piece are made; all amounts follow.</summary>
public static class SaveSpares
{
    /// <param name="SpareShare">Of the number needed, 0 to 2.</param>
    public sealed record Request(double SpareShare);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/pieces/{id:guid}/spares", Handle)
        .WithName("saveSpares").Produces<NewVersion>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(Guid id, Request request, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, PieceStore pieces, CancellationToken cancel)
    {
        if (request.SpareShare is not (>= 0 and <= PieceCheck.MostSpares))
            return ApiProblem.NotPossible([new FieldProblem("spareShare", "sparesOutOfRange", 100 * PieceCheck.MostSpares, null)]);
        var studioId = studio.Id;
        if (await pieces.SaveSparesAsync(studioId, id, madeFrom.Version, request.SpareShare, cancel) is not { } version)
            return await pieces.FindAsync(studioId, id, cancel) is null ? ApiProblem.NotFound() : ApiProblem.ChangedElsewhere();
        return MadeFrom.Saved(response, version);
    }
}
