using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>Changes how many spares of a piece are made; all amounts follow.</summary>
public static class SaveSpares
{
    private const double Most = 2;

    /// <param name="SpareShare">Of the number needed, 0 to 2.</param>
    /// <param name="Was">That the change was made from.</param>
    public sealed record Request(double SpareShare, double Was);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/pieces/{id:guid}/spares", Handle)
        .WithName("saveSpares").Produces(204).ProducesProblems(404, 412, 422, 503);

    private static async Task<IResult> Handle(Guid id, Request request, CurrentStudio studio, PieceStore pieces, CancellationToken cancel)
    {
        if (request.SpareShare is not (>= 0 and <= Most))
            return ApiProblem.NotPossible([new FieldProblem("spareShare", "sparesOutOfRange", 100 * Most, null)]);
        return await pieces.SaveSparesAsync(await studio.IdAsync(cancel), id, request.SpareShare, request.Was, cancel) switch
        {
            true => TypedResults.NoContent(),
            false => IfMatch.Changed(),
            null => ApiProblem.NotFound(),
        };
    }
}
