using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Work;

/// <summary>
/// The shortest order of stations in which every piece can have its coats, each in its own order: a shortest common supersequence.
/// At a station everything is done that can be, for to do less there never helps. Searched breadth first, so the first end is a
/// shortest one; beyond a limit the station where most can be done is taken.
/// </summary>
public static class BrushOrder
{
    private const int MostStates = 40_000;

    /// <param name="chains">Stations of each kind of piece, in its order.</param>
    public static IReadOnlyList<string> For(IReadOnlyList<IReadOnlyList<string>> chains)
    {
        // Pieces with the same stations go together, and a station twice in a row is one visit.
        var different = chains.Select(Runs).DistinctBy(runs => string.Join('\n', runs)).ToList();
        return Shortest(different) ?? Greedy(different);
    }

    private static List<string> Runs(IReadOnlyList<string> chain) => [.. chain.Where((station, i) => i == 0 || chain[i - 1] != station)];

    private static List<string>? Shortest(List<List<string>> chains)
    {
        var start = new int[chains.Count];
        var from = new Dictionary<string, (string Before, string Station)> { [KeyOf(start)] = ("", "") };
        var queue = new Queue<int[]>([start]);
        while (queue.TryDequeue(out var state))
        {
            if (IsDone(state, chains))
                return Path(KeyOf(state), from);
            foreach (var station in Open(state, chains))
            {
                var then = Visited(state, chains, station);
                if (from.TryAdd(KeyOf(then), (KeyOf(state), station)))
                    queue.Enqueue(then);
            }

            if (from.Count > MostStates)
                return null;
        }

        return [];
    }

    private static List<string> Greedy(List<List<string>> chains)
    {
        var order = new List<string>();
        for (var state = new int[chains.Count]; !IsDone(state, chains);)
        {
            var now = state;
            var station = Open(now, chains).MaxBy(one => now.Where((at, i) => at < chains[i].Count && chains[i][at] == one).Count())!;
            order.Add(station);
            state = Visited(state, chains, station);
        }

        return order;
    }

    private static bool IsDone(int[] state, List<List<string>> chains) => state.Zip(chains).All(one => one.First == one.Second.Count);

    private static IEnumerable<string> Open(int[] state, List<List<string>> chains) =>
        state.Zip(chains).Where(one => one.First < one.Second.Count).Select(one => one.Second[one.First]).Distinct();

    private static int[] Visited(int[] state, List<List<string>> chains, string station) =>
        [.. state.Select((at, i) => at < chains[i].Count && chains[i][at] == station ? at + 1 : at)];

    private static string KeyOf(int[] state) => string.Join(',', state);

    private static List<string> Path(string end, Dictionary<string, (string Before, string Station)> from)
    {
        var path = new List<string>();
        for (var at = end; from[at].Station != ""; at = from[at].Before)
            path.Add(from[at].Station);
        path.Reverse();
        return path;
    }
}
