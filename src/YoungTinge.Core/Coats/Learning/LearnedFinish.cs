using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;

namespace YoungTinge.Core.Coats.Learning;

/// <summary>What is thought of one part of a hand.</summary>
/// <param name="Times">How many times as heavily as planned.</param>
/// <param name="Readings">Of zones that it shows in.</param>
public sealed record HandKnowledge(HandPart Part, LikelyTimes Times, int Readings)
{
    internal static HandKnowledge From(Fitted fitted, HandPart part, int readings) => new(
        part, fitted.X.Length == 0 ? LikelyTimes.Of(0, HandPrior.Spread) : LikelyTimes.Of(fitted.X[(int)part], Math.Sqrt(fitted.Covariance[(int)part, (int)part])), readings);
}

/// <summary>What all readings of finished zones together tell of dusts and of the maker's hand, as of one moment.</summary>
public sealed class LearnedFinish
{
    private readonly Materials listed;
    private readonly LearnedJars pastes;
    private readonly IReadOnlyDictionary<string, int> places;
    private readonly KnownJars known;
    private readonly Fitted fitted;

    /// <param name="listed">With the colours of pastes as they were learned, dusts as listed.</param>
    /// <param name="pastes">What is known of the colours of pastes.</param>
    internal LearnedFinish(
        Materials listed, LearnedJars pastes, IReadOnlyDictionary<string, Jar> jars, IReadOnlyDictionary<string, int> places, IReadOnlyList<JarKnowledge> known, IReadOnlyList<HandKnowledge> hand, Fitted fitted) =>
        (this.listed, this.pastes, this.places, this.known, Hand, this.fitted) = (listed, pastes, places, new KnownJars(id => jars[id].Name, places, known), hand, fitted);

    /// <summary>By part, in their order.</summary>
    public IReadOnlyList<HandKnowledge> Hand { get; }

    /// <summary>How much of each reading is believed, 0 to about 1, by its id.</summary>
    public IReadOnlyDictionary<Guid, double> Trust => fitted.Trust;

    /// <summary>As the list has it, with all its doubt, for a dust that was never read; a new lot begins where the others of its name are.</summary>
    public JarKnowledge Of(string jarId, string dustId) => known.Of(jarId, dustId);

    /// <summary>Whether a reading is hardly believed: a slip, or another jar.</summary>
    public bool IsOutlier(Guid readingId) => LearnedJars.IsHardlyBelieved(Trust, readingId);

    /// <summary>The same cabinet with every dust as it is thought to be, in this hand. What nobody has read stays as it is, to the last digit.</summary>
    public Materials Taught(Materials cabinet)
    {
        if (Trust.Count == 0)
            return cabinet;
        return cabinet.With(
            cabinet.All.Select(material => material is Dust dust && Of(LearnedCabinet.OpenJar(dust), dust.Id).Difference is var difference && difference != default ? dust.With(difference) : material),
            HandPrior.Of(fitted.X));
    }

    /// <summary>A zone as it is predicted now, in daylight, and how sure that is.</summary>
    public RangedColour Predict(FinishedZone zone)
    {
        var look = new ZoneLook(zone, listed, pastes);
        var slopes = new Lab[look.Parts.Count + 2 * look.Dusts.Count];
        var hand = fitted.X.Length == 0 ? new double[HandPrior.Parts.Length] : fitted.X[..HandPrior.Parts.Length];
        var colour = look.ColourAndSlopes(hand, [.. look.Dusts.Select(dust => Of(zone.JarOf(dust), dust).Difference)], slopes);
        int?[] at =
        [
            .. look.Parts.Select(part => fitted.X.Length == 0 ? (int?)null : (int)part),
            .. look.Dusts.SelectMany(dust => places.TryGetValue(zone.JarOf(dust), out var place) ? new int?[] { HandPrior.Parts.Length + 2 * place, HandPrior.Parts.Length + 2 * place + 1 } : [null, null]),
        ];
        var spread = look.SpreadOfPaste();
        Spread.Add(spread, slopes, fitted.CovarianceOf(at, unknown => unknown < look.Parts.Count ? HandPrior.Spread * HandPrior.Spread : JarPrior.Variance((unknown - look.Parts.Count) % 2)));
        for (var part = 0; part < look.Parts.Count; part++)
            Spread.Add(spread, slopes[part], slopes[part], HandPrior.Scatter * HandPrior.Scatter);
        Spread.AddEvenly(spread, fitted.ModelError);
        return new RangedColour(colour, Spread.NineOfTen(colour, spread));
    }
}
