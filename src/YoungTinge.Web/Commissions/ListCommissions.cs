using YoungTinge.Core.Work;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Commissions;

/// <summary>All work in the studio, first due first.</summary>
public static class ListCommissions
{
    /// <summary>So many are looked at on one screen: of the rest, pieces are asked for flower by flower.</summary>
    internal const int MostDrawn = 8;

    /// <param name="IsFoliage">Leaves on a stem: its number is of stems.</param>
    /// <param name="Pieces">Null for commissions far down the list: to be had with the flower.</param>
    public sealed record FlowerView(Guid Id, string Name, int Flowers, int Buds, bool IsFoliage, IReadOnlyList<PieceView>? Pieces);

    /// <param name="Food">By all that goes into or onto its flowers.</param>
    /// <param name="Progress">How much of all there is to do for it is done.</param>
    public sealed record Entry(CommissionView Commission, Progress Progress, FoodFacts Food, IReadOnlyList<FlowerView> Flowers);

    public sealed record Answer(string StudioName, string Maker, IReadOnlyList<Entry> Commissions);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/commissions", Handle)
        .KeepsAnswer().WithName("listCommissions").Produces<Answer>().ProducesProblems();

    private static async Task<IResult> Handle(
        StudioWorks works, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var flowers = work.Flowers.ToLookup(flower => flower.CommissionId);
        var drawn = work.Commissions.OrderBy(commission => !commission.IsOpen).Take(MostDrawn).Select(commission => commission.Id).ToHashSet();
        return TypedResults.Ok(new Answer(work.Studio.Name, work.Studio.Maker, [.. work.Commissions.Select(commission => new Entry(
            CommissionView.From(commission, work.Studio, clock.GetUtcNow()), work.ProgressOf(commission.Id, work.GraphOf(commission.Id).Operations), work.FoodOf(commission.Id),
            [.. flowers[commission.Id].Select(flower => new FlowerView(
                flower.Id, flower.Name, flower.Flowers, flower.Buds, work.IsFoliage(flower.Id), drawn.Contains(commission.Id) ? [.. work.PiecesOf(flower.Id).Select(work.Show)] : null))]))]));
    }
}
