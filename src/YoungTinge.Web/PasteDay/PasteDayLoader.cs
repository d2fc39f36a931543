using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.PasteDay;

/// <summary>The pastes of some commissions.</summary>
/// <param name="Chosen">Those that were asked for; those in hand if none was.</param>
internal sealed record Day(StudioWork Work, IReadOnlyList<Commission> Chosen)
{
    /// <summary>More are not tried for one paste.</summary>
    private const int MostTried = 40;

    private IReadOnlyList<Leftover>? offered;

    public Studio Studio => Work.Studio;

    public Materials Materials => Work.Materials;

    public IReadOnlyList<ChosenLeftover> Leftovers => Work.Leftovers;

    public IReadOnlyList<PasteBlock> Blocks => PasteDaySheet.InOrder(Chosen.SelectMany(commission => Work.BlocksOf(commission.Id)));

    public IReadOnlyList<Operation> Operations => [.. Chosen.SelectMany(commission => Work.GraphOf(commission.Id).Operations)];

    /// <summary>What is still to be done takes.</summary>
    public IReadOnlyList<ShoppingLine> Shopping => Core.Work.Shopping.For(
        [.. Chosen.SelectMany(commission => Work.GraphOf(commission.Id).Operations.Where(operation => !Work.DoneOf(commission.Id).Contains(operation.Id)))], Materials);

    public string NameOf(Guid flowerId) => Work.FlowerName(flowerId) ?? "";

    /// <summary>What may go into a paste that is still to be made.</summary>
    public IEnumerable<LeftoverUse> OffersFor(PasteBlock block)
    {
        if (block.Kind != BlockKind.Paste || Leftovers.Any(chosen => chosen.BlockKey == block.Key))
            return [];
        offered ??= [.. Work.Batches.Where(IsOffered).Take(MostTried).Select(batch => Work.LeftoverOf(batch, null)).OfType<Leftover>()];
        return LeftoverUse.Offers(
            offered.Where(left => BatchOf(left.BatchId).Block?.Key != block.Key), block.Mixed[0].Recipe, block.TotalG, Studio.Measuring.LeftoverDeltaE, Materials);
    }

    public Batch BatchOf(Guid id) => Work.Batches.First(batch => batch.Id == id);

    private bool IsOffered(Batch batch) =>
        batch.Made is { } made && made.IsLeftover(hasPieces: batch.Block is not null) && !Leftovers.Any(chosen => chosen.BatchId == batch.Id && chosen.UsedG is null);
}

internal sealed class PasteDayLoader(StudioWorks works)
{
    /// <param name="commissionIds">Those to plan; those in hand if none is named.</param>
    public async Task<Day> LoadAsync(Guid[] commissionIds, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        return new Day(work, [.. work.Commissions.Where(commission => commissionIds.Length == 0 ? commission.IsOpen : commissionIds.Contains(commission.Id))]);
    }
}
