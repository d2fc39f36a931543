namespace YoungTinge.Core.Learning;

/// <summary>A paste that could be read, and what that would be worth.</summary>
/// <param name="Falls">By how much the ranges of all pastes together would become narrower, CIEDE2000.</param>
/// <param name="Jars">That would become surer by a third or more.</param>
public sealed record WorthReading(int Paste, double Falls, IReadOnlyList<string> Jars);

/// <summary>Which of some pastes would teach most if it were read: by the expected fall of the ranges of all of them.</summary>
public static class NextReading
{
    private const double SurerBy = 1 / 3.0;

    /// <param name="pastes">What is to be kneaded, with the jars that are open.</param>
    /// <param name="learn">Learns from all readings with these beside them.</param>
    /// <param name="trial">A reading of a paste that comes out just as predicted: it teaches nothing but how sure one may be.</param>
    /// <returns>The most worth first; those that would teach nothing are left out.</returns>
    public static IReadOnlyList<WorthReading> Of(
        IReadOnlyList<(string BaseId, IReadOnlyList<JarDose> Doses)> pastes, LearnedJars now, Func<PasteReading, LearnedJars> learn, Func<int, PasteReading> trial)
    {
        double Ranges(LearnedJars known) => pastes.Sum(paste => known.Predict(paste.BaseId, paste.Doses).Range);
        var before = Ranges(now);
        return [.. Enumerable.Range(0, pastes.Count).Where(paste => pastes[paste].Doses.Count > 0).Select(paste =>
        {
            var then = learn(trial(paste));
            string[] surer = [.. pastes[paste].Doses.Select(dose => dose.JarId).Where(jar => then.Of(jar).StrengthDeviation < (1 - SurerBy) * now.Of(jar).StrengthDeviation)];
            return new WorthReading(paste, before - Ranges(then), surer);
        }).Where(worth => worth.Falls > 0.01).OrderByDescending(worth => worth.Falls)];
    }
}
