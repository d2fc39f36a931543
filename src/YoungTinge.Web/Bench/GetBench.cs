using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Bench;

/// <summary>All that a device needs to go through a day at the bench, also without a connection.</summary>
public static class GetBench
{
    /// <summary>More nobody does before a device is back.</summary>
    private const int MostTasks = 200;

    /// <summary>What was done last, to be taken back.</summary>
    private const int MostRecent = 12;

    /// <summary>What was over longer ago is no news at the bench.</summary>
    private static readonly TimeSpan Lately = TimeSpan.FromMinutes(30);

    /// <param name="OutlinePath">SVG path in a box of width by length millimetres, tip up.</param>
    /// <param name="Finished">By zone, when this has been done.</param>
    public sealed record LookView(Guid PieceId, string OutlinePath, double LengthMm, double WidthMm, PieceBuild Build, IReadOnlyDictionary<Zone, string> Finished);

    /// <param name="From">In the plan in force; null if it stands in none.</param>
    /// <param name="MakerId">Whom it is planned for; null for anybody.</param>
    /// <param name="Parts">Goings that it is planned in, from 1.</param>
    /// <param name="Waits">All of it before it can be begun.</param>
    /// <param name="DriesMinutes">What only dries: so long after all that it waits for; 0 for the work of a hand.</param>
    /// <param name="Window">It has to be begun so long after that; null where there is time.</param>
    /// <param name="Looks">Of the pieces that it is done to; empty where no colour is laid.</param>
    /// <param name="TryFirst">Better tried on a spare piece: what it does is hard to take back.</param>
    public sealed record TaskView(
        OperationView Operation, DateTimeOffset? From, Guid? MakerId, int Parts, IReadOnlyList<BenchWait> Waits, double DriesMinutes, BenchWait? Window, IReadOnlyList<LookView> Looks, bool TryFirst);

    /// <param name="At">Null if it was done without a tick.</param>
    public sealed record DoneView(string OperationId, DateTimeOffset? At, string By);

    /// <param name="IsPlanned">A plan is in force.</param>
    /// <param name="Tasks">In the order of the plan in force, what stands in none behind it.</param>
    /// <param name="More">How many more there are behind these, from 0.</param>
    /// <param name="Done">Of all that these wait for, what is done.</param>
    /// <param name="Recent">What was done last, the newest first.</param>
    /// <param name="Resting">What is done and has a wait behind it that may go on.</param>
    /// <param name="Learned">How long things dry here, as the touches say.</param>
    /// <param name="Names">Of all materials, by id.</param>
    public sealed record Answer(
        string TimeZone, IReadOnlyList<Maker> Makers, bool IsPlanned, IReadOnlyList<TaskView> Tasks, int More, IReadOnlyList<DoneView> Done, IReadOnlyList<OperationView> Recent,
        IReadOnlyList<OperationView> Resting, IReadOnlyList<BenchTimer> Timers, IReadOnlyList<DryingReading> Readings, LearnedFactor Learned, IReadOnlyDictionary<string, string> Names);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/bench", Handle).KeepsAnswer().WithName("getBench").Produces<Answer>().ProducesProblems();

    private static async Task<IResult> Handle(StudioWorks works, WorkPlanStore plans, BenchStore bench, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var kept = await plans.FindAsync(work.Studio.Id, cancel);
        var open = work.Commissions.Where(commission => commission.IsOpen).OrderBy(commission => commission.Details.DueOn).ToList();
        var all = BenchDay.Of([.. open.Select(commission => (work.GraphOf(commission.Id), work.DoneOf(commission.Id)))], kept?.Plan);
        BenchTask[] tasks = [.. all.Take(MostTasks)];
        var histories = new Dictionary<Guid, IReadOnlyList<ZoneHistory>>();
        IReadOnlyList<ZoneHistory> HistoryOf(PlannedPiece piece) =>
            histories.TryGetValue(piece.Id, out var known) ? known : histories[piece.Id] = BuildUp.Of(piece.Resolve(work.Materials), piece.Piece.Shape());

        var done = open.SelectMany(commission => work.DoneOf(commission.Id)).ToHashSet();
        var needed = tasks.SelectMany(task => task.Waits.Append(task.Window).OfType<BenchWait>()).Select(wait => wait.OperationId).Where(done.Contains).Distinct();
        var ticked = done.Where(work.Ticks.ContainsKey).Select(id => work.Ticks[id]).OrderByDescending(tick => tick.At).ToList();
        // What dries by itself stands among the tasks. Over is told by the device, so a little past counts too.
        var resting = ticked.Select(tick => (tick.At, Operation: work.FindOperation(tick.OperationId)!)).Where(one => one.Operation.IsByHand && one.At.AddMinutes(one.Operation.WaitMinutes) > clock.GetUtcNow() - Lately).Select(one => one.Operation);
        return TypedResults.Ok(new Answer(
            work.Studio.TimeZone, kept?.Workshop.Makers ?? [], kept?.Plan is not null,
            [.. tasks.Select(task => new TaskView(
                OperationView.From(task.Operation, work), task.From, task.MakerId, task.Parts, task.Waits, task.DriesMinutes, task.Window, LooksOf(task.Operation, work, HistoryOf),
                task.Operation.Coat is ResolvedWash or ResolvedGlaze { Pot: not null }))],
            all.Count - tasks.Length, [.. needed.Select(id => new DoneView(id, work.Ticks.GetValueOrDefault(id)?.At, work.Ticks.GetValueOrDefault(id)?.By ?? ""))],
            [.. ticked.Take(MostRecent).Select(tick => OperationView.From(work.FindOperation(tick.OperationId)!, work))], [.. resting.Select(operation => OperationView.From(operation, work))],
            await bench.TimersAsync(work.Studio.Id, cancel), [.. (await bench.ReadingsAsync(work.Studio.Id, cancel)).Where(reading => tasks.Any(task => task.Operation.Id == reading.OperationId))], work.Drying,
            work.Materials.All.ToDictionary(material => material.Id, material => material.Label.Name)));
    }

    /// <summary>How the pieces look when a coat has been laid, or a paste kneaded and rested.</summary>
    private static IReadOnlyList<LookView> LooksOf(Operation operation, StudioWork work, Func<PlannedPiece, IReadOnlyList<ZoneHistory>> historyOf)
    {
        if (operation.Coat is null && operation.Block is null)
            return [];
        return [.. operation.Lots.Select(lot => lot.PieceId is { } id ? work.Find(id) : null).OfType<PlannedPiece>().Select(piece =>
        {
            // The same coat of several kinds of piece goes by its place in each plan.
            var coats = piece.Plan.Coats.ToList();
            var place = operation.Coat is null ? 0 : coats.FindIndex(coat => coat.Id == operation.Coat.Id) is >= 0 and var own ? own + 1 : coats.Count;
            var view = work.Show(piece);
            return new LookView(piece.Id, view.OutlinePath, view.LengthMm, view.WidthMm, view.Build, historyOf(piece).ToDictionary(zone => zone.Zone, zone => ColourView.From(zone.Colours[place]).Hex));
        })];
    }
}
