using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Work;

/// <summary>What there is to do for a kind of piece, a flower or a commission, in order, with what has been done of it.</summary>
public static class GetRunSheets
{
    /// <param name="FlowerId">Null for a whole commission.</param>
    /// <param name="PieceId">Null for a whole flower or commission.</param>
    /// <param name="ToMake">Pieces with spares; 0 for more than one kind.</param>
    /// <param name="Times">By operation, for what is done or stands in the plan in force.</param>
    public sealed record Answer(
        CommissionView Commission, Guid? FlowerId, string? FlowerName, Guid? PieceId, string? PieceName, int ToMake, IReadOnlyList<OperationView> Operations,
        IReadOnlyDictionary<string, OperationTime> Times, string TimeZone);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/pieces/{id:guid}/run-sheet", OfPiece).KeepsAnswer().WithName("getPieceRunSheet")
            .WithSummary("What there is to do for a kind of piece, in order.").Produces<Answer>().ProducesProblems(404);
        api.MapGet("/flowers/{id:guid}/run-sheet", OfFlower).KeepsAnswer().WithName("getFlowerRunSheet")
            .WithSummary("What there is to do for a flower, in order.").Produces<Answer>().ProducesProblems(404);
        api.MapGet("/commissions/{id:guid}/run-sheet", OfCommission).KeepsAnswer().WithName("getCommissionRunSheet")
            .WithSummary("What there is to do for a commission, in order.").Produces<Answer>().ProducesProblems(404);
    }

    private static async Task<IResult> OfPiece(Guid id, StudioWorks works, WorkPlanStore plans, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.Find(id) is not { } piece || work.FindFlower(piece.FlowerId) is not var (commission, flower))
            return ApiProblem.NotFound();
        return TypedResults.Ok(await SheetAsync(
            work, commission, work.GraphOf(commission.Id).OfPiece(id), plans, clock, cancel, (flower.Id, flower.Name), (piece.Id, piece.Piece.Name, piece.Piece.ToMake(piece.Parts))));
    }

    private static async Task<IResult> OfFlower(Guid id, StudioWorks works, WorkPlanStore plans, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindFlower(id) is not var (commission, flower))
            return ApiProblem.NotFound();
        return TypedResults.Ok(await SheetAsync(work, commission, work.GraphOf(commission.Id).OfFlower(id), plans, clock, cancel, (flower.Id, flower.Name)));
    }

    private static async Task<IResult> OfCommission(Guid id, StudioWorks works, WorkPlanStore plans, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is not { } commission)
            return ApiProblem.NotFound();
        return TypedResults.Ok(await SheetAsync(work, commission, work.GraphOf(id).Operations, plans, clock, cancel));
    }

    private static async Task<Answer> SheetAsync(
        StudioWork work, Commission commission, IEnumerable<Operation> of, WorkPlanStore plans, TimeProvider clock, CancellationToken cancel,
        (Guid Id, string Name)? flower = null, (Guid Id, string Name, int ToMake)? piece = null)
    {
        var operations = of.ToList();
        return new Answer(
            CommissionView.From(commission, work.Studio, clock.GetUtcNow()), flower?.Id, flower?.Name, piece?.Id, piece?.Name, piece?.ToMake ?? 0,
            [.. operations.Select(operation => OperationView.From(operation, work))], await PlannedTimes.OfAsync(operations, work, plans, cancel), work.Studio.TimeZone);
    }
}
