using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Cabinet;

/// <summary>What the logbook has taught of the jar of a colour that is open now: its strength over time, and what that comes from.</summary>
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
    /// <param name="Others">Ids of the colours that were in it too.</param>
    /// <param name="OffBy">CIEDE2000 between what was read and what is thought of its jars now.</param>
    /// <param name="IsOutlier">Hardly any of it: a slip, or another jar.</param>
    public sealed record ReadingView(Guid EntryId, DateTimeOffset At, ReadBy By, double GPer100g, IReadOnlyList<string> Others, ColourView Colour, double OffBy, bool IsOutlier, bool IsLeftOut, string Note, int Version);

    /// <param name="Lot">The maker's mark on the jar that is open; empty if there is none.</param>
    /// <param name="Now">Its strength today.</param>
    /// <param name="Count">Readings that it was in.</param>
    /// <param name="History">The oldest first; the last is today. Empty if it was never read.</param>
    /// <param name="Readings">The newest first, of all its lots.</param>
    public sealed record Answer(string Lot, MomentView Now, ColourLean Lean, Sureness Sureness, int Count, IReadOnlyList<MomentView> History, IReadOnlyList<ReadingView> Readings);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/materials/{id}/jar", Handle).KeepsAnswer().WithName("getJar").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(string id, CurrentStudio studio, CabinetStore cabinet, TimeProvider clock, CancellationToken cancel)
    {
        var studioId = studio.Id;
        var listed = await cabinet.ListedAsync(studioId, cancel);
        if (listed.Find(id) is not Colourant colour)
            return ApiProblem.NotFound();
        var (_, jars) = await cabinet.LoadLearnedAsync(studioId, cancel);
        var jar = LearnedCabinet.OpenJar(colour);
        var readings = await cabinet.JarReadingsAsync(studioId, listed, cancel);
        var own = readings.Entries.Where(entry => entry.Mix!.Doses.Any(dose => dose.ColourantId == id)).Reverse().ToList();
        var known = jars.Of(jar);
        // As sure as a middling paste of it is.
        var range = listed.All.OfType<PasteBase>().FirstOrDefault() is { } paste ? jars.Predict(paste.Id, [new JarDose(jar, MiddlingShare * colour.LoadLimitGPer100g)]).Range : double.MaxValue;
        return TypedResults.Ok(new Answer(
            colour.Supply.Lot, Moment(clock.GetUtcNow(), known), known.Difference.Lean, LearnedCabinet.SurenessOf(range), known.Readings, HistoryOf(jar, readings, clock.GetUtcNow()),
            [.. own.Select(entry => ViewOf(entry, id, jars))]));
    }

    private static MomentView Moment(DateTimeOffset at, JarKnowledge known)
    {
        // 1.645 standard deviations to either side hold nine of ten.
        var side = 1.645 * known.StrengthDeviation;
        return new MomentView(at, known.Difference.Times, Math.Exp(known.Difference.Strength - side), Math.Exp(known.Difference.Strength + side));
    }

    /// <summary>What was thought of it at the time: from what had been read by then.</summary>
    private static IReadOnlyList<MomentView> HistoryOf(string jar, JarReadings readings, DateTimeOffset now)
    {
        var used = readings.Used;
        var own = used.Where(reading => reading.Doses.Any(dose => dose.JarId == jar)).ToList();
        if (own.Count == 0 || used.Count > MostForHistory)
            return [];
        return [.. own.Select(reading => reading.At).Distinct().TakeLast(MostMoments - 1).Append(now).Select(at => Moment(at, readings.Learn([.. used.Where(reading => reading.At <= at)], at).Of(jar)))];
    }

    private static ReadingView ViewOf(LogEntry entry, string id, LearnedJars jars)
    {
        var reading = JarReadings.Of(entry);
        return new ReadingView(
            entry.Id, entry.LoggedAt, entry.By, entry.Mix!.Doses.First(dose => dose.ColourantId == id).GPer100g, [.. entry.Mix.Doses.Select(dose => dose.ColourantId).Where(other => other != id)],
            ColourView.From(entry.Actual), DeltaE2000.Between(entry.Actual, jars.Predict(reading.BaseId, reading.Doses).Colour), jars.IsOutlier(entry.Id), entry.IsLeftOut, entry.Note, entry.Version);
    }
}
