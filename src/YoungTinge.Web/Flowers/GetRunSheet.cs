using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>The steps for all pieces of a kind, in order, with what has been done of them.</summary>
public static class GetRunSheet
{
    /// <param name="Fingerprint">To send with a tick.</param>
    /// <param name="TickedAt">Null while it is to do.</param>
    /// <param name="ChangedSince">It was ticked, but the plan has changed this step since.</param>
    public sealed record StepView(RunStep Step, string Fingerprint, DateTimeOffset? TickedAt, bool ChangedSince);

    public sealed record Answer(
        Guid FlowerId, string FlowerName, CommissionView Commission, PieceView Piece, int PlanVersion, IReadOnlyList<StepView> Steps);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/pieces/{id:guid}/run-sheet", Handle)
        .KeepsAnswer().WithName("getRunSheet").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(
        Guid id, StudioWorks works, RunSheetStore ticks, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.Find(id) is not { } planned || work.FindFlower(planned.FlowerId) is not var (commission, flower))
            return ApiProblem.NotFound();
        var materials = work.Materials;
        var done = (await ticks.ListAsync(id, cancel)).ToDictionary(tick => tick.StepKey);
        var steps = RunSheet.For(planned.Plan, planned.Piece, planned.Parts, materials);
        return TypedResults.Ok(new Answer(
            flower.Id, flower.Name, CommissionView.From(commission, work.Studio, clock.GetUtcNow()), PieceView.From(planned, materials), planned.Version,
            [.. steps.Select(step => View(step, done.GetValueOrDefault(step.Key)))]));
    }

    private static StepView View(RunStep step, Tick? tick)
    {
        var fingerprint = Fingerprint.Of(step);
        return new StepView(step, fingerprint, tick?.TickedAt, tick is not null && tick.Fingerprint != fingerprint);
    }
}
