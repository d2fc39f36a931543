namespace YoungTinge.Core.Learning;

/// <summary>How many times as long something takes in a studio as the house figures say, as what was observed there has taught: the posterior of its logarithm, over a grid.</summary>
/// <param name="Factor">In steps of a twentieth, so that plans do not tremble with each observation; 1 without any.</param>
/// <param name="Low">Nine of ten times it is between this ...</param>
/// <param name="High">... and this.</param>
/// <param name="Count">Of what it was learned from.</param>
public sealed record LearnedFactor(double Factor, double Low, double High, int Count)
{
    private const double Steps = 20;

    /// <summary>What plans reckon with.</summary>
    internal static double InSteps(double factor) => Math.Round(Steps * factor) / Steps;

    private static readonly double[] Grid = [.. Enumerable.Range(-140, 281).Select(i => 0.01 * i)];

    /// <param name="usual">How far studios differ from the house figures: standard deviation of the logarithm, around 0.</param>
    /// <param name="chanceOf">Of an observation, if that is the logarithm of the factor; above 0.</param>
    internal static LearnedFactor From<T>(IReadOnlyCollection<T> observed, double usual, Func<T, double, double> chanceOf)
    {
        var weights = Grid.Select(x => -0.5 * x * x / (usual * usual) + observed.Sum(one => Math.Log(chanceOf(one, x)))).ToArray();
        var most = weights.Max();
        var share = weights.Select(weight => Math.Exp(weight - most)).ToArray();
        var total = share.Sum();
        var mean = Grid.Zip(share, (x, weight) => x * weight).Sum() / total;
        return new LearnedFactor(observed.Count == 0 ? 1 : InSteps(Math.Exp(mean)), Math.Exp(Quantile(0.05)), Math.Exp(Quantile(0.95)), observed.Count);

        double Quantile(double of)
        {
            var (at, sum) = (0, share[0]);
            while (sum < of * total)
                sum += share[++at];
            return Grid[at];
        }
    }
}
