using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Tests.Work;
using YoungTinge.Core.Work;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Scheduling;

/// <summary>From the graph of the work to a plan by the clock: what the graph asks for is kept, looked at without the tasks between.</summary>
public class WorkInTimeTests
{
    private static readonly DateTimeOffset Begin = new(2026, 3, 23, 7, 12, 0, TimeSpan.Zero);
    private static readonly TimeZoneInfo Zone = TimeZoneInfo.FindSystemTimeZoneById("Europe/Berlin");

    internal static WorkGraph Graph(int kinds)
    {
        string[] dusts = ["nettle", "guelder", "furze", "scabious"];
        PlannedWork[] works = [.. Enumerable.Range(0, kinds).Select(kind => new PlannedWork(
            Guid.NewGuid(), Petal with { Name = $"Petal {kind}", LengthMm = 20 + 8 * kind, WidthMm = 18 + 6 * kind, ThicknessMm = 0.5 + 0.1 * kind }, 5 + 4 * kind,
            Plan(Dust(dusts[kind % 4]), Dust(dusts[(kind + 1) % 4], place: new Place(PlaceKind.Tip, 0, 0.2, 0.2)), Steam, Glaze(coats: 1 + kind % 2))))];
        var flower = TestWork.Flower(works);
        return WorkGraph.Of([new FlowerWork(flower, null)], Core.Work.PasteDaySheet.Of([flower], TestData.Cabinet), TestData.Cabinet);
    }

    internal static (WorkInTime Work, WorkPlan Plan) Planned(WorkGraph graph, IReadOnlyList<Maker> makers, IReadOnlyDictionary<string, DateTimeOffset?>? done = null)
    {
        var calendar = WorkCalendar.From(Begin, Zone, WorkInTime.StepMin);
        var work = WorkInTime.Of([new CommissionInTime(Guid.NewGuid(), graph, done ?? new Dictionary<string, DateTimeOffset?>(), new DateOnly(2026, 4, 10))], new Workshop(makers), calendar);
        return (work, WorkPlan.Of(work, Scheduler.Solve(work.Problem, 0.02), calendar));
    }

    [Theory]
    [InlineData(1, 1)]
    [InlineData(3, 2)]
    public void A_plan_keeps_all_that_the_graph_asks_for(int kinds, int hands)
    {
        var graph = Graph(kinds);
        Maker[] makers = [.. Enumerable.Range(0, hands).Select(i => Maker.Usual(Guid.NewGuid(), $"{i}"))];
        var parts = Planned(graph, makers).Plan.Parts.ToLookup(part => part.OperationId);
        foreach (var operation in graph.Operations)
        {
            var own = parts[operation.Id].OrderBy(part => part.Part).ToList();
            Assert.Equal(Enumerable.Range(1, own[0].Of), own.Select(part => part.Part));
            var minutes = operation.SetUpMinutes + operation.HandMinutes;
            Assert.True(own.Where(part => part.MakerId is not null).Sum(part => (part.To - part.From).TotalMinutes) >= minutes, operation.Id);
            Assert.All(own, part => Assert.Equal(minutes > 0, part.MakerId is not null));
            foreach (var before in operation.After.Select(id => graph.Find(id)!).Where(before => minutes > 0 || before.Step is not ShapePieces))
            {
                var wait = before.SetUpMinutes + before.HandMinutes > 0 ? before.WaitMinutes : 0;
                // What is mixed for several coats need not be there twice.
                Assert.True(own.Min(part => part.From) >= parts[before.Id].Max(part => part.To).AddMinutes(wait), $"{operation.Id} after {before.Id}");
            }

            foreach (var rest in operation.Rests)
                Assert.True(own.Min(part => part.From) >= parts[rest.AfterId].Max(part => part.To).AddMinutes(rest.LeastMinutes));
        }

        // By the clock on the wall, summer time or not.
        Assert.All(parts.SelectMany(part => part).Where(part => part.MakerId is not null), part =>
        {
            var (from, to) = (TimeZoneInfo.ConvertTime(part.From, Zone), TimeZoneInfo.ConvertTime(part.To, Zone));
            Assert.Contains(makers[0].Hours, hours => hours.Day == from.DayOfWeek && hours.From <= TimeOnly.FromDateTime(from.DateTime) && TimeOnly.FromDateTime(to.DateTime) <= hours.To);
        });
    }

    [Fact]
    public void A_pot_is_mixed_for_the_coat_that_is_laid_from_it_first()
    {
        var graph = Graph(2);
        var parts = Planned(graph, [Maker.Usual(Guid.NewGuid(), "A")]).Plan.Parts;
        foreach (var pot in graph.Operations.Where(operation => operation.Step is MixPot))
        {
            var mixed = parts.Single(part => part.OperationId == pot.Id);
            var laid = parts.Where(part => graph.Find(part.OperationId)!.PotId == pot.Id).Min(part => part.From);
            Assert.InRange(laid, mixed.To, mixed.To.AddMinutes(WorkInTime.LongestMin));
        }
    }

    [Fact]
    public void What_is_done_is_not_planned_and_still_waits()
    {
        var graph = Graph(1);
        var shape = graph.Operations.First(operation => operation.Step is ShapePieces);
        var dry = graph.Operations.First(operation => operation.Step is DryPieces);
        var done = graph.Done(new HashSet<string> { shape.Id, dry.Id }).ToDictionary(id => id, DateTimeOffset? (_) => null);
        done[dry.Id] = Begin.AddMinutes(-30);
        var parts = Planned(graph, [Maker.Usual(Guid.NewGuid(), "A")], done).Plan.Parts;
        Assert.DoesNotContain(parts, part => done.ContainsKey(part.OperationId));
        var coat = graph.Operations.First(operation => operation.After.Contains(dry.Id));
        Assert.True(parts.First(part => part.OperationId == coat.Id).From >= Begin.AddMinutes(dry.WaitMinutes - 30));
    }

    [Theory]
    [InlineData(4)]
    [InlineData(9)]
    public void No_more_pieces_dry_at_once_than_there_is_room_for(int room)
    {
        var (graph, maker) = (Graph(2), Maker.Usual(Guid.NewGuid(), "A"));
        var calendar = WorkCalendar.From(Begin, Zone, WorkInTime.StepMin);
        CommissionInTime[] commissions = [new(Guid.NewGuid(), graph, new Dictionary<string, DateTimeOffset?>(), new DateOnly(2026, 4, 30))];
        var work = WorkInTime.Of(commissions, new Workshop([maker], room), calendar);
        var schedule = Scheduler.Solve(work.Problem, 0.02);
        Assert.Empty(YoungTinge.Checks.ScheduleChecker.Faults(work.Problem, schedule));
        // By the plan itself, minute by minute: from when a lot is begun until it has dried.
        var parts = WorkPlan.Of(work, schedule, calendar).Parts.ToLookup(part => part.OperationId);
        var held = new List<(DateTimeOffset From, DateTimeOffset To, int Pieces)>();
        foreach (var dry in graph.Operations.Where(operation => operation.Step is DryPieces))
        {
            var (shaped, dried) = (parts[dry.After[0]].OrderBy(part => part.Part).ToList(), parts[dry.Id].OrderBy(part => part.Part).ToList());
            var pieces = dry.Lots.Sum(lot => lot.Count);
            Assert.Equal(shaped.Count, dried.Count);
            Assert.True(shaped.Count >= (pieces + room - 1) / room);
            held.AddRange(shaped.Zip(dried, (one, other) => (one.From, other.To, pieces / shaped.Count)));
        }

        Assert.All(held, lot => Assert.InRange(held.Where(other => other.From <= lot.From && lot.From < other.To).Sum(other => other.Pieces), 1, room));
        // Room enough changes nothing.
        Assert.Equal(Planned(graph, [maker]).Work.Problem.Tasks.Count, WorkInTime.Of(commissions, new Workshop([maker], 500), calendar).Problem.Tasks.Count);
        Assert.Equal(2 * room, WhatIf.With(Remedy.MoreRoomToDry, new Workshop([maker], room), Guid.NewGuid())!.DryingPieces);
        Assert.Null(WhatIf.With(Remedy.MoreRoomToDry, new Workshop([maker]), Guid.NewGuid()));
        Assert.NotNull(LatestBegin.Of(work.Problem));
    }

    [Fact]
    public void Nobody_and_too_short_hours_are_told()
    {
        var graph = Graph(2);
        var none = Maker.Usual(Guid.NewGuid(), "A") with { Hours = [] };
        Assert.Equal(ScheduleObstacle.NoHours, Planned(graph, [none]).Work.Obstacles[0].Obstacle);
        var minutes = none with { Hours = [new(DayOfWeek.Monday, new(9, 0), new(9, 10))] };
        Assert.Contains(Planned(graph, [minutes]).Work.Obstacles, one => one.Obstacle == ScheduleObstacle.LongerThanAnyHours && one.Minutes > 10);
        Assert.Null(WhatIf.With(Remedy.Evenings, new Workshop([none]), Guid.NewGuid()));
    }

    /// <summary>In the night to 29 March clocks go an hour forward: a wait is as long as ever, and morning comes an hour sooner.</summary>
    [Fact]
    public void A_night_in_which_clocks_change_is_as_long_as_it_is()
    {
        var calendar = WorkCalendar.From(new DateTimeOffset(2026, 3, 28, 12, 0, 0, TimeSpan.Zero), Zone, 5);
        var maker = Maker.Usual(Guid.NewGuid(), "A") with { Hours = [.. Enum.GetValues<DayOfWeek>().Select(day => new WorkingHours(day, new(1, 30), new(2, 30))), .. Enum.GetValues<DayOfWeek>().Select(day => new WorkingHours(day, new(9, 0), new(12, 0)))] };
        var free = calendar.HandOf(maker, 3 * 1440).Free;
        // Nine in the morning is nineteen hours after one in the afternoon, not twenty.
        Assert.Contains(new TimeSpanMin(19 * 60, 22 * 60), free);
        // Half past two is not there that night: it is half past three.
        Assert.Contains(free, span => span.Minutes == 60 && calendar.At(span.From) == new DateTimeOffset(2026, 3, 29, 0, 30, 0, TimeSpan.Zero));
        Assert.Equal(new DateOnly(2026, 3, 29), calendar.DayOf(calendar.At(calendar.EndOf(new DateOnly(2026, 3, 28)))));
    }

    [Fact]
    public void What_the_maker_has_set_stays_and_the_rest_is_planned_round_it()
    {
        var (graph, maker) = (Graph(2), Maker.Usual(Guid.NewGuid(), "A"));
        var calendar = WorkCalendar.From(Begin, Zone, WorkInTime.StepMin);
        CommissionInTime[] commissions = [new(Guid.NewGuid(), graph, new Dictionary<string, DateTimeOffset?>(), new DateOnly(2026, 4, 10))];
        var free = Planned(graph, [maker]).Plan.Parts;
        var box = free.Last(part => part.MakerId is not null);
        var shape = free.First(part => graph.Find(part.OperationId)!.Step is ShapePieces);
        Pin[] pins = [new(shape.OperationId, calendar.Moment(new DateOnly(2026, 3, 26), new TimeOnly(10, 30)), null), new(box.OperationId, null, calendar.DayOf(box.From).AddDays(2))];
        var work = WorkInTime.Of(commissions, new Workshop([maker]), calendar, pins);
        Assert.Empty(work.Obstacles);
        var schedule = Scheduler.Solve(work.Problem, 0.02);
        Assert.Empty(YoungTinge.Checks.ScheduleChecker.Faults(work.Problem, schedule));
        var parts = WorkPlan.Of(work, schedule, calendar).Parts;
        Assert.Equal(pins[0].At, parts.First(part => part.OperationId == shape.OperationId).From);
        Assert.Equal(pins[1].Day, calendar.DayOf(parts.First(part => part.OperationId == box.OperationId).From));

        // In the night nobody works.
        var night = WorkInTime.Of(commissions, new Workshop([maker]), calendar, [new Pin(shape.OperationId, calendar.Moment(new DateOnly(2026, 3, 26), new TimeOnly(3, 0)), null)]);
        Assert.Equal((ScheduleObstacle.PinnedOutsideHours, shape.OperationId), (night.Obstacles.Single().Obstacle, night.Obstacles.Single().OperationId));
    }
}
