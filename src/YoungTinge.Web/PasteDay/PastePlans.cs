using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Planning;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.PasteDay;

/// <param name="Version">Of the plan as it was kept.</param>
public sealed record KeptAnswer(int Version);

/// <summary>What planning a run of shades and a marble have in common: both are checked against the flower's commission and kept whole.</summary>
internal sealed class PastePlans(CurrentStudio studio, PasteWorks works, PastePlanStore plans, CabinetStore cabinet)
{
    /// <summary>What is wrong with a plan, field by field.</summary>
    public delegate IReadOnlyList<FieldProblem> Check<in T>(T plan, IReadOnlyList<PlannedWork> works, Materials materials);

    /// <summary>Computes something from a plan if it can be; keeps nothing.</summary>
    public async Task<IResult> LookAsync<T>(Guid flowerId, T plan, Check<T> check, Func<FlowerWorks, Materials, IResult> answer, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await works.FindAsync(studioId, flowerId, cancel) is not { } flower)
            return Trouble.NotFound();
        var materials = await cabinet.LoadAsync(studioId, cancel);
        return check(plan, flower.All, materials) is { Count: > 0 } problems ? Trouble.NotPossible(problems) : answer(flower, materials);
    }

    /// <param name="version">That the change was made from; 0 for a first plan.</param>
    public async Task<IResult> SaveAsync<T>(Guid flowerId, T plan, int version, Check<T> check, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await works.FindAsync(studioId, flowerId, cancel) is not { } flower)
            return Trouble.NotFound();
        if (check(plan, flower.All, await cabinet.LoadAsync(studioId, cancel)) is { Count: > 0 } problems)
            return Trouble.NotPossible([.. problems.Select(problem => problem with { Path = $"plan.{problem.Path}" })]);
        return await plans.SaveAsync(studioId, new KeptPastePlan<T>(flowerId, plan, version), cancel) is { } saved
            ? TypedResults.Ok(new KeptAnswer(saved))
            : Trouble.Result(StatusCodes.Status412PreconditionFailed, TroubleCode.ChangedElsewhere);
    }

    public async Task<IResult> RemoveAsync<T>(Guid flowerId, CancellationToken cancel) =>
        await plans.RemoveAsync<T>(await studio.IdAsync(cancel), flowerId, cancel) ? TypedResults.NoContent() : Trouble.NotFound();
}
