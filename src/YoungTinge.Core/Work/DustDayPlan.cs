using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Work;

/// <summary>One coat on all pieces of one kind, within a pass.</summary>
/// <param name="Operations">That it consists of, in order.</param>
/// <param name="IsOutOfReach">The flower is assembled, and the brush hardly comes to where this coat goes.</param>
public sealed record PassUse(Guid FlowerId, Guid PieceId, ResolvedCoat Coat, int Pieces, double Minutes, bool IsOutOfReach, IReadOnlyList<Operation> Operations);

/// <summary>One mix on everything that gets it now.</summary>
/// <param name="Family">Of the brush that it takes; null for what takes none.</param>
/// <param name="NewBrush">A clean brush: the one before was in another family.</param>
/// <param name="PotId">That it is taken from; null if from a jar, or nothing is laid.</param>
/// <param name="IsOnStanding">On the flowers as they stand.</param>
/// <param name="SetUpMinutes">Once for the pass.</param>
/// <param name="WaitMinutes">Until these pieces may be touched again; 0 for none.</param>
public sealed record CoatPass(
    PassKind Kind, BrushFamily? Family, bool NewBrush, string? PotId, bool IsOnStanding, IReadOnlyList<PassUse> Uses, double SetUpMinutes, double WaitMinutes)
{
    public double Minutes => SetUpMinutes + Uses.Sum(use => use.Minutes);
}

/// <summary>
/// A commission's coats as a day's work: all pieces with the first colour, then all with the next, each piece in the order of its own
/// plan, and a brush changed as seldom as the plans allow.
/// </summary>
public sealed record DustDayPlan(IReadOnlyList<CoatPass> Passes)
{
    /// <summary>How often a clean brush is taken up.</summary>
    public int BrushChanges => Passes.Count(pass => pass.NewBrush);

    public double Minutes => Passes.Sum(pass => pass.Minutes);

    /// <summary>No order of these coats takes fewer clean brushes.</summary>
    public int FewestBrushes { get; private init; }

    /// <param name="graph">Of one commission.</param>
    public static DustDayPlan Of(WorkGraph graph)
    {
        var lays = graph.Operations.Where(operation => operation.Coat is not null).ToList();
        var first = FirstNeeded(graph);
        var passes = new List<CoatPass>();
        var fewest = 0;
        // Flowers are built once: what comes after a stage waits for all that comes before.
        foreach (var together in lays.GroupBy(lay => lay.StandingRank).OrderBy(group => group.Key ?? -1))
        {
            var (found, atLeast) = PassesOf(ChainsOf(together), passes.LastOrDefault(pass => pass.Family is not null)?.Family, first);
            passes.AddRange(found);
            fewest += atLeast;
        }

        return new DustDayPlan(passes) { FewestBrushes = fewest };
    }

    /// <summary>One coat on one kind of piece.</summary>
    private sealed record DayTask(Guid PieceId, ResolvedCoat Coat, CoatPassKey Pass, IReadOnlyList<Operation> Operations);

    /// <summary>Pieces that a flower begins with: the others wait for them.</summary>
    private static HashSet<Guid> FirstNeeded(WorkGraph graph) =>
        [.. graph.Operations.Select(operation => operation.Step).OfType<BuildStage>().Where(stage => stage.IsFirst).SelectMany(stage => stage.Parts).Select(part => part.PieceId)];

    /// <summary>The coats of each kind of piece, in their order.</summary>
    private static List<List<DayTask>> ChainsOf(IEnumerable<Operation> lays)
    {
        // What goes over several kinds of piece at once is one task, of each of them. A piece that was copied has coats of the same id.
        var tasks = lays.GroupBy(lay => (lay.Lots[0].PieceId, lay.Coat!.Id)).Select(coat => new DayTask(coat.First().Lots[0].PieceId!.Value, coat.First().Coat!, coat.First().Coat!.Pass, [.. coat])).ToList();
        return [.. tasks.SelectMany(task => task.Operations[0].Lots.Select(lot => (Piece: lot.PieceId!.Value, Task: task))).GroupBy(one => one.Piece).Select(piece => piece.Select(one => one.Task).ToList())];
    }

    private static (List<CoatPass> Passes, int FewestBrushes) PassesOf(List<List<DayTask>> chains, BrushFamily? inHand, HashSet<Guid> first)
    {
        var soon = chains.Index().Where(chain => first.Contains(chain.Item[0].PieceId)).Select(chain => chain.Index).ToHashSet();
        var order = BrushOrder.For([.. chains.Select(chain => (IReadOnlyList<BrushFamily>)[.. chain.Select(task => task.Pass.Family).OfType<BrushFamily>()])], inHand, soon);
        var next = new int[chains.Count];
        var passes = new List<CoatPass>();
        foreach (var family in order.Families.Cast<BrushFamily?>().Prepend(inHand))
        {
            // Everything with this brush, and what stands in its way; what dries long is begun as soon as it can be.
            while (family is not null && Ready(task => task.Pass.Family == family) is { Count: > 0 } brushed)
                Lay(brushed);
            while (family is not null && Ready(task => task.Pass.Family is null && (task.Pass.Kind == PassKind.Pollen || NextBrush(task) == family)) is { Count: > 0 } between)
            {
                Lay(AtOneStation(between));
                while (Ready(task => task.Pass.Family == family) is { Count: > 0 } brushed)
                    Lay(brushed);
            }
        }

        while (Ready(_ => true) is { Count: > 0 } rest)
            Lay(AtOneStation(rest));
        return (passes, order.AtLeast);

        List<(int Chain, DayTask Task)> Ready(Func<DayTask, bool> suits) =>
            [.. chains.Index().Where(chain => next[chain.Index] < chain.Item.Count && suits(chain.Item[next[chain.Index]]) && IsReadyForAll(chain.Item[next[chain.Index]])).Select(chain => (chain.Index, chain.Item[next[chain.Index]]))];

        bool IsReadyForAll(DayTask task) => task.Operations[0].Lots.Count == 1 || chains.Index().All(chain => chain.Item.IndexOf(task) is var at && (at < 0 || at == next[chain.Index]));

        BrushFamily? NextBrush(DayTask task) => chains.First(chain => chain.Contains(task)).SkipWhile(other => other != task).Select(other => other.Pass.Family).FirstOrDefault(one => one is not null);

        // All that can be done at the steam at once; the shortest wait first.
        List<(int Chain, DayTask Task)> AtOneStation(List<(int Chain, DayTask Task)> ready)
        {
            var station = ready.MinBy(one => (one.Task.Pass.Kind != PassKind.Pollen, one.Task.Pass.Kind)).Task.Pass.Station;
            return Ready(task => task.Pass.Station == station);
        }

        void Lay(List<(int Chain, DayTask Task)> ready)
        {
            // Mix by mix, the palest first.
            var palest = ready.OrderByDescending(one => one.Task.Pass.Lightness).ThenBy(one => one.Task.Pass.MixKey, StringComparer.Ordinal).First().Task;
            var now = ready.Where(one => one.Task.Pass.MixKey == palest.Pass.MixKey).ToList();
            passes.Add(Pass(palest, [.. now.Select(one => one.Task).Distinct()], inHand));
            inHand = palest.Pass.Family ?? inHand;
            foreach (var (chain, _) in now)
                next[chain]++;
        }
    }

    private static CoatPass Pass(DayTask first, IReadOnlyList<DayTask> now, BrushFamily? inHand)
    {
        var isOnStanding = first.Operations[0].IsOnStanding;
        return new CoatPass(
            first.Pass.Kind, first.Pass.Family, first.Pass.Family is { } family && family != inHand, first.Operations[0].PotId, isOnStanding,
            [.. now.Select(task => new PassUse(
                task.Operations[0].Lots[0].FlowerId, task.Operations[0].Lots[0].PieceId!.Value, task.Coat, task.Operations[0].Lots[0].Count, task.Operations.Sum(operation => operation.HandMinutes),
                task.Operations[0].IsOutOfReach, task.Operations))],
            first.Coat.SetUpMinutes * first.Operations[0].Pace, first.Coat.WaitMinutes);
    }
}
