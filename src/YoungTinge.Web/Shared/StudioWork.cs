using System.Collections.Concurrent;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>All that the work of a studio is computed from, as it stood at one moment: every view reads the same.</summary>
/// <param name="Pieces">In order along each stem, as they are carried out: on the paste that they are shaped from.</param>
/// <param name="Pastes">Every flower with how its pastes are got.</param>
/// <param name="Leftovers">Chosen for a paste.</param>
/// <param name="Ticks">What has been done, by operation.</param>
internal sealed record StudioWork(
    Studio Studio, Materials Materials, IReadOnlyList<Commission> Commissions, IReadOnlyList<Flower> Flowers, IReadOnlyList<PlannedPiece> Pieces,
    IReadOnlyList<FlowerPaste> Pastes, IReadOnlyList<Batch> Batches, IReadOnlyList<ChosenLeftover> Leftovers, IReadOnlyDictionary<string, Done> Ticks)
{
    private readonly ConcurrentDictionary<Guid, WorkGraph> graphs = new();
    private readonly ConcurrentDictionary<Guid, IReadOnlySet<string>> done = new();
    private IReadOnlyList<PasteBlock>? blocks;
    private readonly Dictionary<Guid, PlannedPiece> byId = Pieces.ToDictionary(piece => piece.Id);
    private readonly Dictionary<Guid, Flower> flowers = Flowers.ToDictionary(flower => flower.Id);
    private readonly Dictionary<Guid, Commission> commissions = Commissions.ToDictionary(commission => commission.Id);

    public ILookup<Guid, PlannedPiece> PiecesOf { get; } = Pieces.ToLookup(piece => piece.FlowerId);

    /// <summary>Null if there is no such piece.</summary>
    public PlannedPiece? Find(Guid pieceId) => byId.GetValueOrDefault(pieceId);

    /// <summary>Null if there is no such flower.</summary>
    public (Commission Commission, Flower Flower)? FindFlower(Guid flowerId) =>
        flowers.GetValueOrDefault(flowerId) is { } flower ? (commissions[flower.CommissionId], flower) : null;

    public string? FlowerName(Guid flowerId) => flowers.GetValueOrDefault(flowerId)?.Name;

    public Commission? FindCommission(Guid commissionId) => commissions.GetValueOrDefault(commissionId);

    /// <summary>Every paste of every commission: a tin of leftovers is promised once, whichever of them are looked at.</summary>
    public IReadOnlyList<PasteBlock> Blocks => blocks ??= PasteDaySheet.Of(
        Pastes, Materials,
        Leftovers.Select(chosen => (chosen.BlockKey, Left: LeftoverOf(Batches.FirstOrDefault(batch => batch.Id == chosen.BatchId), chosen.UsedG)))
            .Where(chosen => chosen.Left is not null).ToDictionary(chosen => chosen.BlockKey, chosen => chosen.Left!),
        Studio.Measuring.LeftoverDeltaE);

    /// <summary>Everything that is done for a commission.</summary>
    public WorkGraph GraphOf(Guid commissionId) => graphs.GetOrAdd(commissionId, id => WorkGraph.Of(
        [.. Pastes.Where(paste => paste.CommissionId == id).Select(paste => new FlowerWork(paste, flowers[paste.FlowerId].Assembly))], Blocks, Materials));

    /// <summary>Ids of what is done of it.</summary>
    public IReadOnlySet<string> DoneOf(Guid commissionId) => done.GetOrAdd(commissionId, id => GraphOf(id).Done(Ticks.Keys.ToHashSet()));

    /// <summary>How far some of it is.</summary>
    public Progress ProgressOf(Guid commissionId, IReadOnlyList<Operation> operations) => new(operations.Count(operation => DoneOf(commissionId).Contains(operation.Id)), operations.Count);

    /// <summary>What a batch gives a paste; null if it was never made, or something in it is gone.</summary>
    /// <param name="usedG">That was taken already; null for what is there now.</param>
    public Leftover? LeftoverOf(Batch? batch, double? usedG) => batch?.Made is { } made && Materials.HasAllOf(made.Recipe)
        ? Leftover.Of(batch.Id, new MadeBatch(made.Recipe, usedG ?? made.LeftG, batch.Measured), Materials) with { IsTaken = usedG is not null }
        : null;

    /// <summary>A piece with a plan that is not kept yet. A paste that is planned elsewhere stays; a batch may be chosen in the plan itself.</summary>
    public PlannedPiece With(PlannedPiece piece, PiecePlan plan)
    {
        if (piece.Source is ShadePaste or MarbledPaste)
            return (piece with { Plan = plan }).From(piece.Source);
        return (piece with { Plan = plan, Source = null }).From(plan.BatchId is { } batch ? BatchOf(Batches.FirstOrDefault(one => one.Id == batch), Materials) : null);
    }

    /// <summary>A batch to shape pieces from; null if it was never made, or something in it is gone.</summary>
    internal static BatchPaste? BatchOf(Batch? batch, Materials materials) => batch?.Made is { } made && materials.HasAllOf(made.Recipe)
        ? new BatchPaste(batch.Id, batch.Name, new MadeBatch(made.Recipe, made.Grams, batch.Measured), made.LeftG, materials)
        : null;
}

/// <summary>How much of something is done.</summary>
/// <param name="Steps">All there is to do.</param>
public sealed record Progress(int Done, int Steps);

/// <summary>Reads the work of a studio, once for each state that it is in.</summary>
internal sealed class StudioWorks(
    StudioStore studios, StateStore states, CabinetStore cabinet, CommissionStore commissions, PieceStore pieces, PastePlanStore plans, BatchStore batches,
    LeftoverStore leftovers, DoneStore ticks)
{
    private const int MostBatches = 500;

    /// <summary>The last state that was read, of each studio.</summary>
    private readonly ConcurrentDictionary<Guid, (string State, Task<StudioWork> Work)> read = new();

    /// <exception cref="NoStudioException">The database has not been set up.</exception>
    public async Task<StudioWork> LoadAsync(CancellationToken cancel)
    {
        var studio = await studios.FindFirstAsync(cancel) ?? throw new NoStudioException();
        // Before anything is read: what is read may be newer than the state it is kept under, never older.
        var state = await states.OfAsync(studio.Id, cancel);
        if (read.TryGetValue(studio.Id, out var known) && known.State == state && !known.Work.IsFaulted)
            return await known.Work.WaitAsync(cancel);
        // Whoever asks first may hang up; the others wait for the same.
        var work = ReadAsync(studio);
        read[studio.Id] = (state, work);
        return await work.WaitAsync(cancel);
    }

    private async Task<StudioWork> ReadAsync(Studio studio)
    {
        var materials = await cabinet.LoadAsync(studio.Id, CancellationToken.None);
        var (all, flowers) = await commissions.ListAsync(studio.Id, CancellationToken.None);
        // A flower may go between the two readings.
        var ids = flowers.Select(flower => flower.Id).ToHashSet();
        var own = (await pieces.ListAsync(studio.Id, null, CancellationToken.None)).Where(piece => ids.Contains(piece.FlowerId)).ToList();
        var ombres = (await plans.ListAsync<OmbrePlan>(studio.Id, null, CancellationToken.None)).ToDictionary(kept => kept.FlowerId, kept => kept.Plan);
        var marbles = (await plans.ListAsync<MarblePlan>(studio.Id, null, CancellationToken.None)).ToDictionary(kept => kept.FlowerId, kept => kept.Plan);
        var kept = await batches.ListAsync(studio.Id, MostBatches, CancellationToken.None);
        var made = kept.Select(batch => StudioWork.BatchOf(batch, materials)).OfType<BatchPaste>().ToDictionary(batch => batch.BatchId);

        IReadOnlyList<FlowerPaste> PastesOf(IReadOnlyList<PlannedPiece> of)
        {
            var piecesOf = of.ToLookup(piece => piece.FlowerId, piece => piece.Work);
            return [.. flowers.Select(flower => new FlowerPaste(
                flower.Id, flower.CommissionId, [.. piecesOf[flower.Id]], ombres.GetValueOrDefault(flower.Id), marbles.GetValueOrDefault(flower.Id)))];
        }

        var sources = PasteSources.Of(PastesOf(own), materials, made);
        PlannedPiece[] carried = [.. own.Select(piece => piece.From(sources.GetValueOrDefault(piece.Id)))];
        var chosen = (await leftovers.ListAsync(studio.Id, CancellationToken.None)).Where(leftover => kept.Any(batch => batch.Id == leftover.BatchId));
        return new StudioWork(
            studio, materials, all, flowers, carried, PastesOf(carried), kept, [.. chosen], (await ticks.ListAsync(studio.Id, CancellationToken.None)).ToDictionary(tick => tick.OperationId));
    }
}
