using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Work;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.PasteDay;

/// <param name="FreshG">Paste without colour, weighed and with let-downs.</param>
/// <param name="WeighG">Of it, what is weighed by itself.</param>
public sealed record PartView(PasteRecipe Recipe, double FreshG, double WeighG, BatchView Batch, ColourView Colour);

/// <summary>A leftover that goes, or may go, into a paste.</summary>
/// <param name="FreshG">Paste without colour to knead in.</param>
/// <param name="AsItIs">It is the colour already; else it is brought there.</param>
/// <param name="Colour">Of the whole.</param>
/// <param name="Difference">From the paste as planned.</param>
public sealed record LeftoverView(Guid BatchId, string Name, string KeptIn, double KeepG, double FreshG, bool AsItIs, ColourView Colour, Difference Difference)
{
    internal static LeftoverView From(LeftoverUse use, Day day)
    {
        var batch = day.BatchOf(use.BatchId);
        return new LeftoverView(use.BatchId, batch.Name, batch.Made?.KeptIn ?? "", use.KeepG, use.FreshG, use.AsItIs, ColourView.From(use.Colour), use.Difference);
    }
}

/// <param name="Family">0 for whites and greys, then by hue.</param>
/// <param name="RemainsG">What no piece needs.</param>
/// <param name="Ombre">Null unless it is a run.</param>
/// <param name="Parts">The paste itself, or the pastes of a marble; empty for a run.</param>
/// <param name="Leftover">That goes into it; null for none.</param>
/// <param name="LeftoverGone">One was chosen, but it does not go into it any more.</param>
/// <param name="Offers">Leftovers that may go into it.</param>
/// <param name="TooDeep">Recipes in it that hold more colour than paste takes.</param>
/// <param name="Fingerprint">To send with a tick.</param>
/// <param name="TickedAt">Null while it is to do.</param>
/// <param name="ChangedSince">It was ticked, but it has changed since.</param>
public sealed record BlockView(
    string Key, BlockKind Kind, Guid CommissionId, IReadOnlyList<Guid> FlowerIds, ColourView Colour, int Family, double TotalG, double RemainsG, double RestHours,
    IReadOnlyList<PasteUse> Uses, IReadOnlyList<PartView> Parts, OmbreWayView? Ombre, MarblePlan? Marble, double ThicknessMm, LeftoverView? Leftover,
    bool LeftoverGone, IReadOnlyList<LeftoverView> Offers, IReadOnlyList<PartView> TooDeep, string Fingerprint, DateTimeOffset? TickedAt, bool ChangedSince)
{
    internal static BlockView From(Operation operation, Day day)
    {
        var (block, materials, print, tick) = (operation.Block!, day.Materials, OperationView.PrintOf(operation), day.Work.Ticks.GetValueOrDefault(operation.Id));
        PartView[] mixed = [.. block.Mixed.Select(part => new PartView(part.Recipe, part.FreshG, part.WeighG, BatchView.From(part.Batch), ColourView.From(part.Colour)))];
        return new BlockView(
            block.Key, block.Kind, block.CommissionId, block.FlowerIds, ColourView.From(block.Colour), PasteDaySheet.FamilyOf(block.Colour), block.TotalG, block.RemainsG,
            block.RestHours, block.Uses, block.Kind == BlockKind.Ombre ? [] : mixed, block.Way is { } way ? OmbreWayView.From(way, materials) : null, block.Marble,
            block.ThicknessMm, block.Leftover is { } leftover ? LeftoverView.From(leftover, day) : null,
            block.Leftover is null && day.Leftovers.Any(chosen => chosen.BlockKey == block.Key), tick is null ? [.. day.OffersFor(block).Select(use => LeftoverView.From(use, day))] : [],
            [.. mixed.Where(part => RecipeEvaluation.IsTooDeep(part.Recipe, materials))], print, tick?.At, OperationView.HasChanged(tick, print));
    }
}
