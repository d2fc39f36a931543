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
        var operations = flowers.Values.Select(flower => flower.CommissionId).Distinct().SelectMany(id => work.GraphOf(id).Operations)
            .Where(operation => flowerId is not { } only || operation.Lots.Any(lot => lot.FlowerId == only));
        return TypedResults.Ok<IReadOnlyList<NeedView>>([.. MaterialNeeds.Of(operations, work.Materials).Select(need => new NeedView(
            need.MaterialId, need.Measure, need.Amount, need.Short,
            [.. need.Uses.Where(lot => lot.PieceId is not null && flowers.ContainsKey(lot.FlowerId)).Select(lot => new UseView(lot.PieceId!.Value, work.Find(lot.PieceId.Value)!.Piece.Name, lot.FlowerId, flowers[lot.FlowerId].Name))]))]);
    }
}
