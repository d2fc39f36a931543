using YoungTinge.Core.Scheduling;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Plan;

/// <summary>Puts the work of all open commissions into time. Keeps nothing.</summary>
public static class PlanWork
{
    /// <param name="Makers">Who works when, as edited.</param>
    /// <param name="CommissionIds">Those to plan; all that are open if none is named.</param>
    public sealed record Request(IReadOnlyList<Maker> Makers, IReadOnlyList<Guid> CommissionIds)
    {
        /// <summary>What is to be planned round: operations that are begun at a time or on a day that the maker has set.</summary>
        public IReadOnlyList<Pin> Pins { get; init; } = [];

        /// <summary>Pieces that have a former or a place on the rack at once; null for as many as there are.</summary>
        public int? DryingPieces { get; init; }

        internal Workshop Workshop => new(Makers, DryingPieces);
    }

    /// <param name="EndsAt">When all of it is done; null if it is done already.</param>
    /// <param name="LateMinutes">That it ends after the last day on which it may become ready; 0 for in time.</param>
    /// <param name="LastBeginAt">The latest that a hand may begin and still be in time; null if it is too late, or was not found.</param>
    public sealed record CommissionInPlan(CommissionView Commission, DateTimeOffset? EndsAt, int LateMinutes, DateTimeOffset? LastBeginAt);

    /// <param name="LateMinutes">What would still be late with it, planned anew.</param>
    /// <param name="Makers">Who would work when: to be planned with.</param>
    /// <param name="DryingPieces">That would have room to dry: to be planned with.</param>
    public sealed record RemedyView(Remedy Remedy, int LateMinutes, IReadOnlyList<Maker> Makers, int? DryingPieces);

    /// <param name="Status">How sure it is the best.</param>
    /// <param name="Plan">Null if there is none.</param>
    /// <param name="LateMinutes">Of all commissions together.</param>
    /// <param name="LateBoundMinutes">No plan is less late.</param>
    /// <param name="FinishBoundAt">No plan that is as little late ends sooner.</param>
    /// <param name="WindowsClosed">It had to be planned as if what bends for a while bent for ever: those pieces are to be supported when they are put on.</param>
    /// <param name="Operations">All that is planned, as sheets show it.</param>
    /// <param name="Remedies">What might bring late work into time; empty if nothing is late.</param>
    public sealed record Answer(
        ScheduleStatus Status, WorkPlan? Plan, int LateMinutes, int LateBoundMinutes, DateTimeOffset? FinishAt, DateTimeOffset? FinishBoundAt, bool WindowsClosed, IReadOnlyList<CommissionInPlan> Commissions,
        IReadOnlyList<OperationView> Operations, IReadOnlyList<ObstacleAt> Obstacles, IReadOnlyList<RemedyView> Remedies);

    /// <summary>Of the search, in the solver's deterministic seconds: some ten times as many by the clock.</summary>
    private const double Effort = 0.05;
    private const double SideEffort = 0.01;

    public static void Map(RouteGroupBuilder api) => api.MapPost("/plan/proposals", Handle)
        .Computes().ForMaker().WithName("planWork").WithSummary("Puts the work of commissions into time. Keeps nothing.").Produces<Answer>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(Request request, StudioWorks works, TimeProvider clock, HttpContext context, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (GetPlan.Lines(MakerCheck.Problems(request.Workshop)) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        if (GetPlan.OfPins(request.Pins).ToList() is { Count: > 0 } wrong)
            return ApiProblem.NotPossible(wrong);
        if (request.CommissionIds.Any(id => work.FindCommission(id) is null))
            return ApiProblem.NotFound();
        var commissions = work.Commissions.Where(commission => request.CommissionIds.Count > 0 ? request.CommissionIds.Contains(commission.Id) : commission.IsOpen).ToList();
        var now = clock.GetUtcNow();
        return await LongWork.RunAsync(context, (progress, stop) => Planned(work, commissions, request, now, progress, stop));
    }

    private static Answer Planned(StudioWork work, IReadOnlyList<Commission> commissions, Request request, DateTimeOffset now, Action<double>? progress, CancellationToken stop)
    {
        var (workshop, pins) = (request.Workshop, request.Pins);
        var calendar = CalendarFrom(now, work.Studio);
        var views = commissions.ToDictionary(commission => commission.Id, commission => CommissionView.From(commission, work.Studio, now));
        var inTime = commissions.Select(commission => InTime(work, views[commission.Id])).ToList();
        var all = WorkInTime.Of(inTime, workshop, calendar, pins);
        var operations = Operations(work, all.Parts.Values.SelectMany(part => part.Ready.Select(ready => ready.OperationId).Append(part.OperationId)));
        if (all.Problem.Tasks.Count == 0)
            return Without(ScheduleStatus.Best, new WorkPlan([]));
        if (all.IsHopeless)
            return Without(ScheduleStatus.None, null);

        progress?.Invoke(0.05);
        // The last beginning of each is found beside the plan: there are two cores.
        var begins = Task.Run(() => inTime.Select(one => LatestBegin.Of(WorkInTime.Of([one], workshop, calendar).Problem, stop)).ToArray(), stop);
        var (schedule, windowsClosed) = Solved(all.Problem, Effort, stop);
        progress?.Invoke(0.8);
        var lastBegins = begins.GetAwaiter().GetResult();
        var ends = schedule.Tasks.ToDictionary(task => task.TaskId, task => task.EndMin);
        var found = new List<CommissionInPlan>();
        foreach (var (i, commission) in commissions.Index())
        {
            var due = all.Problem.Due.FirstOrDefault(due => due.TaskId == all.Ends.GetValueOrDefault(commission.Id));
            var end = due is not null && ends.TryGetValue(due.TaskId, out var at) ? at : (int?)null;
            found.Add(new CommissionInPlan(views[commission.Id], end is { } done ? calendar.At(done) : null, Math.Max(0, (end - due?.ByMin) ?? 0), end is not null && lastBegins[i] is { } latest ? calendar.At(latest) : null));
        }

        var remedies = new List<RemedyView>();
        foreach (var remedy in schedule.LateMin > 0 ? Enum.GetValues<Remedy>() : [])
        {
            if (WhatIf.With(remedy, workshop, Guid.CreateVersion7(now)) is not { } with)
                continue;
            var other = WorkInTime.Of(inTime, with, calendar, pins).Problem;
            if (Scheduler.Solve(windowsClosed ? other.WithoutWindows() : other, SideEffort, stop, onlyLateness: true) is { Status: ScheduleStatus.Best or ScheduleStatus.Good } solved
                && solved.LateMin < schedule.LateMin)
                remedies.Add(new RemedyView(remedy, solved.LateMin, with.Makers, with.DryingPieces));
        }

        return new Answer(
            schedule.Status, schedule.Tasks.Count > 0 ? WorkPlan.Of(all, schedule, calendar) with { Pins = pins } : null, schedule.LateMin, schedule.LateBoundMin,
            schedule.Tasks.Count > 0 ? calendar.At(schedule.FinishMin) : null, schedule.Tasks.Count > 0 ? calendar.At(schedule.FinishBoundMin) : null, windowsClosed, found, operations, all.Obstacles, remedies);

        Answer Without(ScheduleStatus status, WorkPlan? plan) =>
            new(status, plan, 0, 0, null, null, false, [.. commissions.Select(commission => new CommissionInPlan(views[commission.Id], null, 0, null))], operations, all.Obstacles, []);
    }

    /// <summary>Where windows leave no plan, one without them, for what is supported when it is put on.</summary>
    private static (Schedule Schedule, bool WindowsClosed) Solved(SchedulingProblem problem, double effort, CancellationToken stop)
    {
        var schedule = Scheduler.Solve(problem, effort, stop);
        return schedule.Tasks.Count > 0 || !problem.HasWindows ? (schedule, false) : (Scheduler.Solve(problem.WithoutWindows(), effort, stop), true);
    }

    internal static WorkCalendar CalendarFrom(DateTimeOffset now, Studio studio) => WorkCalendar.From(now, TimeZoneInfo.FindSystemTimeZoneById(studio.TimeZone), WorkInTime.StepMin);

    internal static CommissionInTime InTime(StudioWork work, CommissionView commission) => new(
        commission.Id, work.GraphOf(commission.Id), work.DoneOf(commission.Id).ToDictionary(id => id, id => work.Ticks.GetValueOrDefault(id)?.At), commission.ReadyOn);

    internal static IReadOnlyList<OperationView> Operations(StudioWork work, IEnumerable<string> ids) => [.. ids.Distinct().Select(work.FindOperation).OfType<Core.Work.Operation>().Select(operation => OperationView.From(operation, work))];
}
