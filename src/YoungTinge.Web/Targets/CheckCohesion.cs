using YoungTinge.Core.Flowers;
using YoungTinge.Core.Targets;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Targets;

/// <summary>
/// Whether what is planned looks as if it belongs together, by its targets: a flower against the leaves of its commission, and the
/// designs of a whole commission against each other. Proposes a shared accent where nothing ties them.
/// </summary>
public static class CheckCohesion
{
    /// <param name="Colour">That it has now.</param>
    public sealed record SpotView(Guid PieceId, string Piece, Guid FlowerId, string Flower, Zone Zone, ColourView Colour);

    /// <param name="Of">Whose colour it takes up.</param>
    /// <param name="Then">What it would become.</param>
    public sealed record AccentView(SpotView Spot, SpotView Of, ColourView Then);

    /// <param name="One">A flower, or what of it is no leaf.</param>
    /// <param name="Other">Another flower, or the leaves.</param>
    /// <param name="OtherIsLeaves">True if the other are leaves.</param>
    public sealed record PairView(
        string One, string Other, bool OtherIsLeaves, bool IsTied, double Distance, SpotView Echo, SpotView EchoIn, IReadOnlyList<AccentView> Accents);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/flowers/{id:guid}/cohesion", OfFlower).KeepsLook().WithName("getFlowerCohesion")
            .WithSummary("Whether a flower looks as if it belongs to the leaves of its commission.").Produces<IReadOnlyList<PairView>>().ProducesProblems(404);
        api.MapGet("/commissions/{id:guid}/cohesion", OfCommission).KeepsLook().WithName("getCommissionCohesion")
            .WithSummary("Whether the designs of a commission look as if they belong together.").Produces<IReadOnlyList<PairView>>().ProducesProblems(404);
    }

    private static async Task<IResult> OfFlower(Guid id, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CancellationToken cancel)
    {
        var studioId = studio.Id;
        if (await commissions.FindFlowerAsync(studioId, id, cancel) is not var (commission, flower))
            return ApiProblem.NotFound();
        var all = await InCommissionAsync(studioId, commission.Id, commissions, pieces, cancel);
        // Its own leaves; if it has none, those of the other designs that it stands with.
        var own = all.Where(one => one.Flower.Id == id).ToList();
        var leaves = own.Any(one => IsLeaf(one.Piece)) ? own.Where(one => IsLeaf(one.Piece)) : all.Where(one => IsLeaf(one.Piece));
        return TypedResults.Ok(Pairs(
            [.. own.Where(one => !IsLeaf(one.Piece)).Select(one => (one, flower.Name)), .. leaves.Select(one => (one, Leaves))]));
    }

    private static async Task<IResult> OfCommission(Guid id, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CancellationToken cancel)
    {
        var all = await InCommissionAsync(studio.Id, id, commissions, pieces, cancel);
        return all.Count == 0 ? ApiProblem.NotFound() : TypedResults.Ok(Pairs([.. all.Select(one => (one, one.Flower.Name))]));
    }

    /// <summary>Stands for all leaves; no flower can be called nothing.</summary>
    private const string Leaves = "";

    private sealed record Placed(PlannedPiece Piece, Flower Flower);

    private static bool IsLeaf(PlannedPiece planned) => OutlineLibrary.Get(planned.Piece.OutlineId).IsLeaf;

    private static async Task<IReadOnlyList<Placed>> InCommissionAsync(
        Guid studioId, Guid commissionId, CommissionStore commissions, PieceStore pieces, CancellationToken cancel)
    {
        var flowers = (await commissions.ListAsync(studioId, cancel)).Flowers.Where(flower => flower.CommissionId == commissionId).ToDictionary(flower => flower.Id);
        return [.. (await pieces.ListAsync(studioId, null, cancel)).Where(piece => flowers.ContainsKey(piece.FlowerId)).Select(piece => new Placed(piece, flowers[piece.FlowerId]))];
    }

    private static IReadOnlyList<PairView> Pairs(IReadOnlyList<(Placed Placed, string Group)> parts)
    {
        var placed = parts.DistinctBy(part => part.Placed.Piece.Id).ToDictionary(part => part.Placed.Piece.Id, part => part.Placed);
        var pairs = Cohesion.Of([.. parts.Select(part => new CohesionPart(
            part.Placed.Piece.Id, part.Group, part.Placed.Piece.Piece.SeenPerPart * part.Placed.Piece.Piece.Shape().AreaCm2, part.Placed.Piece.Plan.Targets.ToDictionary(target => target.Key, target => target.Value.Colour)))]);
        SpotView Spot(CohesionPlace place)
        {
            var (piece, flower) = placed[place.PieceId];
            return new SpotView(piece.Id, piece.Piece.Name, flower.Id, flower.Name, place.Zone, ColourView.From(piece.Plan.Targets[place.Zone].Colour));
        }

        return [.. pairs.Select(pair => new PairView(
            pair.One, pair.Other, pair.Other == Leaves, pair.IsTied, pair.Distance, Spot(pair.Echo), Spot(pair.EchoIn),
            [.. pair.Accents.Select(accent => new AccentView(Spot(accent.Place), Spot(accent.Of), ColourView.From(accent.Then)))]))];
    }
}
