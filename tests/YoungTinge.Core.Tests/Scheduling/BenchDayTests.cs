using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Work;

namespace YoungTinge.Core.Tests.Scheduling;

/// <summary>What a device at the bench is told of the work: all of it, in an order in which it can be done.</summary>
public class BenchDayTests
{
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Whoever_does_what_comes_first_does_all_of_it_and_breaks_nothing(bool isPlanned)
    {
        var graph = WorkInTimeTests.Graph(3);
        var plan = isPlanned ? WorkInTimeTests.Planned(graph, [Maker.Usual(Guid.NewGuid(), "A")]).Plan : null;
        var tasks = BenchDay.Of([(graph, new HashSet<string>())], plan);
        Assert.Equal(graph.Operations.Select(operation => operation.Id).Order(), tasks.Select(task => task.Operation.Id).Order());
        if (isPlanned)
            Assert.Equal(tasks.Select(task => task.From).Order(), tasks.Select(task => task.From));

        var (now, ends) = (0.0, new Dictionary<string, double>());
        for (var left = tasks.ToList(); left.Count > 0;)
        {
            var begins = left.ToDictionary(task => task, task => task.Waits.All(wait => ends.ContainsKey(wait.OperationId))
                ? task.Waits.Select(wait => ends[wait.OperationId] + wait.Minutes).Append(0).Max() + task.DriesMinutes : double.MaxValue);
            now = Math.Max(now, begins.Values.Min());
            var next = left.First(task => begins[task] <= now);
            now += next.Operation.SetUpMinutes + next.Operation.HandMinutes;
            ends[next.Operation.Id] = now;
            left.Remove(next);
        }

        foreach (var operation in graph.Operations.Where(operation => operation.Step is not (MixPot or MakeLetDown)))
        {
            Assert.All(operation.After.Select(id => graph.Find(id)!), before =>
                Assert.True(ends[operation.Id] - operation.SetUpMinutes - operation.HandMinutes >= ends[before.Id] + (before.SetUpMinutes + before.HandMinutes > 0 ? before.WaitMinutes : 0) - 1e-6));
            Assert.All(operation.Rests, rest => Assert.True(ends[operation.Id] - operation.SetUpMinutes - operation.HandMinutes >= ends[rest.AfterId] + rest.LeastMinutes - 1e-6));
        }

        // A pot is mixed when the first coat from it could be laid: nothing else is between that has to dry.
        foreach (var pot in graph.Operations.Where(operation => operation.Step is MixPot))
            Assert.True(graph.Operations.Where(lay => lay.PotId == pot.Id).Min(lay => ends[lay.Id] - lay.HandMinutes) - ends[pot.Id] < 24 * 60);
    }

    [Fact]
    public void A_window_counts_from_when_the_piece_was_laid_out()
    {
        var graph = WorkInTimeTests.Graph(2);
        foreach (var task in BenchDay.Of([(graph, new HashSet<string>())], null).Where(task => task.Operation.Windows.Count > 0))
        {
            var opened = graph.Find(task.Operation.Windows[0].AfterId)!;
            Assert.Equal(opened.After[0], task.Window!.OperationId);
            Assert.True(task.Window.Minutes > opened.WaitMinutes);
        }
    }
}
