using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.PasteDay;

/// <summary>A flower with all pieces of its commission: what its pastes may be mixed for.</summary>
internal sealed record FlowerWorks(Commission Commission, Flower Flower, IReadOnlyList<Flower> Flowers, IReadOnlyList<PlannedPiece> Pieces)
{
    public IReadOnlyList<PlannedWork> All => [.. Pieces.Select(piece => piece.Work)];

    public IReadOnlyList<PasteUseView> Uses(Materials materials) => [.. Pieces.Select(piece => new PasteUseView(
        piece.FlowerId, Flowers.First(flower => flower.Id == piece.FlowerId).Name, PieceView.From(piece, materials)))];

    public IReadOnlyList<PlannedWork> OfFlower => [.. Pieces.Where(piece => piece.FlowerId == Flower.Id).Select(piece => piece.Work)];
}

internal sealed class FlowerWorksLoader(StudioWorks works)
{
    /// <summary>Null if there is no such flower.</summary>
    public async Task<FlowerWorks?> FindAsync(Guid flowerId, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindFlower(flowerId) is not var (commission, flower))
            return null;
        var ofCommission = work.Flowers.Where(one => one.CommissionId == commission.Id).ToList();
        return new FlowerWorks(commission, flower, ofCommission, [.. ofCommission.SelectMany(one => work.PiecesOf(one.Id))]);
    }
}

/// <summary>A piece that a paste may be mixed for.</summary>
public sealed record PasteUseView(Guid FlowerId, string FlowerName, PieceView Piece);
