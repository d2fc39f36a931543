using System.Runtime.CompilerServices;
using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Plan;

/// <summary>The last day on which a commission may be begun and still be ready in time, with the hours that are kept.</summary>
public static class GetLastBegin
{
    public enum Verdict
    {
        /// <summary>There is such a day.</summary>
        ByThen,

        /// <summary>It cannot be ready in time any more.</summary>
        TooLate,

        /// <summary>All of it is done, or nothing is planned yet.</summary>
        NothingToDo,

        /// <summary>Nobody works, or not long enough in one go.</summary>
        NoHours,
    }

    /// <param name="On">Null where there is none.</param>
    public sealed record Answer(Verdict Verdict, DateOnly? On);

    /// <summary>What an answer was worked out from, besides the work itself: the same until the hour is over.</summary>
    private sealed record From(IReadOnlySet<string> Done, DateOnly ReadyOn, string TimeZone, int HoursVersion, long Hour);

    /// <summary>The last answer for some work; gone with it.</summary>
    private static readonly ConditionalWeakTable<WorkGraph, Tuple<From, Answer>> Known = [];

    public static void Map(RouteGroupBuilder api) => api.MapGet("/commissions/{id:guid}/last-begin", Handle)
        .WithName("getLastBegin").WithSummary("The last day on which a commission may be begun and still be ready in time.").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(Guid id, StudioWorks works, WorkPlanStore plans, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is not { } commission)
            return ApiProblem.NotFound();
        var now = clock.GetUtcNow();
        var hours = await GetPlan.KeptAsync(plans, work.Studio, cancel);
        var view = CommissionView.From(commission, work.Studio, now);
        var (graph, from) = (work.GraphOf(id), new From(work.DoneOf(id), view.ReadyOn, work.Studio.TimeZone, hours.Version, now.UtcTicks / TimeSpan.TicksPerHour));
        if (Known.TryGetValue(graph, out var known) && known.Item1 == from)
            return TypedResults.Ok(known.Item2);
        var calendar = PlanWork.CalendarFrom(now, work.Studio);
        var found = Of(WorkInTime.Of([PlanWork.InTime(work, view)], hours.Workshop, calendar), calendar, cancel);
        Known.AddOrUpdate(graph, Tuple.Create(from, found));
        return TypedResults.Ok(found);
    }

    private static Answer Of(WorkInTime work, WorkCalendar calendar, CancellationToken cancel)
    {
        if (work.Problem.Tasks.Count == 0)
            return new Answer(Verdict.NothingToDo, null);
        if (work.IsHopeless)
            return new Answer(Verdict.NoHours, null);
        return LatestBegin.Of(work.Problem, cancel) is { } begin ? new Answer(Verdict.ByThen, calendar.DayOf(calendar.At(begin))) : new Answer(Verdict.TooLate, null);
    }
}
