using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Work;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Cabinet;

/// <summary>Which materials the plans use, how much of each, and which run short: of all commissions, of one, or of one flower.</summary>
public static class GetNeeds
{
    public sealed record UseView(Guid PieceId, string Piece, Guid FlowerId, string Flower);

    /// <summary>More are not read through.</summary>
    private const int MostUses = 24;

    /// <param name="Amount">In its own measure.</param>
    /// <param name="Short">0 if there is enough, null if it is not known what is left.</param>
    /// <param name="Uses">Pieces that take of it, the first of them.</param>
    /// <param name="MoreUses">How many more there are.</param>
    public sealed record NeedView(string MaterialId, Measure Measure, double Amount, double? Short, IReadOnlyList<UseView> Uses, int MoreUses);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/materials/needs", Handle)
        .KeepsAnswer().WithName("getNeeds").Produces<IReadOnlyList<NeedView>>().ProducesProblems();

    /// <param name="pieceId">Only what this piece takes of, whoever else does.</param>
    private static async Task<IResult> Handle(
        Guid? commissionId, Guid? flowerId, Guid? pieceId, StudioWorks works, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var flowers = work.Flowers
            .Where(flower => (commissionId ?? flower.CommissionId) == flower.CommissionId && (flowerId ?? flower.Id) == flower.Id).ToDictionary(flower => flower.Id);
        var operations = flowers.Values.Select(flower => flower.CommissionId).Distinct().SelectMany(id => work.GraphOf(id).Operations)
            .Where(operation => flowerId is not { } only || operation.Lots.Any(lot => lot.FlowerId == only));
        return TypedResults.Ok<IReadOnlyList<NeedView>>([.. MaterialNeeds.Of(operations, work.Materials).Where(need => pieceId is null || need.Uses.Any(lot => lot.PieceId == pieceId)).Select(View)]);

        NeedView View(MaterialNeed need)
        {
            Lot[] uses = [.. need.Uses.Where(lot => lot.PieceId is not null && flowers.ContainsKey(lot.FlowerId))];
            return new NeedView(
                need.MaterialId, need.Measure, need.Amount, need.Short,
                [.. uses.Take(MostUses).Select(lot => new UseView(lot.PieceId!.Value, work.Find(lot.PieceId.Value)!.Piece.Name, lot.FlowerId, flowers[lot.FlowerId].Name))],
                Math.Max(0, uses.Length - MostUses));
        }
    }
}
