using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Commissions;

/// <summary>All work in the studio, first due first.</summary>
public static class ListCommissions
{
    public sealed record FlowerView(Guid Id, string Name, int Flowers, int Buds, IReadOnlyList<PieceView> Pieces);

    public sealed record Entry(CommissionView Commission, IReadOnlyList<FlowerView> Flowers);

    public sealed record Answer(string StudioName, string Maker, IReadOnlyList<Entry> Commissions);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/commissions", Handle)
        .KeepsAnswer().WithName("listCommissions").Produces<Answer>().ProducesProblems();

    private static async Task<IResult> Handle(
        CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CabinetStore cabinet, TimeProvider clock, CancellationToken cancel)
    {
        var current = await studio.GetAsync(cancel);
        var (all, flowers) = await commissions.ListAsync(current.Id, cancel);
        var materials = await cabinet.LoadAsync(current.Id, cancel);
        var piecesOf = (await pieces.ListAsync(current.Id, null, cancel)).ToLookup(piece => piece.FlowerId, piece => PieceView.From(piece, materials));
        return TypedResults.Ok(new Answer(current.Name, current.Maker, [.. all.Select(commission => new Entry(
            CommissionView.From(commission, current, clock.GetUtcNow()),
            [.. flowers.Where(flower => flower.CommissionId == commission.Id)
                .Select(flower => new FlowerView(flower.Id, flower.Name, flower.Flowers, flower.Buds, [.. piecesOf[flower.Id]]))]))]));
    }
}
