using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Work;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Cabinet;

/// <summary>Which materials the plans use, how much of each, and which run short: of all commissions, of one, or of one flower.</summary>
public static class GetNeeds
{
    public sealed record UseView(Guid PieceId, string Piece, Guid FlowerId, string Flower);

    /// <param name="Amount">In its own measure.</param>
    /// <param name="Short">0 if there is enough, null if it is not known what is left.</param>
    public sealed record NeedView(string MaterialId, Measure Measure, double Amount, double? Short, IReadOnlyList<UseView> Uses);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/materials/needs", Handle)
        .KeepsAnswer().WithName("getNeeds").Produces<IReadOnlyList<NeedView>>().ProducesProblems();

    private static async Task<IResult> Handle(
        Guid? commissionId, Guid? flowerId, StudioWorks works, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var flowers = work.Flowers
            .Where(flower => (commissionId ?? flower.CommissionId) == flower.CommissionId && (flowerId ?? flower.Id) == flower.Id).ToDictionary(flower => flower.Id);
        var planned = work.Pieces.Where(piece => flowers.ContainsKey(piece.FlowerId)).ToDictionary(piece => piece.Id);
        var needs = MaterialNeeds.Of([.. planned.Values.Select(piece => piece.Work)], work.Materials);
        return TypedResults.Ok<IReadOnlyList<NeedView>>([.. needs.Select(need => new NeedView(
            need.MaterialId, need.Measure, need.Amount, need.Short,
            [.. need.PieceIds.Select(id => planned[id]).Select(piece => new UseView(piece.Id, piece.Piece.Name, piece.FlowerId, flowers[piece.FlowerId].Name))]))]);
    }
}
