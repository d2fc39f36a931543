using Google.OrTools.Sat;
using Google.OrTools.Util;

namespace YoungTinge.Core.Scheduling;

/// <summary>
/// Puts tasks into time by constraint programming (CP-SAT; Perron and Furnon, OR-Tools): first as little late as can be, then done as soon as can be. A list
/// plan is handed over to begin with. With the same effort the same question has the same answer.
/// </summary>
public static class Scheduler
{
    /// <param name="effort">Of the search, in the solver's own deterministic seconds, which are about seconds of one core; above 0.</param>
    /// <param name="told">Each schedule that is better than the ones before.</param>
    public static Schedule Solve(SchedulingProblem problem, double effort, CancellationToken cancel = default, Action<Schedule>? told = null)
    {
        var model = new Model(problem);
        if (new ListScheduler(problem).Find() is { } begun)
            model.Hint(begun);
        var late = model.Minimise(model.Late, effort / 2, cancel, found => told?.Invoke(model.Read(ScheduleStatus.Good, found, 0, 0)));
        if (late.Status is ScheduleStatus.None or ScheduleStatus.NotFound)
            return new Schedule(late.Status, [], 0, 0, 0, 0);
        model.Hint(late.Tasks);
        model.Keep(model.Late, late.Value);
        var finish = model.Minimise(model.Finish, effort / 2, cancel, found => told?.Invoke(model.Read(ScheduleStatus.Good, found, late.Bound, 0)));
        // It has the first one to begin with; if it was stopped before it looked at that, the first one stands.
        var best = finish.Tasks.Count > 0 ? finish.Tasks : late.Tasks;
        var status = late.Status == ScheduleStatus.Best && finish.Status == ScheduleStatus.Best ? ScheduleStatus.Best : ScheduleStatus.Good;
        return model.Read(status, best, late.Bound, Math.Min(finish.Bound, best.Max(task => task.EndMin)));
    }

    private sealed record Goal(ScheduleStatus Status, int Value, int Bound, IReadOnlyList<TimedTask> Tasks);

    private sealed class Model
    {
        private readonly SchedulingProblem problem;
        private readonly CpModel model = new();
        private readonly Dictionary<string, int> at;
        private readonly IntVar[] steps;
        private readonly LinearExpr[] starts;
        private readonly Dictionary<string, BoolVar>[] byHand;

        public Model(SchedulingProblem problem)
        {
            this.problem = problem;
            at = problem.Tasks.Index().ToDictionary(task => task.Item.Id, task => task.Index);
            steps = [.. problem.Tasks.Select(task => model.NewIntVarFromDomain(DomainOf(task, problem.Hands.Where(hand => MayDo(hand, task))), task.Id))];
            // In minutes: lengths need not be whole steps.
            starts = [.. steps.Select(step => LinearExpr.Term(step, problem.StepMin))];
            byHand = [.. problem.Tasks.Select((task, i) => ByHand(task, i))];
            foreach (var hand in problem.Hands)
                model.AddNoOverlap(problem.Tasks.Index().Where(task => byHand[task.Index].ContainsKey(hand.Id)).Select(task =>
                    model.NewOptionalFixedSizeIntervalVar(starts[task.Index], task.Item.Minutes, byHand[task.Index][hand.Id], $"{task.Item.Id} by {hand.Id}")));
            foreach (var link in problem.After)
            {
                var wait = starts[at[link.Then]] - starts[at[link.First]] - problem.Tasks[at[link.First]].Minutes;
                model.AddLinearConstraint(wait, link.LeastMin, link.MostMin ?? problem.HorizonMin);
            }

            foreach (var place in problem.Places)
                AddPlace(place);
            Late = LinearExpr.Sum(problem.Due.Select((due, i) =>
            {
                var late = model.NewIntVar(0, problem.HorizonMin, $"late {i}");
                model.Add(late >= starts[at[due.TaskId]] + problem.Tasks[at[due.TaskId]].Minutes - due.ByMin);
                return late;
            }));
            var finish = model.NewIntVar(0, problem.HorizonMin, "finish");
            foreach (var (i, task) in problem.Tasks.Index())
                model.Add(finish >= starts[i] + task.Minutes);
            Finish = finish;
        }

        public LinearExpr Late { get; }

        public LinearExpr Finish { get; }

        private static bool MayDo(Hand hand, PlannedTask task) => task.NeedsHand && (task.HandId is null || task.HandId == hand.Id);

        /// <summary>Steps at which it may begin.</summary>
        private Domain DomainOf(PlannedTask task, IEnumerable<Hand> hands)
        {
            List<long[]> ranges = [];
            void Add(int from, int to)
            {
                long first = (Math.Max(from, task.EarliestMin) + problem.StepMin - 1) / problem.StepMin, last = (Math.Min(to, problem.HorizonMin) - task.Minutes) / problem.StepMin;
                if (task.FixedStartMin is { } given)
                    (first, last) = (Math.Max(first, (given + problem.StepMin - 1) / problem.StepMin), Math.Min(last, given / problem.StepMin));
                if (first <= last && to - from >= task.Minutes)
                    ranges.Add([first, last]);
            }

            if (!task.NeedsHand)
                Add(0, problem.HorizonMin);
            foreach (var span in hands.SelectMany(hand => hand.Free))
                Add(span.From, span.To);
            return Domain.FromIntervals([.. ranges]);
        }

        private Dictionary<string, BoolVar> ByHand(PlannedTask task, int i)
        {
            if (!task.NeedsHand)
                return [];
            var chosen = problem.Hands.Where(hand => MayDo(hand, task)).ToDictionary(hand => hand.Id, hand => model.NewBoolVar($"{task.Id} by {hand.Id}"));
            model.AddExactlyOne(chosen.Values);
            foreach (var hand in problem.Hands.Where(hand => chosen.ContainsKey(hand.Id)))
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

        public Goal Minimise(LinearExpr goal, double effort, CancellationToken cancel, Action<IReadOnlyList<TimedTask>> told)
        {
            model.Minimize(goal);
            using var solver = new CpSolver { StringParameters = FormattableString.Invariant($"num_search_workers:1 random_seed:1 max_deterministic_time:{effort}") };
            using var teller = new Teller(this, cancel, told);
            using var stops = cancel.Register(solver.StopSearch);
            var status = solver.Solve(model, teller) switch
            {
                CpSolverStatus.Optimal => ScheduleStatus.Best,
                CpSolverStatus.Feasible => ScheduleStatus.Good,
                CpSolverStatus.Infeasible => ScheduleStatus.None,
                CpSolverStatus.ModelInvalid => throw new InvalidOperationException(model.Validate()),
                _ => ScheduleStatus.NotFound,
            };
            cancel.ThrowIfCancellationRequested();
            return status is ScheduleStatus.None or ScheduleStatus.NotFound
                ? new Goal(status, 0, 0, [])
                : new Goal(status, (int)Math.Round(solver.ObjectiveValue), (int)Math.Ceiling(solver.BestObjectiveBound - 1e-6), Tasks(variable => solver.Value(variable)));
        }

        public IReadOnlyList<TimedTask> Tasks(Func<IntVar, long> value) => [.. problem.Tasks.Select((task, i) =>
        {
            var start = (int)value(steps[i]) * problem.StepMin;
            return new TimedTask(task.Id, start, start + task.Minutes, byHand[i].FirstOrDefault(hand => value(hand.Value) == 1).Key);
        })];

        public Schedule Read(ScheduleStatus status, IReadOnlyList<TimedTask> tasks, int lateBound, int finishBound) => new(
            status, tasks, problem.Due.Sum(due => Math.Max(0, tasks[at[due.TaskId]].EndMin - due.ByMin)), lateBound, tasks.Select(task => task.EndMin).DefaultIfEmpty(0).Max(), finishBound);
    }

    private sealed class Teller(Model model, CancellationToken cancel, Action<IReadOnlyList<TimedTask>> told) : CpSolverSolutionCallback
    {
        public override void OnSolutionCallback()
        {
            if (cancel.IsCancellationRequested)
                StopSearch();
            told(model.Tasks(variable => Value(variable)));
        }
    }
}
