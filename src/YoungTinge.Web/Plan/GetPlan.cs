using System.Text.Json;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Scheduling;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Plan;

/// <summary>Who works when, and the plan in force.</summary>
public static class GetPlan
{
    /// <param name="DryingPieces">That have a former or a place on the rack at once; null for as many as there are.</param>
    /// <param name="Plan">Null while none is in force.</param>
    /// <param name="Operations">Of the plan, as sheets show them; what is gone since is not among them.</param>
    /// <param name="IsOld">What is to do has changed since: something is in no plan, or gone.</param>
    /// <param name="LateMinutes">Of the plan in force, all commissions together; 0 for in time.</param>
    /// <param name="Pace">How long hands take here: minutes are counted so.</param>
    /// <param name="Version">To send with a change (If-Match).</param>
    public sealed record Answer(string TimeZone, IReadOnlyList<Maker> Makers, int? DryingPieces, WorkPlan? Plan, int LateMinutes, IReadOnlyList<CommissionView> Commissions, IReadOnlyList<OperationView> Operations, bool IsOld, LearnedFactor Pace, int Version);

    /// <param name="Plan">Null to have none in force.</param>
    public sealed record Change(IReadOnlyList<Maker> Makers, WorkPlan? Plan)
    {
        /// <summary>Pieces that have a former or a place on the rack at once; null for as many as there are.</summary>
        public int? DryingPieces { get; init; }

        internal Workshop Workshop => new(Makers, DryingPieces);
    }

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/plan", Handle).WithName("getPlan").WithSummary("Who works when, and the plan in force.").Produces<Answer>().ProducesProblems();
        api.MapPut("/plan", Save).WithName("savePlanInForce").WithSummary("Keeps who works when, and puts a plan in force.").Produces<NewVersion>().ProducesProblems(422);
    }

    private static async Task<IResult> Handle(StudioWorks works, WorkPlanStore plans, TimeProvider clock, HttpResponse response, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var kept = await KeptAsync(plans, work.Studio, cancel);
        var open = work.Commissions.Where(commission => commission.IsOpen).ToList();
        var planned = kept.Plan?.Parts.Select(part => part.OperationId).ToHashSet() ?? [];
        var toDo = open.SelectMany(commission => work.GraphOf(commission.Id).Operations.Where(operation => !work.DoneOf(commission.Id).Contains(operation.Id)).Select(operation => operation.Id)).ToHashSet();
        var operations = PlanWork.Operations(work, planned);
        MadeFrom.Tell(response, kept.Version);
        return TypedResults.Ok(new Answer(
            work.Studio.TimeZone, kept.Workshop.Makers, kept.Workshop.DryingPieces, kept.Plan, kept.Plan is { } plan ? LateMinutes(plan, open, work) : 0, [.. open.Select(commission => CommissionView.From(commission, work.Studio, clock.GetUtcNow()))],
            operations, kept.Plan is not null && (operations.Count < planned.Count || !toDo.IsSubsetOf(planned)), work.Pace, kept.Version));
    }

    /// <summary>Who works when, and the plan in force; usual hours until she says otherwise.</summary>
    internal static async Task<KeptWorkPlan> KeptAsync(WorkPlanStore plans, Studio studio, CancellationToken cancel) =>
        await plans.FindAsync(studio.Id, cancel) ?? new KeptWorkPlan(new Workshop([Usual(studio)]), null, 0);

    /// <summary>By how much what is planned of each commission ends after its day.</summary>
    private static int LateMinutes(WorkPlan plan, IEnumerable<Commission> commissions, StudioWork work)
    {
        var calendar = new WorkCalendar(DateTimeOffset.UnixEpoch, TimeZoneInfo.FindSystemTimeZoneById(work.Studio.TimeZone));
        var ends = plan.Parts.GroupBy(part => work.FindOperation(part.OperationId)?.CommissionId).Where(parts => parts.Key is not null).ToDictionary(parts => parts.Key!.Value, parts => parts.Max(part => part.To));
        return commissions.Where(commission => ends.ContainsKey(commission.Id)).Sum(commission =>
            Math.Max(0, (int)(ends[commission.Id] - calendar.Moment(commission.ReadyOn.AddDays(1), TimeOnly.MinValue)).TotalMinutes));
    }

    private static async Task<IResult> Save(Change change, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, WorkPlanStore plans, CancellationToken cancel)
    {
        var problems = Lines(MakerCheck.Problems(change.Workshop)).Concat(OfPlan(change.Plan)).ToList();
        if (problems.Count > 0)
            return ApiProblem.NotPossible(problems);
        return await plans.SaveAsync(studio.Id, new KeptWorkPlan(change.Workshop, change.Plan, madeFrom.Version), cancel) is { } version
            ? MadeFrom.Saved(response, version)
            : ApiProblem.ChangedElsewhere();
    }

    /// <summary>The same at each read until she says otherwise.</summary>
    private static Maker Usual(Studio studio) => Maker.Usual(studio.Id, string.Concat((studio.Maker.Length > 0 ? studio.Maker : studio.Name).Take(MakerCheck.MaxNameLength)));

    private static IEnumerable<FieldProblem> OfPlan(WorkPlan? plan)
    {
        if (plan?.Parts.Count > WorkPlan.MaxParts)
            yield return new FieldProblem("plan.parts", "tooManyParts", WorkPlan.MaxParts, null);
        else if (plan?.Parts.Any(part => part.To < part.From || part.OperationId.Length > Core.Work.OperationId.Longest || part.Part < 1 || part.Part > part.Of) == true)
            yield return new FieldProblem("plan.parts", "notAPlan", null, null);
        foreach (var problem in OfPins(plan?.Pins ?? []))
            yield return problem with { Path = $"plan.{problem.Path}" };
    }

    /// <summary>Each is of an operation of its own, and says either a time or a day.</summary>
    internal static IEnumerable<FieldProblem> OfPins(IReadOnlyList<Pin> pins)
    {
        if (pins.Count > WorkPlan.MaxPins || pins.DistinctBy(pin => pin.OperationId).Count() < pins.Count)
            yield return new FieldProblem("pins", "notAPlan", WorkPlan.MaxPins, null);
        foreach (var (i, pin) in pins.Index().Where(pin => pin.Item.OperationId.Length is < 1 or > Core.Work.OperationId.Longest || pin.Item.At is null == pin.Item.Day is null))
            yield return new FieldProblem($"pins[{i}]", "notAPlan", null, null);
    }

    internal static IReadOnlyList<FieldProblem> Lines(IEnumerable<MakerProblem> problems) =>
        [.. problems.Select(problem => new FieldProblem(problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit, null))];
}
