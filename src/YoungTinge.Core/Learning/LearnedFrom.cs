using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>All that jars and units are learned from.</summary>
/// <param name="Jars">Of all that the readings name, by id.</param>
/// <param name="Bases">Optics of the pastes, by id.</param>
/// <param name="At">As of when: what was read long before or after says less of a jar then.</param>
internal sealed record LearnedFrom(IReadOnlyDictionary<string, Jar> Jars, IReadOnlyDictionary<string, KubelkaMunkSpectra> Bases, IReadOnlyList<PasteReading> Readings, DateTimeOffset At)
{
    /// <summary>Fewer are soon learned anew, and each of them may change what the others weigh.</summary>
    public const int FewestToAddTo = 400;

    /// <summary>After so many everything is learned anew: what each leaves out is next to nothing, but there it is.</summary>
    public const int MostAdded = 20;

    /// <summary>How many were added one by one since all was learned.</summary>
    public int Added { get; init; }

    /// <returns>What has come since; null where that is not all, or where it is better to learn anew.</returns>
    public IReadOnlyList<PasteReading>? AddedTo(LearnedFrom before)
    {
        var added = Readings.Count - before.Readings.Count;
        if (before.Readings.Count < FewestToAddTo || added < 0 || before.Added + added > MostAdded || before.At != At || !IsOfTheSameCabinet(before))
            return null;
        var old = before.Readings.ToDictionary(reading => reading.Id);
        var news = new List<PasteReading>();
        foreach (var reading in Readings)
        {
            if (!old.TryGetValue(reading.Id, out var was))
                news.Add(reading);
            else if (!AreSame(reading, was))
                return null;
        }

        return news.Count == added ? news : null;
    }

    /// <summary>Jars may have been written anew; of a jar that came since nothing is known.</summary>
    private bool IsOfTheSameCabinet(LearnedFrom before) =>
        before.Bases.All(one => Bases.TryGetValue(one.Key, out var now) && AreSame(one.Value, now))
        && before.Jars.All(one => Jars.TryGetValue(one.Key, out var now) && now.Name == one.Value.Name && now.Development == one.Value.Development && AreSame(one.Value.Listed, now.Listed));

    private static bool AreSame(KubelkaMunkSpectra one, KubelkaMunkSpectra other) =>
        one.Absorption.Values.SequenceEqual(other.Absorption.Values) && one.Scattering.Values.SequenceEqual(other.Scattering.Values);

    private static bool AreSame(PasteReading one, PasteReading other) =>
        one.At == other.At && one.BaseId == other.BaseId && one.By == other.By && one.Colour == other.Colour && one.RestedHours == other.RestedHours && one.Light == other.Light && one.Doses.SequenceEqual(other.Doses);
}
