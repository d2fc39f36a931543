using System.Text.Json;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>Makes, changes and orders the pieces of a flower.</summary>
public static class ChangePieces
{
    /// <param name="Colouring">Id of a natural colouring, or #rrggbb, to begin the targets from; null for a plain cream.</param>
    /// <param name="PlanOf">A piece whose plan it begins with instead: a copy to vary.</param>
    public sealed record NewPiece(Piece Piece, string? Colouring = null, Guid? PlanOf = null);

    public sealed record Made(Guid Id);

    /// <param name="PieceIds">All pieces of the flower, from the top of the stem.</param>
    public sealed record Order(IReadOnlyList<Guid> PieceIds);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/flowers/{id:guid}/pieces", Add).WithName("addPiece")
            .WithSummary("Adds a piece to a flower.").Produces<Made>().ProducesProblems(404, 422);
        api.MapPut("/pieces/{id:guid}", Save).WithName("savePiece")
            .WithSummary("Changes the shape of a piece, over the version it was made from.").Produces<NewVersion>().ProducesProblems(404, 422);
        api.MapPut("/flowers/{id:guid}/pieces/order", Arrange).WithName("orderPieces")
            .WithSummary("Puts the pieces of a flower in order along the stem.").Produces<NewVersion>().ProducesProblems(404, 422);
    }

    /// <param name="sure">What is asked about is so.</param>
    internal static IReadOnlyList<FieldProblem> Problems(Piece piece, bool? sure) => Lines(PieceCheck.Problems(piece, sure ?? false));

    private static IReadOnlyList<FieldProblem> Lines(IEnumerable<PieceProblem> problems) =>
        [.. problems.Select(problem => new FieldProblem(problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit, null))];

    private static async Task<IResult> Add(
        Guid id, NewPiece request, bool? sure, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CabinetStore cabinet, CancellationToken cancel)
    {
        if (Problems(request.Piece, sure) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var studioId = studio.Id;
        if (await commissions.FindFlowerAsync(studioId, id, cancel) is not var (_, flower))
            return ApiProblem.NotFound();
        var materials = await cabinet.LoadAsync(studioId, cancel);
        if (Lines(BodyCheck.Problems(request.Piece, request.Piece.PartOf == PartOf.Bud ? flower.Buds : flower.Flowers, materials, sure ?? false)) is { Count: > 0 } missing)
            return ApiProblem.NotPossible(missing);
        var plan = request.PlanOf is { } other ? (await pieces.FindAsync(studioId, other, cancel))?.Plan : NewPlan.For(request.Colouring, materials);
        if (plan is null)
            return request.PlanOf is null ? ApiProblem.NotPossible([new FieldProblem("piece", "noPaste", null, null)]) : ApiProblem.NotFound();
        var pieceId = Guid.CreateVersion7();
        return await pieces.AddAsync(studioId, id, pieceId, request.Piece, plan, cancel) switch
        {
            AddPieceResult.Added => TypedResults.Ok(new Made(pieceId)),
            AddPieceResult.TooMany => ApiProblem.NotPossible([new FieldProblem("piece", "tooManyPieces", PieceCheck.MostKinds, null)]),
            _ => ApiProblem.NotFound(),
        };
    }

    private static async Task<IResult> Save(
        Guid id, Piece piece, bool? sure, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, PieceStore pieces, CabinetStore cabinet, CancellationToken cancel)
    {
        if (Problems(piece, sure) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var studioId = studio.Id;
        if (await pieces.FindAsync(studioId, id, cancel) is { } kept
            && Lines(BodyCheck.Problems(piece, kept.Parts, await cabinet.LoadAsync(studioId, cancel), sure ?? false)) is { Count: > 0 } missing)
            return ApiProblem.NotPossible(missing);
        if (await pieces.SavePieceAsync(studioId, id, madeFrom.Version, piece, cancel) is not { } version)
            return await pieces.FindAsync(studioId, id, cancel) is null ? ApiProblem.NotFound() : ApiProblem.ChangedElsewhere();
        return MadeFrom.Saved(response, version);
    }

    private static async Task<IResult> Arrange(
        Guid id, Order order, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CancellationToken cancel)
    {
        if (order.PieceIds.Count > PieceCheck.MostKinds || order.PieceIds.Distinct().Count() != order.PieceIds.Count)
            return ApiProblem.NotPossible([new FieldProblem("pieceIds", "tooManyPieces", PieceCheck.MostKinds, null)]);
        var studioId = studio.Id;
        if (await pieces.OrderAsync(studioId, id, madeFrom.Version, order.PieceIds, cancel) is not { } version)
            return await commissions.FindFlowerAsync(studioId, id, cancel) is null ? ApiProblem.NotFound() : ApiProblem.ChangedElsewhere();
        return MadeFrom.Saved(response, version);
    }
}
