namespace YoungTinge.Core.Scheduling;

/// <summary>What comes before and after each task of a problem, by its place there. Without circles.</summary>
internal sealed class TaskGraph
{
    private readonly SchedulingProblem problem;

    public TaskGraph(SchedulingProblem problem)
    {
        this.problem = problem;
        At = problem.Tasks.Index().ToDictionary(task => task.Item.Id, task => task.Index);
        Before = problem.After.ToLookup(link => At[link.Then], link => new Link(At[link.First], link.LeastMin, link.MostMin));
        After = problem.After.ToLookup(link => At[link.First], link => new Link(At[link.Then], link.LeastMin, link.MostMin));
    }

    /// <param name="Other">The task that it comes from or leads to.</param>
    public readonly record struct Link(int Other, int Least, int? Most);

    /// <summary>The place of each task in the problem, by its id.</summary>
    public IReadOnlyDictionary<string, int> At { get; }

    public ILookup<int, Link> Before { get; }

    public ILookup<int, Link> After { get; }

    /// <summary>Least minutes from the end of each task to the end of one, or of all that follows; null for what does not lead there.</summary>
    public int?[] TailsTo(int? end)
    {
        var known = new (bool Is, int? Tail)[problem.Tasks.Count];
        int? Of(int task)
        {
            if (!known[task].Is)
            {
                var follow = After[task].Select(link => Of(link.Other) is { } tail ? link.Least + problem.Tasks[link.Other].Minutes + tail : (int?)null).Max();
                known[task] = (true, end is null ? follow ?? 0 : task == end ? 0 : follow);
            }

            return known[task].Tail;
        }

        return [.. Enumerable.Range(0, known.Length).Select(Of)];
    }

    /// <summary>Minutes that what is due ends after its time, summed.</summary>
    /// <param name="tasks">In the order of the problem.</param>
    public int LateMin(IReadOnlyList<TimedTask> tasks) => problem.Due.Sum(due => Math.Max(0, tasks[At[due.TaskId]].EndMin - due.ByMin));
}
