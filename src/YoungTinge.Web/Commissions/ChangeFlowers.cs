using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Commissions;

/// <summary>Puts flowers into a commission, and says what they are called, how many there are and whether they are eaten.</summary>
public static class ChangeFlowers
{
    /// <param name="FromLibrary">Id of a library flower to begin from; null for a blank one.</param>
    public sealed record NewFlower(string Name, int Flowers, int Buds, bool MustBeEdible, string? FromLibrary = null);

    public sealed record Made(Guid Id);

    public sealed record Change(string Name, int Flowers, int Buds, bool MustBeEdible);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/commissions/{id:guid}/flowers", Add).WithName("addFlower")
            .WithSummary("Puts a flower into a commission, with its pieces.").Produces<Made>().ProducesProblems(404, 422);
        api.MapPut("/flowers/{id:guid}", Save).WithName("saveFlower")
            .WithSummary("Says what a flower is called, how many there are and whether it is eaten.").Produces<NewVersion>().ProducesProblems(404, 422);
    }

    private static async Task<IResult> Add(Guid id, NewFlower request, CurrentStudio studio, CommissionStore commissions, CabinetStore cabinet, CancellationToken cancel)
    {
        if (StudioRules.OfName(request.Name).Concat(StudioRules.OfCounts(request.Flowers, request.Buds)).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var studioId = studio.Id;
        var materials = await cabinet.LoadAsync(studioId, cancel);
        var pieces = new List<(Guid, Piece, PiecePlan)>();
        var begin = request.FromLibrary is { } fromLibrary ? FlowerLibrary.Find(fromLibrary) : null;
        if (request.FromLibrary is not null && begin is null)
            return ApiProblem.NotPossible([new FieldProblem("fromLibrary", "unknownWord", null, null)]);
        foreach (var piece in begin?.Pieces ?? [])
        {
            if (NewPlan.For(piece.Colouring, materials) is not { } plan)
                return ApiProblem.NotPossible([new FieldProblem("fromLibrary", "noPaste", null, null)]);
            pieces.Add((Guid.CreateVersion7(), piece.Piece, plan));
        }

        var flower = new Flower(Guid.CreateVersion7(), id, request.Name.Trim(), request.Flowers, request.Buds, request.MustBeEdible, Version: 0);
        return await commissions.AddFlowerAsync(studioId, flower, pieces, cancel) ? TypedResults.Ok(new Made(flower.Id)) : ApiProblem.NotFound();
    }

    private static async Task<IResult> Save(
        Guid id, Change change, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, CommissionStore commissions, CancellationToken cancel)
    {
        if (StudioRules.OfName(change.Name).Concat(StudioRules.OfCounts(change.Flowers, change.Buds)).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var studioId = studio.Id;
        if (await commissions.FindFlowerAsync(studioId, id, cancel) is not var (_, flower))
            return ApiProblem.NotFound();
        var changed = flower with
        {
            Name = change.Name.Trim(),
            Flowers = change.Flowers,
            Buds = change.Buds,
            MustBeEdible = change.MustBeEdible,
            Version = madeFrom.Version,
        };
        return await commissions.SaveFlowerAsync(studioId, changed, cancel) is { } version ? MadeFrom.Saved(response, version) : ApiProblem.ChangedElsewhere();
    }
}
