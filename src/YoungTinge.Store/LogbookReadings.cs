using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Optics;

namespace YoungTinge.Store;

/// <summary>All that a studio can learn its jars and its hand from.</summary>
/// <param name="Listed">The cabinet as it is written.</param>
/// <param name="Pastes">Pastes that were read, of what still stands in the cabinet, those that are left out among them; the oldest first.</param>
/// <param name="Zones">Zones of finished pieces, likewise.</param>
/// <param name="At">As of when. Jars age by the day.</param>
public sealed record LogbookReadings(Materials Listed, IReadOnlyList<LogEntry> Pastes, IReadOnlyList<LogEntry> Zones, DateTimeOffset At)
{
    private readonly IReadOnlyDictionary<string, Jar> jars = LearnedCabinet.JarsOf(Listed, Pastes.Concat(Zones).SelectMany(entry => entry.Mix!.Doses).Select(dose => (dose.ColourantId, dose.Lot)));
    private readonly IReadOnlyDictionary<string, KubelkaMunkSpectra> bases = Listed.All.OfType<PasteBase>().ToDictionary(paste => paste.Id, paste => paste.Optics);

    /// <summary>What is learned from.</summary>
    public IReadOnlyList<PasteReading> UsedPastes => [.. Pastes.Where(IsUsed).Select(Of)];

    public IReadOnlyList<FinishReading> UsedZones => [.. Zones.Where(IsUsed).Select(OfZone)];

    /// <summary>
    /// Entries that say again, to the last digit, what an instrument has read of the same paste or zone: the same picture looked at twice, or the same figure noted twice. An eye may well find the same again.
    /// They teach nothing more.
    /// </summary>
    public IReadOnlySet<Guid> Repeats { get; } = Pastes.Concat(Zones).Where(entry => !entry.IsLeftOut && entry.By != ReadBy.Eye)
        .GroupBy(entry => (entry.By, entry.Actual, entry.Subject, entry.PieceId, entry.RestedHours, entry.Mix!.BaseId, string.Join(' ', entry.Mix.Doses.Select(dose => $"{dose.ColourantId} {dose.Lot} {dose.GPer100g:R}"))))
        .SelectMany(same => same.Skip(1)).Select(entry => entry.Id).ToHashSet();

    private bool IsUsed(LogEntry entry) => !entry.IsLeftOut && !Repeats.Contains(entry.Id);

    /// <param name="before">What was known last.</param>
    public LearnedJars Learn(LearnedJars? before = null) => Learn(UsedPastes, At, before);

    /// <summary>What other readings would teach, or had taught at another time.</summary>
    public LearnedJars Learn(IReadOnlyList<PasteReading> readings, DateTimeOffset at, LearnedJars? before = null) => Learner.Learn(jars, bases, readings, at, before);

    /// <param name="pastes">What is known of the colours of pastes.</param>
    public LearnedFinish LearnFinish(LearnedJars pastes, IReadOnlyList<FinishReading> readings, DateTimeOffset at) => FinishLearner.Learn(Listed.With(pastes), pastes, readings, at);

    /// <param name="entry">With its mix.</param>
    public static PasteReading Of(LogEntry entry) => new(entry.Id, entry.LoggedAt, entry.Mix!.BaseId, DosesOf(entry.Mix), entry.By, entry.Actual) { RestedHours = entry.RestedHours, Light = entry.Light };

    /// <summary>As they were measured: what was counted may have been more or less than was thought.</summary>
    public static IReadOnlyList<JarDose> DosesOf(LoggedMix mix) => [.. mix.Doses.Select(dose => dose.Counted is { } counted
        ? new JarDose(JarOf(dose), dose.GPer100g / counted.TimesWritten, new Counted(new OwnUnit(counted.Unit, counted.IsWeighed), counted.Count))
        : new JarDose(JarOf(dose), dose.GPer100g))];

    private static string JarOf(LoggedDose dose) => LearnedCabinet.JarId(dose.ColourantId, dose.Lot);

    /// <param name="entry">With its mix, its plan and what was laid.</param>
    public static FinishReading OfZone(LogEntry entry) => new(entry.Id, entry.LoggedAt, ZoneOf(entry), entry.By, entry.Actual) { Light = entry.Light };

    /// <param name="entry">With its mix, its plan and what was laid.</param>
    public static FinishedZone ZoneOf(LogEntry entry) => ZoneOf(entry.Mix!, entry.Plan!.Coats, entry.Laid!);

    public static FinishedZone ZoneOf(LoggedMix mix, IReadOnlyList<Coat> coats, LoggedZone laid) =>
        new(mix.BaseId, [.. mix.Doses.Select(dose => new JarDose(JarOf(dose), dose.GPer100g))], coats, laid.Lots, laid.Laid);
}
