using YoungTinge.Core.Coats.Model;

namespace YoungTinge.Core.Work;

/// <summary>
/// The shortest order of brushes in which every piece can have its coats, each in its own order: a shortest common supersequence. With a
/// brush in hand everything is done that can be, for to do less there never helps. Searched best first (P. Hart, N. Nilsson, B. Raphael 1968):
/// of each brush at least as many visits are left as the piece that needs it most often still needs. So the first end is a shortest order;
/// beyond a limit the nearest end that is found greedily is taken, and how many there must be at least is told.
/// </summary>
/// <param name="Families">In the order in which they are taken up.</param>
/// <param name="AtLeast">No order takes fewer.</param>
public sealed record BrushOrder(IReadOnlyList<BrushFamily> Families, int AtLeast)
{
    private const int MostStates = 60_000;

    /// <param name="chains">Brushes of each kind of piece, in its order.</param>
    /// <param name="inHand">That needs no taking up; null for none.</param>
    /// <param name="soon">Chains that others wait for: of two orders that are as short, the one that has them done sooner.</param>
    public static BrushOrder For(IReadOnlyList<IReadOnlyList<BrushFamily>> chains, BrushFamily? inHand = null, IReadOnlySet<int>? soon = null)
    {
        // Pieces with the same brushes go together, and a brush twice in a row is one.
        var different = chains.Select((chain, i) => (Runs: Runs(chain), IsSoon: soon?.Contains(i) == true)).Where(chain => chain.Runs.Length > 0)
            .GroupBy(chain => string.Join(',', chain.Runs)).Select(group => new Chain(group.First().Runs, group.Any(chain => chain.IsSoon))).ToArray();
        return new Search(different).Run(inHand);
    }

    private static BrushFamily[] Runs(IReadOnlyList<BrushFamily> chain) => [.. chain.Where((family, i) => i == 0 || chain[i - 1] != family)];

    private sealed record Chain(BrushFamily[] Brushes, bool IsSoon);

    private sealed class Search(Chain[] chains)
    {
        private static readonly int Families = Enum.GetValues<BrushFamily>().Length;

        /// <summary>Of each chain, from each place on, how often each brush is still needed.</summary>
        private readonly int[][][] left = [.. chains.Select(chain => Enumerable.Range(0, chain.Brushes.Length + 1).Select(at => CountsOf(chain.Brushes[at..])).ToArray())];

        public BrushOrder Run(BrushFamily? inHand)
        {
            var start = inHand is { } first ? After(new int[chains.Length], first) : new int[chains.Length];
            var open = new PriorityQueue<Node, (int, int)>();
            var seen = new Dictionary<string, int> { [KeyOf(start)] = 0 };
            open.Enqueue(new Node(start, null, null, 0), (StillNeeded(start), Waiting(start)));
            var atLeast = StillNeeded(start);
            while (open.TryDequeue(out var node, out var priority))
            {
                atLeast = Math.Max(atLeast, priority.Item1);
                if (IsDone(node.At))
                    return new BrushOrder(node.Path(), node.Taken);
                if (seen.Count > MostStates)
                    return new BrushOrder([.. node.Path(), .. Greedy(node.At)], atLeast);
                if (seen[KeyOf(node.At)] < node.Taken)
                    continue;
                foreach (var family in Ready(node.At))
                {
                    var then = After(node.At, family);
                    var key = KeyOf(then);
                    if (seen.TryGetValue(key, out var before) && before <= node.Taken + 1)
                        continue;
                    seen[key] = node.Taken + 1;
                    open.Enqueue(new Node(then, node, family, node.Taken + 1), (node.Taken + 1 + StillNeeded(then), Waiting(then)));
                }
            }

            return new BrushOrder([], 0);
        }

        /// <summary>Where most can be done, each time.</summary>
        private List<BrushFamily> Greedy(int[] at)
        {
            var order = new List<BrushFamily>();
            while (!IsDone(at))
            {
                var now = at;
                var family = Ready(now).MinBy(one => (StillNeeded(After(now, one)), -After(now, one).Sum()));
                order.Add(family);
                at = After(now, family);
            }

            return order;
        }

        private IEnumerable<BrushFamily> Ready(int[] at) => at.Select((place, i) => (place, i)).Where(one => one.place < chains[one.i].Brushes.Length)
            .Select(one => chains[one.i].Brushes[one.place]).Distinct();

        private int[] After(int[] at, BrushFamily family) => [.. at.Select((place, i) => place < chains[i].Brushes.Length && chains[i].Brushes[place] == family ? place + 1 : place)];

        private bool IsDone(int[] at) => at.Select((place, i) => place == chains[i].Brushes.Length).All(done => done);

        private int StillNeeded(int[] at)
        {
            var sum = 0;
            for (var family = 0; family < Families; family++)
            {
                var most = 0;
                for (var i = 0; i < at.Length; i++)
                    most = Math.Max(most, left[i][at[i]][family]);
                sum += most;
            }

            return sum;
        }

        /// <summary>What others wait for and is not done yet; then what is left at all.</summary>
        private int Waiting(int[] at) => 1000 * at.Select((place, i) => chains[i].IsSoon ? chains[i].Brushes.Length - place : 0).Sum() + at.Select((place, i) => chains[i].Brushes.Length - place).Sum();

        private static int[] CountsOf(BrushFamily[] brushes)
        {
            var counts = new int[Families];
            foreach (var family in brushes)
                counts[(int)family]++;
            return counts;
        }

        private static string KeyOf(int[] at) => string.Join(',', at);
    }

    private sealed record Node(int[] At, Node? Before, BrushFamily? Family, int Taken)
    {
        public IReadOnlyList<BrushFamily> Path()
        {
            var path = new List<BrushFamily>();
            for (var node = this; node.Before is not null; node = node.Before)
                path.Add(node.Family!.Value);
            path.Reverse();
            return path;
        }
    }
}
