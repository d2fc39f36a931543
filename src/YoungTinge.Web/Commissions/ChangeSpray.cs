using System.Text.Json;
using YoungTinge.Core.Flowers;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Commissions;

/// <summary>How the flowers of a commission are wired to sprays: as their maker says, or else as the house would.</summary>
public static class ChangeSpray
{
    /// <param name="PieceId">Of leaves and berries; null for flowers and buds.</param>
    /// <param name="PieceName">Null for flowers and buds.</param>
    /// <param name="Made">Of them, for all sprays together.</param>
    /// <param name="GroupOf">So many pieces make one; 1 for one by one.</param>
    public sealed record StockView(SprayPart Part, Guid FlowerId, Guid? PieceId, string FlowerName, string? PieceName, int Made, int GroupOf);

    /// <param name="Plan">Of the maker, or of the house.</param>
    /// <param name="IsOwn">The maker changed it.</param>
    /// <param name="Problems">What its flowers have left behind since; then the house's way is worked by.</param>
    /// <param name="Version">Of the commission, to send with a change of it (If-Match).</param>
    public sealed record Answer(string CommissionName, SprayPlan Plan, bool IsOwn, IReadOnlyList<FieldProblem> Problems, IReadOnlyList<StockView> Stock, int Version);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/commissions/{id:guid}/spray-plan", Get).WithName("getSprayPlan")
            .WithSummary("How the flowers of a commission are wired to sprays.").Produces<Answer>().ProducesProblems(404);
        api.MapPut("/commissions/{id:guid}/spray-plan", Save).WithName("saveSprayPlan")
            .WithSummary("Keeps how the sprays are wired, over the version of the commission that it was made from.").Produces<NewVersion>().ProducesProblems(404, 422);
        api.MapPost("/commissions/{id:guid}/spray-plan/as-the-house", Reset).WithName("resetSprayPlan")
            .WithSummary("Wires the sprays as the house would again.").Produces<NewVersion>().ProducesProblems(404);
    }

    private static async Task<IResult> Get(Guid id, StudioWorks works, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is not { } commission)
            return ApiProblem.NotFound();
        var stock = work.SprayStockOf(id);
        return TypedResults.Ok(new Answer(
            commission.Name, commission.Spray ?? HouseSpray.For(stock), commission.Spray is not null, commission.Spray is { } own ? Lines(SprayCheck.Problems(own, stock)) : [],
            [.. stock.Select(View)], commission.Version));

        StockView View(SprayStock one)
        {
            var flower = work.FindFlower(one.FlowerId)!.Value.Flower;
            var piece = one.PieceId is { } pieceId ? work.Find(pieceId)!.Piece : null;
            var group = piece is null ? work.AssemblyOf(one.FlowerId).GroupOf : piece.Form.GatheredBy;
            return new StockView(one.Part, one.FlowerId, one.PieceId, flower.Name, piece?.Name, one.Made, one.Part == SprayPart.Buds ? 1 : group ?? 1);
        }
    }

    private static async Task<IResult> Save(
        Guid id, SprayPlan plan, MadeFrom madeFrom, HttpResponse response, StudioWorks works, CommissionStore commissions, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is null)
            return ApiProblem.NotFound();
        if (Lines(SprayCheck.Problems(plan, work.SprayStockOf(id))) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        return await SaveAsync(work, id, madeFrom, response, plan, commissions, cancel);
    }

    private static async Task<IResult> Reset(Guid id, MadeFrom madeFrom, HttpResponse response, StudioWorks works, CommissionStore commissions, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        return work.FindCommission(id) is null ? ApiProblem.NotFound() : await SaveAsync(work, id, madeFrom, response, null, commissions, cancel);
    }

    private static async Task<IResult> SaveAsync(StudioWork work, Guid id, MadeFrom madeFrom, HttpResponse response, SprayPlan? plan, CommissionStore commissions, CancellationToken cancel) =>
        await commissions.SaveSprayAsync(work.Studio.Id, id, madeFrom.Version, plan, cancel) is { } version ? MadeFrom.Saved(response, version) : ApiProblem.ChangedElsewhere();

    private static IReadOnlyList<FieldProblem> Lines(IEnumerable<SprayProblem> problems) =>
        [.. problems.Select(problem => new FieldProblem(problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit, null))];
}
