using YoungTinge.Core.Coats.Model;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Commissions;

/// <summary>Makes, changes and copies commissions.</summary>
public static class ChangeCommissions
{
    public sealed record Made(Guid Id);

    /// <param name="WithColours">Its targets, pastes and coats come along; else its pieces begin anew as plain paste.</param>
    public sealed record Copy(string Name, DateOnly DueOn, bool WithColours);

    /// <param name="CommissionId">To copy it into: its own or another.</param>
    public sealed record FlowerCopyRequest(Guid CommissionId, string Name, bool WithColours);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/commissions", Add).WithName("addCommission")
            .WithSummary("Begins a commission.").Produces<Made>().ProducesProblems(422);
        api.MapPut("/commissions/{id:guid}", Save).WithName("saveCommission")
            .WithSummary("Changes what a commission says of itself, over the version it was made from.").Produces<NewVersion>().ProducesProblems(404, 422);
        api.MapPost("/commissions/{id:guid}/copy", CopyWhole).WithName("copyCommission")
            .WithSummary("Copies a commission with its flowers, with or without their colours.").Produces<Made>().ProducesProblems(404, 422);
        api.MapPost("/flowers/{id:guid}/copy", CopyFlower).WithName("copyFlower")
            .WithSummary("Copies a flower into this or another commission, with or without its colours.").Produces<Made>().ProducesProblems(404, 422);
    }

    private static async Task<IResult> Add(CommissionDetails request, CurrentStudio studio, CommissionStore commissions, CancellationToken cancel)
    {
        if (StudioRules.Of(request).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var id = Guid.CreateVersion7();
        await commissions.AddAsync(studio.Id, id, Trimmed(request), cancel);
        return TypedResults.Ok(new Made(id));
    }

    private static async Task<IResult> Save(
        Guid id, CommissionDetails details, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, CommissionStore commissions, CancellationToken cancel)
    {
        if (StudioRules.Of(details).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var studioId = studio.Id;
        if (await commissions.SaveAsync(studioId, id, madeFrom.Version, Trimmed(details), cancel) is not { } version)
            return await commissions.FindAsync(studioId, id, cancel) is null ? ApiProblem.NotFound() : ApiProblem.ChangedElsewhere();
        return MadeFrom.Saved(response, version);
    }

    private static async Task<IResult> CopyWhole(
        Guid id, Copy request, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CabinetStore cabinet, CopyStore copies, CancellationToken cancel)
    {
        var studioId = studio.Id;
        if (await commissions.FindAsync(studioId, id, cancel) is not { } commission)
            return ApiProblem.NotFound();
        var details = Trimmed(commission.Details with { Name = request.Name, DueOn = request.DueOn, Status = CommissionStatus.Planned });
        if (StudioRules.Of(details).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var newId = Guid.CreateVersion7();
        var copied = new List<FlowerCopy>();
        foreach (var flower in (await commissions.ListAsync(studioId, cancel)).Flowers.Where(flower => flower.CommissionId == id))
        {
            if (await CopyOfAsync(studioId, flower, newId, flower.Name, request.WithColours, pieces, cabinet, cancel) is not { } copy)
                return NoPaste();
            copied.Add(copy);
        }

        await copies.CopyAsync(studioId, (newId, details), id, copied, cancel);
        return TypedResults.Ok(new Made(newId));
    }

    private static async Task<IResult> CopyFlower(
        Guid id, FlowerCopyRequest request, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CabinetStore cabinet, CopyStore copies,
        CancellationToken cancel)
    {
        if (StudioRules.OfName(request.Name).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var studioId = studio.Id;
        if (await commissions.FindFlowerAsync(studioId, id, cancel) is not var (_, flower))
            return ApiProblem.NotFound();
        if (await CopyOfAsync(studioId, flower, request.CommissionId, request.Name.Trim(), request.WithColours, pieces, cabinet, cancel) is not { } copy)
            return NoPaste();
        return await copies.CopyAsync(studioId, null, null, [copy], cancel) ? TypedResults.Ok(new Made(copy.Flower.Id)) : ApiProblem.NotFound();
    }

    /// <returns>Null if the copy is to begin as plain paste, and the cabinet has none.</returns>
    private static async Task<FlowerCopy?> CopyOfAsync(
        Guid studioId, Flower flower, Guid commissionId, string name, bool withColours, PieceStore pieces, CabinetStore cabinet, CancellationToken cancel)
    {
        var plain = withColours ? null : NewPlan.For(null, await cabinet.LoadAsync(studioId, cancel));
        if (plain is null && !withColours)
            return null;
        var copied = (await pieces.ListAsync(studioId, flower.Id, cancel)).Select(piece => (piece.Id, Guid.CreateVersion7(), piece.Piece, plain ?? piece.Plan));
        return new FlowerCopy(flower.Id, flower with { Id = Guid.CreateVersion7(), CommissionId = commissionId, Name = name }, [.. copied], WithPastePlans: withColours);
    }

    private static IResult NoPaste() => ApiProblem.NotPossible([new FieldProblem("withColours", "noPaste", null, null)]);

    private static CommissionDetails Trimmed(CommissionDetails details) => details with
    {
        Name = details.Name.Trim(),
        Place = details.Place.Trim(),
        ClientNote = details.ClientNote.Trim(),
        OwnNote = details.OwnNote.Trim(),
    };
}
