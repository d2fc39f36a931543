namespace YoungTinge.Core.Practice;

/// <summary>One thing that was tried.</summary>
/// <param name="Level">How far apart it was, CIEDE2000, above 0.</param>
public readonly record struct Trial(double Level, bool IsRight);

/// <param name="Threshold">CIEDE2000 that is told apart in four of five tries.</param>
/// <param name="Deviation">Standard deviation of its natural logarithm.</param>
/// <param name="NextLevel">To try next, CIEDE2000: near the threshold, and on its easy side while that is little known, so that nobody begins with what she cannot see.</param>
public readonly record struct EyeThreshold(double Threshold, double Deviation, double NextLevel);

/// <summary>
/// Finds what an eye just tells apart, trying always near it: the Bayesian staircase QUEST (Watson and Pelli 1983), over the logarithm of the difference. Pure: the
/// same tries say the same.
/// </summary>
public static class Staircase
{
    private const double LeastLevel = 0.15;
    private const double MostLevel = 15;
    private const int Points = 160;

    /// <summary>Before anything was tried: most eyes tell one to two apart.</summary>
    private const double UsualThreshold = 1.5;
    private const double UsualDeviation = 0.9;

    /// <summary>How steeply telling apart rises (Weibull), and how often a finger slips.</summary>
    private const double Slope = 2;
    private const double Lapse = 0.03;

    /// <summary>Told apart in so many tries at the threshold, of what is not guessed.</summary>
    private static readonly double AtThreshold = -Math.Log(1 - 0.6);

    private static readonly double[] Logs = [.. Enumerable.Range(0, Points).Select(i => Math.Log(LeastLevel) + (Math.Log(MostLevel) - Math.Log(LeastLevel)) * i / (Points - 1))];

    /// <param name="guessRate">Right by mere chance: a half of two, a third of three.</param>
    public static EyeThreshold Of(IEnumerable<Trial> trials, double guessRate)
    {
        var weights = Logs.Select(log => -Math.Pow((log - Math.Log(UsualThreshold)) / UsualDeviation, 2) / 2).ToArray();
        foreach (var trial in trials)
        {
            for (var i = 0; i < Points; i++)
            {
                var right = RightAt(trial.Level, Math.Exp(Logs[i]), guessRate);
                weights[i] += Math.Log(trial.IsRight ? right : 1 - right);
            }
        }

        var most = weights.Max();
        for (var i = 0; i < Points; i++)
            weights[i] = Math.Exp(weights[i] - most);
        var sum = weights.Sum();
        var mean = Logs.Zip(weights, (log, weight) => log * weight).Sum() / sum;
        var variance = Logs.Zip(weights, (log, weight) => (log - mean) * (log - mean) * weight).Sum() / sum;
        return new EyeThreshold(Math.Exp(mean), Math.Sqrt(variance), Math.Clamp(Math.Exp(mean + Math.Sqrt(variance)), LeastLevel, MostLevel));
    }

    /// <summary>How often an eye with such a threshold is right at a level.</summary>
    public static double RightAt(double level, double threshold, double guessRate) =>
        guessRate + (1 - guessRate - Lapse) * (1 - Math.Exp(-AtThreshold * Math.Pow(level / threshold, Slope)));
}
