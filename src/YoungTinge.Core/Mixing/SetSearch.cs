using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>
/// The sets of a few colours, out of many, that bring a paste nearest to a target. Sets grow by one colour at a time: while all
/// sets of a size are few, every one is solved; beyond that the nearest are taken on, each with every colour that would bring it
/// nearer. Then the best are solved exactly and tried with one colour swapped.
/// </summary>
internal sealed class SetSearch
{
    /// <summary>Delta E that nobody sees.</summary>
    public const double SameColour = 0.03;

    /// <summary>As many sets of one size are all solved.</summary>
    private const int MostToTryAll = 1_800;

    /// <summary>So many of the nearest sets are taken on to the next size.</summary>
    private const int Kept = 50;

    /// <summary>When so many sets of a size have reached the target, more of that size would only be more of the same.</summary>
    private const int EnoughReached = 400;

    /// <summary>A set this far from the best on the rough yardstick may still turn out best on the exact one.</summary>
    private const double RoughMargin = 2.5;

    /// <summary>The two yardsticks part the more, the farther the target is out of reach: added for each delta E of the best.</summary>
    private const double RoughMarginShare = 0.4;

    /// <summary>No more sets than this are solved exactly; far out of reach very many end near each other.</summary>
    private const int MostExact = 120;

    /// <summary>A set this far from the best is walked again from elsewhere: it may have gone into a wrong valley.</summary>
    private const double SecondWalkMargin = 6;

    /// <summary>So many of the best are tried with a colour swapped.</summary>
    private const int Swapped = 4;

    /// <summary>A swap must bring a set this much nearer, in delta E.</summary>
    private const double SmallestGain = 1e-6;

    /// <summary>Dose at which a colour joins a set, g per 100 g.</summary>
    private const double JoiningDose = 0.02;

    /// <summary>Extra starts for a set that missed, g per 100 g of each; the fit of K/S can start in a wrong valley.</summary>
    private static readonly double[] OtherStarts = [0.05, 1.0];

    private readonly PasteColourModel model;
    private readonly DoseSolver solver;
    private readonly double[] limits;
    private readonly double[] ratio;
    private readonly int[] usable;

    /// <param name="limits">Most of each colour, g per 100 g; a colour at 0 is left out.</param>
    public SetSearch(PasteColourModel model, Lab target, double[] limits)
    {
        this.model = model;
        this.limits = limits;
        solver = new DoseSolver(model, target);
        var wanted = ReflectanceFromColour.Convert(target);
        ratio = [.. wanted.Values.ToArray().Select(KubelkaMunk.RatioFromReflectance)];
        usable = [.. Enumerable.Range(0, limits.Length).Where(colour => limits[colour] > 0)];
    }

    /// <summary>Sets that were solved exactly, nearest first. A colour that came out at no dose is left to the smaller set, unless it must be there.</summary>
    /// <param name="must">Colours that every set holds, rising.</param>
    /// <param name="most">Colours in a set, no fewer than must be there.</param>
    /// <param name="progress">Share of the work done, 0 to 1.</param>
    public List<ColourSet> Run(int[] must, int most, Action<double>? progress, CancellationToken cancel)
    {
        var rough = new List<ColourSet>();
        var size = must.Length > 0 ? [SolveRoughly(must, double.PositiveInfinity)] : new List<ColourSet>();
        var best = size.Count > 0 ? size[0].DeltaE : double.PositiveInfinity;
        for (var count = must.Length + 1; ; count++)
        {
            rough.AddRange(size);
            // A colour more is only worth while as long as something is missing.
            if (count > most || (count > 3 && best <= SameColour))
                break;
            size = SetsOf(count, must) <= MostToTryAll || size.Count == 0
                ? All(count, must, ref best, cancel)
                : Grown(size, ref best, cancel);
            progress?.Invoke((count - must.Length) / (most - must.Length + 1.0));
        }

        var found = SolveExactly(rough, best, cancel);
        Swap(found, must, cancel);
        progress?.Invoke(1);
        return found;
    }

    private List<ColourSet> All(int count, int[] must, ref double best, CancellationToken cancel)
    {
        var others = usable.Except(must).ToArray();
        var sets = new List<ColourSet>();
        foreach (var chosen in Choose(others, count - must.Length))
        {
            cancel.ThrowIfCancellationRequested();
            var set = SolveRoughly([.. must.Concat(chosen).Order()], best);
            best = Math.Min(best, set.DeltaE);
            sets.Add(set);
        }

        return sets;
    }

    private List<ColourSet> Grown(List<ColourSet> smaller, ref double best, CancellationToken cancel)
    {
        var seen = new HashSet<ulong>();
        var sets = new List<ColourSet>();
        var reached = 0;
        foreach (var set in smaller.OrderBy(set => set.DeltaE).Take(Kept))
        {
            cancel.ThrowIfCancellationRequested();
            foreach (var colour in Helpful(set))
            {
                var larger = set.With(colour, Math.Min(JoiningDose, limits[colour]));
                if (!seen.Add(ColourSet.KeyOf(larger.Chosen)))
                    continue;
                var solved = Solved(larger, ErrorMetric.Rough);
                best = Math.Min(best, solved.DeltaE);
                sets.Add(solved);
                reached += solved.DeltaE <= SameColour ? 1 : 0;
            }

            if (reached >= EnoughReached)
                break;
        }

        return sets;
    }

    /// <summary>Colours of which a little more would bring a solved set nearer.</summary>
    private List<int> Helpful(ColourSet set)
    {
        var others = usable.Where(colour => Array.BinarySearch(set.Chosen, colour) < 0).ToArray();
        int[] all = [.. set.Chosen, .. others];
        double[] doses = [.. set.Doses, .. new double[others.Length]];
        Span<double> slopes = stackalloc double[all.Length];
        solver.ErrorSlopes(all, doses, slopes);
        var helpful = new List<int>();
        for (var i = 0; i < others.Length; i++)
        {
            if (slopes[set.Chosen.Length + i] < 0)
                helpful.Add(others[i]);
        }

        return helpful;
    }

    private List<ColourSet> SolveExactly(List<ColourSet> rough, double best, CancellationToken cancel)
    {
        var found = new List<ColourSet>();
        var margin = RoughMargin + RoughMarginShare * best;
        foreach (var set in rough.Where(set => set.DeltaE <= best + margin).OrderBy(set => set.DeltaE).Take(MostExact))
        {
            cancel.ThrowIfCancellationRequested();
            found.Add(Walk(set, double.PositiveInfinity, ErrorMetric.Exact));
        }

        found.Sort((one, other) => one.DeltaE.CompareTo(other.DeltaE));
        return found;
    }

    /// <summary>Tries the best sets with one of their colours exchanged for another, as long as that brings them nearer.</summary>
    private void Swap(List<ColourSet> found, int[] must, CancellationToken cancel)
    {
        if (found.Count == 0 || found[0].DeltaE <= SameColour)
            return;
        var seen = found.Select(set => ColourSet.KeyOf(set.Chosen)).ToHashSet();
        foreach (var set in found.Take(Swapped).ToList())
        {
            for (var nearer = WithASwap(set, must, seen, cancel); nearer is not null; nearer = WithASwap(nearer, must, seen, cancel))
                found.Add(nearer);
        }

        found.Sort((one, other) => one.DeltaE.CompareTo(other.DeltaE));
    }

    /// <summary>The set with the first colour exchanged that brings it nearer; null if none does.</summary>
    /// <param name="seen">Sets that need not be tried again.</param>
    private ColourSet? WithASwap(ColourSet set, int[] must, HashSet<ulong> seen, CancellationToken cancel)
    {
        for (var place = 0; place < set.Chosen.Length; place++)
        {
            cancel.ThrowIfCancellationRequested();
            if (must.Contains(set.Chosen[place]))
                continue;
            var without = set.Without(place);
            foreach (var colour in usable)
            {
                if (Array.BinarySearch(set.Chosen, colour) >= 0)
                    continue;
                var other = without.With(colour, Math.Min(set.Doses[place], limits[colour]));
                if (seen.Add(ColourSet.KeyOf(other.Chosen)) && Solved(other, ErrorMetric.Exact) is var solved && solved.DeltaE < set.DeltaE - SmallestGain)
                    return solved;
            }
        }

        return null;
    }

    private ColourSet SolveRoughly(int[] chosen, double bestSoFar)
    {
        var doses = new double[chosen.Length];
        model.FitRatio(ratio, chosen, LimitsOf(chosen), doses);
        // Only a set that could still matter is worth a second walk.
        return Walk(new ColourSet(chosen, doses, 0), bestSoFar + SecondWalkMargin, ErrorMetric.Rough);
    }

    /// <summary>Walks from the doses of a set, and from others too if that misses the target by less than a limit.</summary>
    private ColourSet Walk(ColourSet set, double againBelow, ErrorMetric yardstick)
    {
        var best = Solved(set, yardstick);
        if (best.DeltaE <= SameColour || best.DeltaE >= againBelow)
            return best;
        foreach (var start in OtherStarts)
        {
            var other = Solved(set with { Doses = [.. set.Chosen.Select(colour => Math.Min(start, limits[colour]))] }, yardstick);
            if (other.DeltaE < best.DeltaE)
                best = other;
        }

        return best;
    }

    private ColourSet Solved(ColourSet set, ErrorMetric yardstick)
    {
        var doses = (double[])set.Doses.Clone();
        var deltaE = solver.Improve(set.Chosen, LimitsOf(set.Chosen), doses, yardstick);
        return set with { Doses = doses, DeltaE = deltaE };
    }

    private double[] LimitsOf(int[] chosen)
    {
        var own = new double[chosen.Length];
        for (var i = 0; i < own.Length; i++)
            own[i] = limits[chosen[i]];
        return own;
    }

    /// <summary>How many sets of a size there are.</summary>
    private double SetsOf(int count, int[] must)
    {
        double sets = 1, others = usable.Length - must.Length;
        for (var i = 0; i < count - must.Length; i++)
            sets *= (others - i) / (i + 1);
        return sets;
    }

    private static IEnumerable<int[]> Choose(int[] from, int count)
    {
        if (count == 0)
        {
            yield return [];
            yield break;
        }

        for (var i = 0; i <= from.Length - count; i++)
        {
            foreach (var rest in Choose(from[(i + 1)..], count - 1))
                yield return [from[i], .. rest];
        }
    }
}
