using Google.OrTools.Sat;
using Google.OrTools.Util;

namespace YoungTinge.Core.Scheduling;

/// <summary>
/// Puts tasks into time by constraint programming (CP-SAT; Perron and Furnon, OR-Tools): first as little late as can be, then done as soon as can be, then each
/// thing as soon as may be, so that the last days are calm. A list plan is handed over to begin with. With the same effort the same question has the same answer.
/// </summary>
public static class Scheduler
{
    /// <summary>Work for the hands of the list plan: about so many placings of a task, whatever else there is.</summary>
    private const int Placings = 500_000;

    /// <summary>Nearer to the bound nobody sees a difference: half a per cent of all the time there is, and not under a step.</summary>
    private const double NearEnough = 0.005;

    /// <summary>From so many tasks on, the search proves little in any time that somebody waits.</summary>
    private const int LargeFrom = 80;

    /// <summary>From so many on there is no more than the list plan, with its bound said.</summary>
    private const int HugeFrom = 600;

    /// <param name="effort">Of the search, in the solver's own deterministic seconds; above 0. One takes ten or more by the clock.</param>
    /// <param name="onlyLateness">How late it is is all that is asked; when it is done, and how calm it is, is no matter.</param>
    public static Schedule Solve(SchedulingProblem problem, double effort, CancellationToken cancel = default, bool onlyLateness = false)
    {
        cancel.ThrowIfCancellationRequested();
        if (problem.Tasks.Count == 0)
            return new Schedule(ScheduleStatus.Best, [], 0, 0, 0, 0);
        // What fits into nobody's hours fits nowhere, and what waits for itself never comes.
        if (problem.Tasks.Any(task => !problem.CanPlace(task)) || problem.HasCircle())
            return new Schedule(ScheduleStatus.None, [], 0, 0, 0, 0);
        var graph = new TaskGraph(problem);
        var bounds = new FinishBound(problem, graph);
        int[] latest = [.. problem.Due.Select(due => Math.Max(0, bounds.Of(due.TaskId) - due.ByMin))];
        var (lateBound, finishBound) = (latest.Sum(), bounds.OfAll());
        var begun = new ListScheduler(problem, graph).Find(Placings / problem.Tasks.Count, finishBound, value => onlyLateness ? value.Late == lateBound : value == (lateBound, finishBound), cancel);
        if (begun is not null)
        {
            var first = Read(ScheduleStatus.Good, begun, lateBound, finishBound);
            if ((first.LateMin, first.FinishMin) == (lateBound, finishBound))
                return first with { Status = ScheduleStatus.Best };
            if (onlyLateness && first.LateMin == lateBound)
                return first;
            // A large plan that is as good as the best is not worth minutes of search for a last quarter of an hour; a huge one is not searched in any time.
            if (problem.Tasks.Count > HugeFrom || problem.Tasks.Count > LargeFrom && first.LateMin == lateBound && first.FinishMin - finishBound <= Math.Max(problem.StepMin, NearEnough * finishBound))
                return first;
        }

        return Searched(new Model(problem, graph, latest, finishBound), begun);

        Schedule Searched(Model model, IReadOnlyList<TimedTask>? tasks)
        {
            var late = Best(model.Late, onlyLateness ? 1 : 0.4);
            if (tasks is null)
                return new Schedule(late.Status, [], 0, 0, 0, 0);
            if (onlyLateness)
                return Read(ScheduleStatus.Good, tasks, Math.Max(lateBound, late.Bound), finishBound);
            model.Keep(model.Late, graph.LateMin(tasks));
            var finish = Best(model.Finish, 0.4);
            model.Keep(model.Finish, tasks.Max(task => task.EndMin));
            Best(model.Starts, 0.2);
            var status = late.Status == ScheduleStatus.Best && finish.Status == ScheduleStatus.Best ? ScheduleStatus.Best : ScheduleStatus.Good;
            return Read(status, tasks, Math.Max(lateBound, late.Bound), Math.Max(finishBound, finish.Bound));

            // From what there is on; that stands if nothing else is found.
            Goal Best(LinearExpr goal, double share)
            {
                if (tasks is not null)
                    model.Hint(tasks);
                var found = model.Minimise(goal, share * effort, cancel);
                tasks = found.Tasks.Count > 0 ? found.Tasks : tasks;
                return found;
            }
        }

        Schedule Read(ScheduleStatus status, IReadOnlyList<TimedTask> tasks, int lateBoundMin, int finishBoundMin) =>
            new(status, tasks, graph.LateMin(tasks), lateBoundMin, tasks.Max(task => task.EndMin), finishBoundMin);
    }

    private sealed record Goal(ScheduleStatus Status, int Bound, IReadOnlyList<TimedTask> Tasks);

    private sealed class Model
    {
        private readonly SchedulingProblem problem;
        private readonly CpModel model = new();
        private readonly IReadOnlyDictionary<string, int> at;
        private readonly IntVar[] steps;
        private readonly LinearExpr[] starts;
        private readonly Dictionary<string, BoolVar>[] byHand;

        /// <param name="leastLate">That each due time is missed by at least.</param>
        public Model(SchedulingProblem problem, TaskGraph graph, int[] leastLate, int finishBound)
        {
            (this.problem, at) = (problem, graph.At);
            steps = [.. problem.Tasks.Select(task => model.NewIntVarFromDomain(DomainOf(task, problem.Hands), task.Id))];
            // In minutes: lengths need not be whole steps.
            starts = [.. steps.Select(step => LinearExpr.Term(step, problem.StepMin))];
            byHand = [.. problem.Tasks.Select((task, i) => ByHand(task, i))];
            foreach (var hand in problem.Hands)
                // When she is not there stands as work among her work: so the solver sees how much of it fits between.
                model.AddNoOverlap(problem.Tasks.Index().Where(task => byHand[task.Index].ContainsKey(hand.Id)).Select(task =>
                    model.NewOptionalFixedSizeIntervalVar(starts[task.Index], task.Item.Minutes, byHand[task.Index][hand.Id], $"{task.Item.Id} by {hand.Id}"))
                    .Concat(Away(hand).Select(gap => model.NewFixedSizeIntervalVar(model.NewConstant(gap.From), gap.Minutes, "away"))));
            foreach (var link in problem.After)
            {
                var wait = starts[at[link.Then]] - starts[at[link.First]] - problem.Tasks[at[link.First]].Minutes;
                model.AddLinearConstraint(wait, link.LeastMin, link.MostMin ?? problem.HorizonMin);
            }

            foreach (var place in problem.Places)
                AddPlace(place);
            Late = LinearExpr.Sum(problem.Due.Select((due, i) =>
            {
                var late = model.NewIntVar(leastLate[i], problem.HorizonMin, $"late {i}");
                model.Add(late >= starts[at[due.TaskId]] + problem.Tasks[at[due.TaskId]].Minutes - due.ByMin);
                return late;
            }));
            var finish = model.NewIntVar(finishBound, problem.HorizonMin, "finish");
            foreach (var (i, task) in problem.Tasks.Index())
                model.Add(finish >= starts[i] + task.Minutes);
            Finish = finish;
            Starts = LinearExpr.Sum(steps);
        }

        /// <summary>When each thing begins, in steps, summed.</summary>
        public LinearExpr Starts { get; }

        public LinearExpr Late { get; }

        public LinearExpr Finish { get; }

        private IEnumerable<TimeSpanMin> Away(Hand hand)
        {
            int[] from = [0, .. hand.Free.Select(span => span.To)], to = [.. hand.Free.Select(span => span.From), problem.HorizonMin];
            return from.Zip(to, (one, other) => new TimeSpanMin(one, other)).Where(gap => gap.Minutes > 0);
        }

        /// <summary>Steps at which it may begin.</summary>
        private Domain DomainOf(PlannedTask task, IEnumerable<Hand> hands)
        {
            IEnumerable<TimeSpanMin> free = task.NeedsHand ? hands.SelectMany(hand => hand.Free) : [new TimeSpanMin(0, problem.HorizonMin)];
            return Domain.FromIntervals([.. free
                .Where(span => Math.Min(span.To, problem.HorizonMin) - span.From >= task.Minutes)
                .Select(span => new long[] { problem.UpToStep(Math.Max(span.From, task.EarliestMin)) / problem.StepMin, Math.Min(Math.Min(span.To, problem.HorizonMin) - task.Minutes, task.LatestMin ?? int.MaxValue) / problem.StepMin })
                .Where(range => range[0] <= range[1])]);
        }

        private Dictionary<string, BoolVar> ByHand(PlannedTask task, int i)
        {
            if (!task.NeedsHand)
                return [];
            var chosen = problem.Hands.ToDictionary(hand => hand.Id, hand => model.NewBoolVar($"{task.Id} by {hand.Id}"));
            model.AddExactlyOne(chosen.Values);
            foreach (var hand in problem.Hands)
                model.AddLinearExpressionInDomain(steps[i], DomainOf(task, [hand])).OnlyEnforceIf(chosen[hand.Id]);
            return chosen;
        }

        private void AddPlace(WorkPlace place)
        {
            var room = model.AddCumulative(place.Room);
            foreach (var use in problem.Uses.Where(use => use.PlaceId == place.Id))
            {
                var (from, until) = (at[use.FromTaskId], at[use.UntilTaskId]);
                if (from == until)
                {
                    room.AddDemand(model.NewFixedSizeIntervalVar(starts[from], problem.Tasks[from].Minutes, $"{place.Id} {use.FromTaskId}"), use.Amount);
                    continue;
                }

                var size = model.NewIntVar(0, problem.HorizonMin, $"{place.Id} {use.FromTaskId} long");
                room.AddDemand(model.NewIntervalVar(starts[from], size, starts[until] + problem.Tasks[until].Minutes, $"{place.Id} {use.FromTaskId}"), use.Amount);
            }
        }

        public void Hint(IReadOnlyList<TimedTask> tasks)
        {
            model.Model.SolutionHint = null;
            foreach (var (i, task) in tasks.Index())
            {
                model.AddHint(steps[i], task.StartMin / problem.StepMin);
                foreach (var (hand, chosen) in byHand[i])
                    model.AddHint(chosen, hand == task.HandId);
            }
        }

        public void Keep(LinearExpr goal, int most) => model.Add(goal <= most);

        public Goal Minimise(LinearExpr goal, double effort, CancellationToken cancel)
        {
            model.Minimize(goal);
            using var solver = new CpSolver { StringParameters = FormattableString.Invariant($"num_search_workers:1 linearization_level:0 random_seed:1 max_deterministic_time:{effort}") };
            using var stops = cancel.Register(solver.StopSearch);
            var status = solver.Solve(model) switch
            {
                CpSolverStatus.Optimal => ScheduleStatus.Best,
                CpSolverStatus.Feasible => ScheduleStatus.Good,
                CpSolverStatus.Infeasible => ScheduleStatus.None,
                CpSolverStatus.ModelInvalid => throw new InvalidOperationException(model.Validate()),
                _ => ScheduleStatus.NotFound,
            };
            cancel.ThrowIfCancellationRequested();
            return status is ScheduleStatus.None or ScheduleStatus.NotFound
                ? new Goal(status, 0, [])
                : new Goal(status, (int)Math.Ceiling(solver.BestObjectiveBound - 1e-6), TasksIn(solver));
        }

        private IReadOnlyList<TimedTask> TasksIn(CpSolver solver) => [.. problem.Tasks.Select((task, i) =>
        {
            var start = (int)solver.Value(steps[i]) * problem.StepMin;
            return new TimedTask(task.Id, start, start + task.Minutes, byHand[i].FirstOrDefault(hand => solver.BooleanValue(hand.Value)).Key);
        })];
    }
}
