using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.PasteDay;

/// <summary>What planning a run of shades and a marble have in common: both are checked against the flower's commission and kept whole.</summary>
internal sealed class FlowerPastePlans(CurrentStudio studio, FlowerWorksLoader works, PastePlanStore plans, CabinetStore cabinet)
{
    /// <summary>What is wrong with a plan, field by field.</summary>
    public delegate IReadOnlyList<FieldProblem> Check<in T>(T plan, IReadOnlyList<PlannedWork> works, Materials materials);

    /// <summary>Computes something from a plan if it can be; keeps nothing.</summary>
    public async Task<IResult> LookAsync<T>(Guid flowerId, T plan, Check<T> check, Func<FlowerWorks, Materials, IResult> answer, CancellationToken cancel)
    {
        var studioId = studio.Id;
        if (await works.FindAsync(flowerId, cancel) is not { } flower)
            return ApiProblem.NotFound();
        var materials = await cabinet.LoadAsync(studioId, cancel);
        return check(plan, flower.All, materials) is { Count: > 0 } problems ? ApiProblem.NotPossible(problems) : answer(flower, materials);
    }

    public async Task<IResult> SaveAsync<T>(Guid flowerId, T plan, MadeFrom madeFrom, HttpResponse response, Check<T> check, CancellationToken cancel)
        where T : IPastePlan
    {
        var studioId = studio.Id;
        if (await works.FindAsync(flowerId, cancel) is not { } flower)
            return ApiProblem.NotFound();
        FieldProblem[] problems =
        [
            .. check(plan, flower.All, await cabinet.LoadAsync(studioId, cancel)), .. await TakenAsync(studioId, flowerId, plan, cancel),
        ];
        if (problems.Length > 0)
            return ApiProblem.NotPossible([.. problems.Select(problem => problem with { Path = $"plan.{problem.Path}" })]);
        return await plans.SaveAsync(studioId, new KeptPastePlan<T>(flowerId, plan, madeFrom.Version), cancel) is { } version
            ? MadeFrom.Saved(response, version)
            : ApiProblem.ChangedElsewhere();
    }

    /// <summary>A piece gets its paste in one way only.</summary>
    private async Task<IEnumerable<FieldProblem>> TakenAsync<T>(Guid studioId, Guid flowerId, T plan, CancellationToken cancel)
        where T : IPastePlan
    {
        IEnumerable<(Guid FlowerId, IPastePlan Plan)> kept =
        [
            .. (await plans.ListAsync<OmbrePlan>(studioId, null, cancel)).Select(one => (one.FlowerId, (IPastePlan)one.Plan)),
            .. (await plans.ListAsync<MarblePlan>(studioId, null, cancel)).Select(one => (one.FlowerId, (IPastePlan)one.Plan)),
        ];
        var taken = kept.Where(one => one.FlowerId != flowerId || one.Plan is not T).SelectMany(one => one.Plan.NamedPieces()).Select(piece => piece.PieceId).ToHashSet();
        return plan.NamedPieces().Where(piece => taken.Contains(piece.PieceId)).Select(piece => new FieldProblem(piece.Path, "pieceTaken", null, null));
    }

    public async Task<IResult> RemoveAsync<T>(Guid flowerId, CancellationToken cancel) =>
        await plans.RemoveAsync<T>(studio.Id, flowerId, cancel) ? TypedResults.NoContent() : ApiProblem.NotFound();
}
