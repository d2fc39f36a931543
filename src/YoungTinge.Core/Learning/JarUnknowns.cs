using MathNet.Numerics.LinearAlgebra;

namespace YoungTinge.Core.Learning;

/// <summary>Two unknowns for each of some jars, its strength and its tilt, beside each other from a first place on.</summary>
internal sealed class JarUnknowns(IReadOnlyDictionary<string, Jar> jars, IReadOnlyDictionary<string, int> places, int from = 0)
{
    /// <summary>Places of the others of its name, of each jar that has some.</summary>
    private readonly (int Place, int[] Others)[] lots = [.. places.GroupBy(jar => jars[jar.Key].Name, jar => jar.Value).Where(name => name.Count() > 1)
        .SelectMany(name => name.Select(place => (place, name.Where(other => other != place).ToArray())))];

    public int Count => 2 * places.Count;

    public int StrengthOf(string jarId) => from + 2 * places[jarId];

    public double PriorVariance(int unknown) => JarPrior.Variance((unknown - from) % 2);

    public JarDifference DifferenceOf(int place, ReadOnlySpan<double> x) => new(x[from + 2 * place], x[from + 2 * place + 1]);

    /// <summary>Lots of one name are alike on the whole: each is drawn to the mean of the others instead of to the list.</summary>
    public void DrawLotsToTheirName(ReadOnlySpan<double> x, Matrix<double> covariance, Span<double> means)
    {
        foreach (var (place, others) in lots)
        {
            for (var which = 0; which < 2; which++)
            {
                var (sum, weights) = (0.0, 1 / JarPrior.Variance(which));
                foreach (var other in others.Select(other => from + 2 * other + which))
                {
                    // As far as the others are known: one that was hardly read draws hardly.
                    var weight = 1 / (covariance[other, other] + JarPrior.Variance(which));
                    sum += weight * x[other];
                    weights += weight;
                }

                means[from + 2 * place + which] = sum / weights;
            }
        }
    }

    /// <summary>What is known of every jar, by its place.</summary>
    /// <param name="readings">The jars of each.</param>
    public IReadOnlyList<JarKnowledge> Known(Fitted fitted, IEnumerable<IEnumerable<string>> readings)
    {
        var counts = new int[places.Count];
        foreach (var jar in readings.SelectMany(inIt => inIt.Distinct()))
            counts[places[jar]]++;
        double Deviation(int unknown) => Math.Sqrt(fitted.Covariance[unknown, unknown]);
        return [.. counts.Select((count, place) => new JarKnowledge(DifferenceOf(place, fitted.X), Deviation(from + 2 * place), Deviation(from + 2 * place + 1), count))];
    }
}
