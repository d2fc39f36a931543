using YoungTinge.Core.Coats.Advice;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>Puts a piece that was logged into a commission once more, with its plan and its paste as they were then.</summary>
public static class MakeAgain
{
    public sealed record Request(Guid CommissionId);

    public sealed record Made(Guid FlowerId, Guid PieceId);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/log-entries/{id:guid}/made-again", Handle)
        .WithName("makeAgain").Produces<Made>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(Guid id, Request request, CurrentStudio studio, CabinetStore cabinet, LogbookStore logbook, CommissionStore commissions, CancellationToken cancel)
    {
        if (await logbook.FindNamedAsync(studio.Id, id, cancel) is not { } named)
            return ApiProblem.NotFound();
        if (named.Entry is not { Piece: { } piece, Plan: { } logged })
            return ApiProblem.NotPossible([new FieldProblem("piece", "pieceUnknown", null, null)]);
        // What was planned for others then, or was a batch of its own, is its own paste now.
        var plan = logged with { BatchId = null, Paste = named.Entry.Mix?.Recipe ?? logged.Paste };
        var gone = PlanAdvisor.MaterialsOf(plan).Except((await cabinet.LoadAsync(studio.Id, cancel)).All.Select(material => material.Id)).ToList();
        if (gone.Count > 0)
            return ApiProblem.NotPossible([.. gone.Select(material => new FieldProblem("piece", "materialGone", null, material))]);
        var name = named.FlowerName.Length > 0 ? named.FlowerName : piece.Name;
        var (flower, made) = (new Flower(Guid.CreateVersion7(), request.CommissionId, name, 1, 0, false, Version: 0), Guid.CreateVersion7());
        return await commissions.AddFlowerAsync(studio.Id, flower, [(made, piece, plan)], cancel) ? TypedResults.Ok(new Made(flower.Id, made)) : ApiProblem.NotFound();
    }
}
