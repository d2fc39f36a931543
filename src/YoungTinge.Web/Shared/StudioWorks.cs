using System.Collections.Concurrent;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Ombre;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>Reads the work of a studio, once for each state that it is in, and of that only what has changed.</summary>
internal sealed class StudioWorks(
    CurrentStudio current, KeptWorks kept, CabinetStore cabinet, CommissionStore commissions, PieceStore pieces, PastePlanStore plans, BatchStore batches,
    LeftoverStore leftovers, DoneStore ticks, BenchStore bench)
{
    private const int MostBatches = 500;

    /// <exception cref="NoStudioException">Nobody has come in.</exception>
    public async Task<StudioWork> LoadAsync(CancellationToken cancel)
    {
        // Before anything is read: what is read may be newer than the state it is kept under, never older.
        var (studio, tables) = await current.Database.States.FindAsync(cancel) ?? throw new NoStudioException();
        var state = string.Join('-', tables.Values);
        var known = kept.Last.GetValueOrDefault(studio.Id);
        if (known?.State == state && !known.Found.IsFaulted)
            return (await known.Found.WaitAsync(cancel)).Work;
        // Whoever asks first may hang up; the others wait for the same.
        var found = ReadAsync(studio, tables, known);
        kept.Last[studio.Id] = new ReadWork(state, tables, found);
        return (await found.WaitAsync(cancel)).Work;
    }

    private async Task<(StudioRows Rows, StudioWork Work)> ReadAsync(Studio studio, IReadOnlyDictionary<string, string> tables, ReadWork? known)
    {
        // A state that is still being read, or could not be, is nothing to go on from.
        var (rows, work) = known?.Found.IsCompletedSuccessfully == true ? await known.Found : (null, null);
        bool IsSame(params string[] names) => rows is not null && names.All(name => known!.Tables[name] == tables[name]);
        var none = CancellationToken.None;

        var isSameCabinet = IsSame("material", "dose_unit", "studio", "log_entry");
        var materials = isSameCabinet && IsSame("stock") ? rows!.Materials : await cabinet.LoadAsync(studio.Id, none);
        var isSameWork = IsSame("commission", "flower", "piece");
        var (all, flowers) = isSameWork ? (rows!.Commissions, rows.Flowers) : await commissions.ListAsync(studio.Id, none);
        // A flower may go between the two readings.
        var ids = flowers.Select(flower => flower.Id).ToHashSet();
        var own = isSameWork ? rows!.Pieces : [.. (await pieces.ListAsync(studio.Id, null, none)).Where(piece => ids.Contains(piece.FlowerId))];
        var isSamePlans = isSameWork && IsSame("paste_plan");
        var ombres = isSamePlans ? rows!.Ombres : (await plans.ListAsync<OmbrePlan>(studio.Id, null, none)).ToDictionary(kept => kept.FlowerId, kept => kept.Plan);
        var marbles = isSamePlans ? rows!.Marbles : (await plans.ListAsync<MarblePlan>(studio.Id, null, none)).ToDictionary(kept => kept.FlowerId, kept => kept.Plan);
        // The name of a commission stands with its batches.
        var isSameBatches = IsSame("batch", "paste_day_leftover", "commission");
        var ownBatches = isSameBatches ? rows!.Batches : await batches.ListAsync(studio.Id, MostBatches, none);
        var chosen = isSameBatches ? rows!.Leftovers : [.. (await leftovers.ListAsync(studio.Id, none)).Where(leftover => ownBatches.Any(batch => batch.Id == leftover.BatchId))];
        var done = IsSame("operation_done") ? rows!.Ticks : (await ticks.ListAsync(studio.Id, none)).ToDictionary(tick => tick.OperationId);
        var drying = IsSame("drying_reading") ? rows!.Drying : DryingFactor.From((await bench.ReadingsAsync(studio.Id, none)).Select(reading => new DryingTouch(reading.IsDry, reading.Minutes ?? 0, reading.HouseMinutes)));
        // Ticks from before the house figure was kept beside them teach nothing.
        var pace = ReferenceEquals(done, rows?.Ticks) ? rows.Pace : HandPace.From(done.Values.Where(tick => tick.HouseMinutes is not null).Select(tick => new HandTick(tick.By, tick.At, tick.HouseMinutes!.Value)));
        var now = new StudioRows(studio, materials, all, flowers, own, ombres, marbles, ownBatches, chosen, done, drying, pace);
        return (now, isSameCabinet ? new StudioWork(now, work) : new StudioWork(now));
    }
}

/// <summary>The last state that was read, of each studio.</summary>
internal sealed class KeptWorks
{
    public ConcurrentDictionary<Guid, ReadWork> Last { get; } = new();
}

internal sealed record ReadWork(string State, IReadOnlyDictionary<string, string> Tables, Task<(StudioRows Rows, StudioWork Work)> Found);
