using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>A flower with its pieces, in order along the stem.</summary>
public static class GetFlower
{
    /// <param name="Version">To send with a change of the flower, or of the order of its pieces (If-Match).</param>
    public sealed record Answer(
        Guid Id, string Name, int Flowers, int Buds, bool MustBeEdible, CommissionView Commission, IReadOnlyList<PieceView> Pieces, int Version);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/flowers/{id:guid}", Handle)
        .KeepsAnswer().WithName("getFlower").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(
        Guid id, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CabinetStore cabinet, TimeProvider clock, CancellationToken cancel)
    {
        var current = await studio.GetAsync(cancel);
        if (await commissions.FindFlowerAsync(current.Id, id, cancel) is not var (commission, flower))
            return ApiProblem.NotFound();
        var materials = await cabinet.LoadAsync(current.Id, cancel);
        var planned = await pieces.ListAsync(current.Id, id, cancel);
        return TypedResults.Ok(new Answer(
            flower.Id, flower.Name, flower.Flowers, flower.Buds, flower.MustBeEdible, CommissionView.From(commission, current, clock.GetUtcNow()),
            [.. planned.Select(piece => PieceView.From(piece, materials))], flower.Version));
    }
}
