using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;

namespace YoungTinge.Checks;

/// <summary>Solves every set of colourants of one size from three starts; the nearest thousand again, on CIEDE2000 itself.</summary>
public sealed class Exhaustive(Materials materials, string baseId, int most)
{
    private const int SolvedExactly = 1000;

    private static readonly double[] Starts = [0.05, 1.0];

    private readonly Colourant[] colourants = [.. materials.All.OfType<Colourant>()];

    /// <summary>CIEDE2000 of the nearest recipe that there is.</summary>
    public double Best(Lab target)
    {
        var model = new PasteColourModel(materials.Get<PasteBase>(baseId).Optics, [.. colourants.Select(colourant => colourant.Optics)]);
        var solver = new DoseSolver(model, target);
        var ratio = ReflectanceFromColour.Convert(target).Values.ToArray().Select(KubelkaMunk.RatioFromReflectance).ToArray();
        var nearest = new PriorityQueue<(int[] Set, double[] Doses), double>();
        foreach (var set in Sets(0, most))
        {
            var limits = set.Select(i => colourants[i].LoadLimitGPer100g).ToArray();
            var doses = new double[set.Length];
            model.FitRatio(ratio, set, limits, doses);
            var deltaE = solver.Improve(set, limits, doses, ErrorMetric.Rough);
            foreach (var start in Starts)
            {
                var other = limits.Select(limit => Math.Min(start, limit)).ToArray();
                if (solver.Improve(set, limits, other, ErrorMetric.Rough) is var again && again < deltaE)
                    (deltaE, doses) = (again, other);
            }

            nearest.Enqueue((set, doses), -deltaE);
            if (nearest.Count > SolvedExactly)
                nearest.Dequeue();
        }

        var best = double.PositiveInfinity;
        foreach (var ((set, doses), _) in nearest.UnorderedItems)
            best = Math.Min(best, solver.Improve(set, set.Select(i => colourants[i].LoadLimitGPer100g).ToArray(), doses, ErrorMetric.Exact));
        return best;
    }

    private IEnumerable<int[]> Sets(int from, int count)
    {
        if (count == 0)
        {
            yield return [];
            yield break;
        }

        for (var i = from; i <= colourants.Length - count; i++)
        {
            foreach (var rest in Sets(i + 1, count - 1))
                yield return [i, .. rest];
        }
    }
}
