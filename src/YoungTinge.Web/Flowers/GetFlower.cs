using YoungTinge.Core.Work;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>A flower with its pieces, in order along the stem.</summary>
public static class GetFlower
{
    /// <param name="IsFoliage">Leaves on a stem: its number is of stems.</param>
    /// <param name="Progress">By piece: how much of what there is to do for it is done.</param>
    /// <param name="Food">By all that goes into or onto the flower.</param>
    /// <param name="Version">To send with a change of the flower, or of the order of its pieces (If-Match).</param>
    public sealed record Answer(
        Guid Id, string Name, int Flowers, int Buds, bool IsFoliage, bool MustBeEdible, CommissionView Commission, IReadOnlyList<PieceView> Pieces, IReadOnlyDictionary<Guid, Progress> Progress, FoodFacts Food, int Version);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/flowers/{id:guid}", Handle)
        .KeepsAnswer().WithName("getFlower").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(
        Guid id, StudioWorks works, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindFlower(id) is not var (commission, flower))
            return ApiProblem.NotFound();
        return TypedResults.Ok(new Answer(
            flower.Id, flower.Name, flower.Flowers, flower.Buds, work.IsFoliage(id), flower.MustBeEdible, CommissionView.From(commission, work.Studio, clock.GetUtcNow()),
            [.. work.PiecesOf(id).Select(work.Show)],
            work.PiecesOf(id).ToDictionary(piece => piece.Id, piece => work.ProgressOf(commission.Id, work.GraphOf(commission.Id).OfPiece(piece.Id))),
            FoodFacts.Of(work.GraphOf(commission.Id).OfFlower(id), work.Materials), flower.Version));
    }
}
