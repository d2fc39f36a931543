using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Bench;

/// <summary>
/// Takes in what was done at the bench, perhaps a while ago on a device without a connection. The device makes the id: what is sent twice counts once.
/// </summary>
public static class TakeNote
{
    public enum ClashKind
    {
        /// <summary>Somebody else had done it before; it counts once.</summary>
        DoneAlready,

        /// <summary>It is in no plan any more; nothing was ticked.</summary>
        Gone,

        /// <summary>It was done as it had been before somebody changed it.</summary>
        Changed,
    }

    /// <param name="By">Who was first; empty if that is not known, or no matter.</param>
    /// <param name="At">When that was; null where it is no matter.</param>
    public sealed record Clash(ClashKind Kind, string OperationId, string By, DateTimeOffset? At);

    /// <param name="Clash">Where somebody else came between; null for as told.</param>
    public sealed record Answer(Clash? Clash);

    /// <summary>Clocks of devices are not set to the second.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromDays(60);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/bench/notes/{id:guid}", Handle).ForHelper().LeavesNoLine().WithName("takeBenchNote").Produces<Answer>().ProducesProblems(422);

    private static async Task<IResult> Handle(Guid id, BenchNote note, StudioWorks works, DoneStore done, BenchStore bench, TimeProvider clock, CancellationToken cancel)
    {
        if (Problems(note).ToList() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var work = await works.LoadAsync(cancel);
        var (studioId, now) = (work.Studio.Id, clock.GetUtcNow());
        var from = new FromNote(id, note.At > now ? now : note.At < now - Longest ? now - Longest : note.At);
        var by = note.By.Trim() is { Length: > 0 } hands ? hands : work.Studio.Maker;
        switch (note)
        {
            case TickNote tick:
                return await TickAsync(tick.OperationId, tick.Fingerprint);
            case TakeBackNote back:
                await done.UntickAsync(studioId, [back.OperationId], cancel, from);
                break;
            case StartTimerNote start:
                await bench.StartAsync(studioId, id, new BenchTimer(start.TimerId, start.OperationId, start.Name.Trim(), start.Seconds, from.At, by), cancel);
                break;
            case StopTimerNote stop:
                await bench.StopAsync(studioId, id, stop.TimerId, cancel);
                break;
            case TouchedNote touched when work.FindOperation(touched.OperationId) is { } operation:
                await bench.ReadAsync(studioId, new DryingReading(id, touched.OperationId, touched.IsDry, touched.Minutes, operation.WaitMinutes, operation.HouseWaitMinutes ?? operation.WaitMinutes, from.At, by), cancel);
                if (touched.IsDry)
                    return await TickAsync(touched.OperationId, touched.Fingerprint);
                break;
            case TouchedNote touched:
                return Told(new Clash(ClashKind.Gone, touched.OperationId, "", null));
        }

        return Told(null);

        async Task<IResult> TickAsync(string operationId, string fingerprint)
        {
            if (work.FindOperation(operationId) is not { } operation)
                return Told(new Clash(ClashKind.Gone, operationId, "", null));
            if (work.Ticks.GetValueOrDefault(operationId) is { } tick && work.DoneOf(operation.CommissionId).Contains(operationId))
                // Its own tick, told again after a lost answer, is no clash.
                return Told(tick.By == by && (tick.At - from.At).Duration() < TimeSpan.FromSeconds(1) ? null : new Clash(ClashKind.DoneAlready, operationId, tick.By, tick.At));
            await done.TickAsync(studioId, [Ticking.Of(operation, fingerprint, null, work, now)], by, work.Materials, cancel, from);
            return Told(OperationView.PrintOf(operation) == fingerprint ? null : new Clash(ClashKind.Changed, operationId, "", null));
        }
    }

    private static IResult Told(Clash? clash) => TypedResults.Ok(new Answer(clash));

    private static IEnumerable<FieldProblem> Problems(BenchNote note)
    {
        if (note.By.Length > StudioRules.LongestName)
            yield return new FieldProblem("by", "lengthOutOfRange", StudioRules.LongestName, null);
        var operationId = note switch { TickNote tick => tick.OperationId, TakeBackNote back => back.OperationId, StartTimerNote start => start.OperationId, TouchedNote touched => touched.OperationId, _ => null };
        if (operationId?.Length is < 1 or > OperationId.Longest)
            yield return new FieldProblem("operationId", "lengthOutOfRange", OperationId.Longest, null);
        if ((note switch { TickNote tick => tick.Fingerprint, TouchedNote touched => touched.Fingerprint, _ => null })?.Length is < 1 or > Fingerprint.Longest)
            yield return new FieldProblem("fingerprint", "lengthOutOfRange", Fingerprint.Longest, null);
        if (note is StartTimerNote { Seconds: < 1 or > BenchTimer.MostSeconds })
            yield return new FieldProblem("seconds", "secondsOutOfRange", BenchTimer.MostSeconds, null);
        if (note is StartTimerNote { Name.Length: > BenchTimer.LongestName })
            yield return new FieldProblem("name", "lengthOutOfRange", BenchTimer.LongestName, null);
        if (note is TouchedNote { Minutes: { } minutes } && !(minutes is >= 0 and <= DryingReading.MostMinutes))
            yield return new FieldProblem("minutes", "minutesOutOfRange", DryingReading.MostMinutes, null);
    }
}
