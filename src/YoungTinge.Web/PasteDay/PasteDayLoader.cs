using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.PasteDay;

/// <summary>The flowers to plan for, and their pastes.</summary>
/// <param name="Pieces">By flower, of all.</param>
/// <param name="Chosen">Those of the commissions that were asked for; of those in hand if none was.</param>
/// <param name="All">Those of every commission.</param>
/// <param name="Leftovers">Chosen for a paste.</param>
/// <param name="Done">What has been ticked, as it stands now.</param>
internal sealed record Day(
    Studio Studio, Materials Materials, IReadOnlyList<Commission> Commissions, IReadOnlyList<Flower> Flowers, ILookup<Guid, PlannedPiece> Pieces,
    IReadOnlyList<FlowerPaste> Chosen, IReadOnlyList<FlowerPaste> All, IReadOnlyList<Batch> Batches, IReadOnlyList<ChosenLeftover> Leftovers, WorkDone Done)
{
    /// <summary>More are not tried for one paste.</summary>
    private const int MostTried = 40;

    private IReadOnlyList<Leftover>? offered;

    /// <summary>Of every commission: a tin of leftovers is promised once, whichever of them are looked at.</summary>
    public IReadOnlyList<PasteBlock> AllBlocks { get; } = PasteDaySheet.Of(
        All, Materials,
        Leftovers.Select(chosen => (chosen.BlockKey, Left: LeftoverOf(Batches.First(batch => batch.Id == chosen.BatchId), chosen.UsedG, Materials)))
            .Where(chosen => chosen.Left is not null).ToDictionary(chosen => chosen.BlockKey, chosen => chosen.Left!),
        Studio.Measuring.LeftoverDeltaE);

    public IReadOnlyList<PasteBlock> Blocks => [.. AllBlocks.Where(block => Chosen.Any(flower => flower.CommissionId == block.CommissionId))];

    public IReadOnlyList<ShoppingLine> Shopping => Core.Work.Shopping.For(Chosen, Blocks, Materials, Done);

    public string NameOf(Guid flowerId) => Flowers.First(flower => flower.Id == flowerId).Name;

    /// <summary>What may go into a paste that is still to be made.</summary>
    public IEnumerable<LeftoverUse> OffersFor(PasteBlock block)
    {
        if (block.Kind != BlockKind.Paste || Leftovers.Any(chosen => chosen.BlockKey == block.Key))
            return [];
        offered ??= [.. Batches.Where(IsOffered).Take(MostTried).Select(batch => LeftoverOf(batch, null, Materials)).OfType<Leftover>()];
        return LeftoverUse.Offers(
            offered.Where(left => BatchOf(left.BatchId).Block?.Key != block.Key), block.Mixed[0].Recipe, block.TotalG, Studio.Measuring.LeftoverDeltaE, Materials);
    }

    public Batch BatchOf(Guid id) => Batches.First(batch => batch.Id == id);

    private bool IsOffered(Batch batch) =>
        batch.Made is { } made && made.IsLeftover(hasPieces: batch.Block is not null) && !Leftovers.Any(chosen => chosen.BatchId == batch.Id && chosen.UsedG is null);

    /// <param name="usedG">That was taken already; null for what is there now.</param>
    private static Leftover? LeftoverOf(Batch batch, double? usedG, Materials materials) => batch.Made is { } made && materials.HasAllOf(made.Recipe)
        ? Leftover.Of(batch.Id, new MadeBatch(made.Recipe, usedG ?? made.LeftG, batch.Measured), materials) with { IsTaken = usedG is not null }
        : null;
}

internal sealed class PasteDayLoader(
    StudioWorks works, PasteDayStore days, RunSheetStore runSheets)
{
    /// <param name="commissionIds">Those to plan; all if none is named.</param>
    public async Task<Day> LoadAsync(Guid[] commissionIds, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var (current, pastes) = (work.Studio, work.Pastes);
        var open = work.Commissions.Where(commission => commission.IsOpen).Select(commission => commission.Id).ToHashSet();
        FlowerPaste[] chosen = [.. pastes.Where(flower => commissionIds.Length == 0 ? open.Contains(flower.CommissionId) : commissionIds.Contains(flower.CommissionId))];
        var steps = await runSheets.ListAllAsync([.. chosen.SelectMany(flower => flower.Works).Select(work => work.PieceId)], cancel);
        var done = new WorkDone(
            (await days.ListAsync(current.Id, cancel)).Select(tick => tick.StepKey).ToHashSet(),
            steps.SelectMany(group => group.Select(tick => (group.Key, tick.StepKey))).ToHashSet());
        var leftovers = await days.LeftoversAsync(current.Id, cancel);
        return new Day(
            current, work.Materials, work.Commissions, work.Flowers, work.PiecesOf, chosen, pastes, work.Batches,
            [.. leftovers.Where(leftover => work.Batches.Any(batch => batch.Id == leftover.BatchId))], done);
    }
}
