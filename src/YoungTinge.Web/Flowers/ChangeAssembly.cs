using System.Text.Json;
using YoungTinge.Core.Flowers;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>How a flower is put together: as its maker says, or else as the house would.</summary>
public static class ChangeAssembly
{
    /// <param name="PerFlower">Of them in one flower.</param>
    public sealed record PieceView(Guid Id, string Name, int PerFlower, bool IsWired);

    /// <param name="Plan">Of the maker, or of the house.</param>
    /// <param name="IsOwn">The maker changed it.</param>
    /// <param name="Problems">What its pieces have left behind since; then the house's way is worked by.</param>
    /// <param name="Pieces">That are put into the flower.</param>
    /// <param name="Version">Of the flower, to send with a change of it (If-Match).</param>
    public sealed record Answer(string FlowerName, AssemblyPlan Plan, bool IsOwn, IReadOnlyList<FieldProblem> Problems, IReadOnlyList<PieceView> Pieces, int Version);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/flowers/{id:guid}/assembly", Get).WithName("getAssembly")
            .WithSummary("How a flower is put together: as its maker says, or else as the house would.").Produces<Answer>().ProducesProblems(404);
        api.MapPut("/flowers/{id:guid}/assembly", Save).WithName("saveAssembly")
            .WithSummary("Keeps how a flower is put together, over the version of the flower that it was made from.").Produces<NewVersion>().ProducesProblems(404, 422);
        api.MapPost("/flowers/{id:guid}/assembly/as-the-house", Reset).WithName("resetAssembly")
            .WithSummary("Puts a flower together as the house would again.").Produces<NewVersion>().ProducesProblems(404);
    }

    private static async Task<IResult> Get(Guid id, StudioWorks works, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindFlower(id) is not var (_, flower))
            return ApiProblem.NotFound();
        var pieces = PiecesOf(work, id);
        return TypedResults.Ok(new Answer(
            flower.Name, flower.Assembly ?? HouseAssembly.For(id, pieces), flower.Assembly is not null, flower.Assembly is { } own ? Lines(AssemblyCheck.Problems(own, pieces), pieces) : [],
            [.. pieces.Where(piece => HouseAssembly.InFlower(piece.Piece)).Select(piece => new PieceView(piece.PieceId, piece.Piece.Name, piece.Piece.PerPart, piece.Piece.IsWired))], flower.Version));
    }

    private static async Task<IResult> Save(
        Guid id, AssemblyPlan plan, MadeFrom madeFrom, HttpResponse response, StudioWorks works, CommissionStore commissions, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindFlower(id) is null)
            return ApiProblem.NotFound();
        var pieces = PiecesOf(work, id);
        if (Lines(AssemblyCheck.Problems(plan, pieces), pieces) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        return await commissions.SaveAssemblyAsync(work.Studio.Id, id, madeFrom.Version, plan, cancel) is { } version
            ? MadeFrom.Saved(response, version)
            : ApiProblem.ChangedElsewhere();
    }

    private static async Task<IResult> Reset(Guid id, MadeFrom madeFrom, HttpResponse response, StudioWorks works, CommissionStore commissions, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindFlower(id) is null)
            return ApiProblem.NotFound();
        return await commissions.SaveAssemblyAsync(work.Studio.Id, id, madeFrom.Version, null, cancel) is { } version
            ? MadeFrom.Saved(response, version)
            : ApiProblem.ChangedElsewhere();
    }

    private static PieceOfFlower[] PiecesOf(StudioWork work, Guid flowerId) =>
        [.. work.PiecesOf(flowerId).Select(piece => new PieceOfFlower(piece.Id, piece.Piece, piece.Parts))];

    private static IReadOnlyList<FieldProblem> Lines(IEnumerable<AssemblyProblem> problems, IReadOnlyList<PieceOfFlower> pieces) => [.. problems.Select(problem => new FieldProblem(
        problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit,
        pieces.FirstOrDefault(piece => piece.PieceId == problem.PieceId)?.Piece.Name))];
}
