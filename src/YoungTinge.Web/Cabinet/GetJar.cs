using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Cabinet;

/// <summary>What the logbook has taught of the jar of a colour or dust that is open now: its strength over time, and what that comes from.</summary>
public static class GetJar
{
    /// <summary>Moments at which its strength is told.</summary>
    private const int MostMoments = 12;

    /// <summary>Of what a paste takes of a colour.</summary>
    private const double MiddlingShare = 0.1;

    /// <summary>With more readings the past is not worked out anew at every moment.</summary>
    private const int MostForHistory = 600;

    /// <param name="Times">How many times as strong as listed it was thought to be then.</param>
    /// <param name="Low">Nine of ten jars like it are above.</param>
    /// <param name="High">Nine of ten jars like it are below.</param>
    public sealed record MomentView(DateTimeOffset At, double Times, double Low, double High);

    /// <param name="EntryId">In the logbook.</param>
    /// <param name="Subject">The paste that it was in, or the zone that it lay in.</param>
    /// <param name="RestedHours">Of a paste that was read before its colour had come out, since it was kneaded; null for all others.</param>
    /// <param name="GPer100g">Of it in the paste; null for a dust in a zone.</param>
    /// <param name="Others">Ids of the colours that were in it too, or of the dusts that lay there too.</param>
    /// <param name="OffBy">CIEDE2000 between what was read and what is thought of its jars now.</param>
    /// <param name="IsOutlier">Hardly any of it: a slip, or another jar.</param>
    public sealed record ReadingView(
        Guid EntryId, LogSubject Subject, DateTimeOffset At, ReadBy By, double? RestedHours, double? GPer100g, IReadOnlyList<string> Others, ColourView Colour, double OffBy, bool IsOutlier, bool IsLeftOut, int Version);

    /// <param name="Lot">The maker's mark on the jar that is open; empty if there is none.</param>
    /// <param name="Now">Its strength today.</param>
    /// <param name="Count">Readings that it was in.</param>
    /// <param name="History">The oldest first; the last is today. Empty if it was never read.</param>
    /// <param name="Readings">The newest first, of all its lots.</param>
    public sealed record Answer(string Lot, MomentView Now, ColourLean Lean, Sureness Sureness, int Count, IReadOnlyList<MomentView> History, IReadOnlyList<ReadingView> Readings);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/materials/{id}/jar", Handle).KeepsAnswer().WithName("getJar").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(string id, CurrentStudio studio, CabinetStore cabinet, TimeProvider clock, CancellationToken cancel)
    {
        var listed = await cabinet.ListedAsync(studio.Id, cancel);
        var material = listed.Find(id);
        if (material is not (Colourant or Dust { Kind: not DustKind.Extender }))
            return ApiProblem.NotFound();
        var readings = await cabinet.ReadingsAsync(studio.Id, listed, cancel);
        var taught = await cabinet.LoadLearnedAsync(studio.Id, cancel);
        var (known, range, history, own) = material is Colourant colour ? OfColour(colour, readings, taught, clock.GetUtcNow()) : OfDust((Dust)material, readings, taught, clock.GetUtcNow());
        return TypedResults.Ok(new Answer(material.Supply.Lot, Moment(clock.GetUtcNow(), known), known.Difference.Lean, LearnedCabinet.SurenessOf(range), known.Readings, history, own));
    }

    /// <returns>With how sure a middling paste or coat of it is.</returns>
    private static (JarKnowledge Known, double Range, IReadOnlyList<MomentView> History, IReadOnlyList<ReadingView> Readings) OfColour(Colourant colour, LogbookReadings readings, Taught taught, DateTimeOffset now)
    {
        var jar = LearnedCabinet.OpenJar(colour);
        var paste = AnyPaste(readings.Listed);
        var used = readings.UsedPastes;
        return (
            taught.Jars.Of(jar), paste is null ? double.MaxValue : taught.Jars.Predict(paste.Id, [new JarDose(jar, MiddlingShare * colour.LoadLimitGPer100g)]).Range,
            HistoryOf([.. used.Where(reading => reading.Doses.Any(dose => dose.JarId == jar)).Select(reading => reading.At)], used.Count, now, at => readings.Learn([.. used.Where(reading => reading.At <= at)], at).Of(jar)),
            [.. readings.Pastes.Where(entry => entry.Mix!.Doses.Any(dose => dose.ColourantId == colour.Id)).Reverse().Select(entry =>
            {
                var reading = LogbookReadings.Of(entry);
                return ViewOf(
                    entry, entry.Mix!.Doses.First(dose => dose.ColourantId == colour.Id).GPer100g, entry.Mix.Doses.Select(dose => dose.ColourantId).Where(other => other != colour.Id),
                    taught.Jars.Predict(reading.BaseId, reading.Doses, reading.RestedHours).Colour, taught.Jars.IsOutlier(entry.Id));
            })]);
    }

    private static (JarKnowledge Known, double Range, IReadOnlyList<MomentView> History, IReadOnlyList<ReadingView> Readings) OfDust(Dust dust, LogbookReadings readings, Taught taught, DateTimeOffset now)
    {
        var jar = LearnedCabinet.OpenJar(dust);
        var finish = taught.Finish;
        var used = readings.UsedZones;
        bool LiesIn(FinishedZone zone) => zone.DustsIn(readings.Listed).Contains(dust.Id);
        return (
            finish.Of(jar, dust.Id), AnyPaste(readings.Listed) is { } paste ? finish.Predict(FinishedZone.Coated(dust, paste)).Range : double.MaxValue,
            HistoryOf(
                [.. used.Where(reading => LiesIn(reading.Zone) && reading.Zone.JarOf(dust.Id) == jar).Select(reading => reading.At)], used.Count, now,
                at => readings.LearnFinish(taught.Jars, [.. used.Where(reading => reading.At <= at)], at).Of(jar, dust.Id)),
            [.. readings.Zones.Where(entry => LiesIn(LogbookReadings.ZoneOf(entry))).Reverse().Select(entry => ViewOf(
                entry, null, LogbookReadings.ZoneOf(entry).DustsIn(readings.Listed).Where(other => other != dust.Id), finish.Predict(LogbookReadings.ZoneOf(entry)).Colour, finish.IsOutlier(entry.Id)))]);
    }

    private static PasteBase? AnyPaste(Materials listed) => listed.All.OfType<PasteBase>().FirstOrDefault();

    private static MomentView Moment(DateTimeOffset at, JarKnowledge known) => new(at, known.Strength.Times, known.Strength.Low, known.Strength.High);

    /// <summary>What was thought of it at the time: from what had been read by then.</summary>
    private static IReadOnlyList<MomentView> HistoryOf(IReadOnlyList<DateTimeOffset> read, int readings, DateTimeOffset now, Func<DateTimeOffset, JarKnowledge> then) =>
        read.Count == 0 || readings > MostForHistory ? [] : [.. read.Distinct().TakeLast(MostMoments - 1).Append(now).Select(at => Moment(at, then(at)))];

    private static ReadingView ViewOf(LogEntry entry, double? gPer100g, IEnumerable<string> others, Lab thoughtNow, bool isOutlier) => new(
        entry.Id, entry.Subject, entry.LoggedAt, entry.By, entry.RestedHours, gPer100g, [.. others], ColourView.From(entry.Actual), DeltaE2000.Between(entry.Actual, thoughtNow), isOutlier, entry.IsLeftOut, entry.Version);
}
