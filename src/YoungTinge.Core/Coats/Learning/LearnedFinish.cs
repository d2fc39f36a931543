using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;

namespace YoungTinge.Core.Coats.Learning;

/// <summary>What is thought of one part of a hand.</summary>
/// <param name="Times">How many times as heavily as planned.</param>
/// <param name="Low">Nine of ten times it is between this ...</param>
/// <param name="High">... and this.</param>
/// <param name="Readings">Of zones that it shows in.</param>
public sealed record HandKnowledge(HandPart Part, double Times, double Low, double High, int Readings)
{
    internal static HandKnowledge From(Fitted fitted, HandPart part, int readings)
    {
        var (mean, side) = fitted.X.Length == 0 ? (0, Spread.NinetyPercent * HandPrior.Spread) : (fitted.X[(int)part], Spread.NinetyPercent * Math.Sqrt(fitted.Covariance[(int)part, (int)part]));
        return new HandKnowledge(part, Math.Exp(mean), Math.Exp(mean - side), Math.Exp(mean + side), readings);
    }
}

/// <summary>What all readings of finished zones together tell of dusts and of the maker's hand, as of one moment.</summary>
public sealed class LearnedFinish
{
    private readonly Materials listed;
    private readonly LearnedJars pastes;
    private readonly IReadOnlyDictionary<string, Jar> jars;
    private readonly Dictionary<string, int> places;
    private readonly JarKnowledge[] known;
    private readonly Fitted fitted;

    /// <param name="listed">With the colours of pastes as they were learned, dusts as listed.</param>
    /// <param name="pastes">What is known of the colours of pastes.</param>
    internal LearnedFinish(
        Materials listed, LearnedJars pastes, IReadOnlyDictionary<string, Jar> jars, Dictionary<string, int> places, JarKnowledge[] known, IReadOnlyList<HandKnowledge> hand, Fitted fitted) =>
        (this.listed, this.pastes, this.jars, this.places, this.known, Hand, this.fitted) = (listed, pastes, jars, places, known, hand, fitted);

    /// <summary>By part, in their order.</summary>
    public IReadOnlyList<HandKnowledge> Hand { get; }

    /// <summary>How much of each reading is believed, 0 to about 1, by its id.</summary>
    public IReadOnlyDictionary<Guid, double> Trust => fitted.Trust;

    /// <summary>As the list has it, with all its doubt, for a dust that was never read; a new lot begins where the others of its name are.</summary>
    public JarKnowledge Of(string jarId, string dustId)
    {
        if (places.TryGetValue(jarId, out var at))
            return known[at];
        var others = places.Where(place => jars[place.Key].Name == dustId).Select(place => known[place.Value].Difference).ToList();
        return new JarKnowledge(others.Count == 0 ? default : new(others.Average(other => other.Strength), others.Average(other => other.Tilt)), JarPrior.Strength, JarPrior.Tilt, 0);
    }

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

    /// <summary>Parts of the hand that show in a zone.</summary>
    public IReadOnlyList<HandPart> PartsIn(FinishedZone zone) => new ZoneLook(zone, listed, pastes).Parts;

    /// <summary>Dusts that show in a zone, starch left out.</summary>
    public IReadOnlyList<string> DustsIn(FinishedZone zone) => new ZoneLook(zone, listed, pastes).Dusts;

    /// <summary>A zone as it is predicted now. Daylight.</summary>
    public Lab Predict(FinishedZone zone)
    {
        var look = new ZoneLook(zone, listed, pastes);
        return look.ColourAndSlopes(Logarithms, [.. look.Dusts.Select(dust => Of(zone.JarOf(dust), dust).Difference)], new Lab[look.Parts.Count + 2 * look.Dusts.Count]);
    }

    private double[] Logarithms => fitted.X.Length == 0 ? new double[HandPrior.Parts.Length] : fitted.X[..HandPrior.Parts.Length];

    /// <summary>CIEDE2000 that nine of ten such zones come out within.</summary>
    public double RangeOf(FinishedZone zone)
    {
        var look = new ZoneLook(zone, listed, pastes);
        var slopes = new Lab[look.Parts.Count + 2 * look.Dusts.Count];
        var colour = look.ColourAndSlopes(Logarithms, [.. look.Dusts.Select(dust => Of(zone.JarOf(dust), dust).Difference)], slopes);
        // By unknown; below 0 one of a jar that was never read, which hangs together with nothing.
        int[] unknowns =
        [
            .. look.Parts.Select(part => fitted.X.Length == 0 ? -1 : (int)part),
            .. look.Dusts.SelectMany(dust => places.TryGetValue(zone.JarOf(dust), out var place) ? new[] { HandPrior.Parts.Length + 2 * place, HandPrior.Parts.Length + 2 * place + 1 } : [-1, -1]),
        ];
        double Prior(int slot) => slot < look.Parts.Count ? HandPrior.Spread * HandPrior.Spread : JarPrior.Variance((slot - look.Parts.Count) % 2);
        var spread = look.SpreadOfPaste();
        for (var i = 0; i < slopes.Length; i++)
        {
            if (i < look.Parts.Count)
                Spread.Add(spread, slopes[i], slopes[i], HandPrior.Scatter * HandPrior.Scatter);
            if (unknowns[i] < 0)
                Spread.Add(spread, slopes[i], slopes[i], Prior(i));
            for (var j = 0; j < slopes.Length && unknowns[i] >= 0; j++)
            {
                if (unknowns[j] >= 0)
                    Spread.Add(spread, slopes[i], slopes[j], fitted.Covariance[unknowns[i], unknowns[j]]);
            }
        }

        for (var axis = 0; axis < 3; axis++)
            spread[4 * axis] += fitted.ModelError * fitted.ModelError;
        return Spread.NineOfTen(colour, spread);
    }
}
