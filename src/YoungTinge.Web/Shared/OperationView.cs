using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Work;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>So many pieces or flowers that something is done to.</summary>
/// <param name="PieceId">Null for whole flowers.</param>
/// <param name="PasteG">Of a paste, what goes to it; null for all else.</param>
/// <param name="Shade">Of a run, the one that goes to it, from 1; null for all else.</param>
public sealed record LotView(Guid FlowerId, string FlowerName, Guid? PieceId, string? PieceName, int Count, double? PasteG, int? Shade)
{
    internal static IReadOnlyList<LotView> Of(Operation operation, StudioWork work) =>
        [.. operation.Lots.Select(lot => new LotView(lot.FlowerId, work.FlowerName(lot.FlowerId) ?? "", lot.PieceId, lot.PieceId is { } piece ? work.Find(piece)?.Piece.Name : null, lot.Count,
            operation.Block?.Uses.FirstOrDefault(use => use.PieceId == lot.PieceId)?.Grams,
            operation.Block is { Kind: BlockKind.Ombre } && lot.PieceId is { } shaded && work.Find(shaded)?.Source is ShadePaste shade ? shade.Shade + 1 : null))];
}

/// <summary>How one paste is mixed.</summary>
/// <param name="WeighG">White that is weighed by itself.</param>
/// <param name="RestHours">Until its colour has come out.</param>
public sealed record PasteView(string BaseId, double WeighG, BatchView Batch, double RestHours);

/// <summary>One thing to do, as every sheet shows it.</summary>
/// <param name="Minutes">At the bench, getting ready counted in.</param>
/// <param name="WaitMinutes">Before what follows.</param>
/// <param name="Colour">Of the pot that it mixes or takes from; null for the rest.</param>
/// <param name="Fingerprint">To send with a tick.</param>
/// <param name="TickedAt">Null while it is to do.</param>
/// <param name="TickedBy">Empty if that is not known.</param>
/// <param name="ChangedSince">It was ticked, but it has changed since.</param>
/// <param name="IsOnStanding">On the flowers as they stand, not on loose pieces.</param>
/// <param name="FlowersAtOnce">So many standing flowers get it in one go; null for what is done piece by piece.</param>
/// <param name="BeginWithinMinutes">Once what it waits for is ready, before that has gone too far; null where there is time.</param>
/// <param name="Takes">Out of the cabinet, each material once, in its own measure; empty for a paste, which is a batch when it is ticked.</param>
/// <param name="Went">What really went in, where the maker said so; null for as planned.</param>
/// <param name="Paste">How one paste is mixed; null for the rest, and for runs, marbles and leftovers, which are told on paste day.</param>
public sealed record OperationView(
    string Id, WorkPhase Phase, RunStep Step, IReadOnlyList<LotView> Lots, double Minutes, double WaitMinutes, ColourView? Colour, string Fingerprint,
    DateTimeOffset? TickedAt, string TickedBy, bool ChangedSince, bool IsOnStanding, int? FlowersAtOnce, double? BeginWithinMinutes, IReadOnlyList<MaterialTake> Takes, IReadOnlyList<MaterialTake>? Went, PasteView? Paste)
{
    internal static OperationView From(Operation operation, StudioWork work)
    {
        var (print, tick) = (PrintOf(operation), work.Ticks.GetValueOrDefault(operation.Id));
        return new OperationView(
            operation.Id, operation.Phase, operation.Step, LotView.Of(operation, work),
            operation.SetUpMinutes + operation.HandMinutes, operation.WaitMinutes,
            (operation.Step as MixPot)?.Pot.Colour is { } colour ? ColourView.From(colour) : operation.Coat is { } coat ? ColourView.OfPot(coat) : operation.Block is { } block ? ColourView.From(block.Colour) : null,
            print, tick?.At, tick?.By ?? "", HasChanged(tick, print), operation.IsOnStanding, operation.FlowersAtOnce,
            operation.Windows.Count > 0 ? operation.Windows.Min(window => window.MostMinutes - (work.GraphOf(operation.CommissionId).Find(window.AfterId)?.WaitMinutes ?? 0)) : null,
            operation.Block is null ? [.. operation.AllTakes().GroupBy(take => take.MaterialId).Select(take => new MaterialTake(take.Key, take.Sum(one => one.Amount)))] : [], tick?.Went,
            operation.Block is { Kind: BlockKind.Paste, Leftover: null, Mixed: [var part] } ? new PasteView(part.Recipe.BaseId, part.WeighG, BatchView.From(part.Batch), operation.Block.RestHours) : null);
    }

    /// <summary>Whether something is another now than when it was ticked, as far as that is known.</summary>
    internal static bool HasChanged(Done? tick, string print) => tick?.Fingerprint is { } was && was != print;

    /// <summary>What an operation is like. What a leftover is called, and where it lies, is no part of it.</summary>
    internal static string PrintOf(Operation operation) => operation.Block is { } block
        ? Shared.Fingerprint.Of(new
        {
            block.Kind,
            block.TotalG,
            block.Uses,
            block.Marble,
            block.ThicknessMm,
            block.Way?.School,
            Mixed = block.Mixed.Select(part => new { part.Recipe, part.FreshG, Colours = part.Batch.Colours.Select(colour => new { colour.ColourantId, colour.MeasuredG, colour.LetDown, colour.CountedBesides }) }),
            Leftover = block.Leftover is { } used ? new { used.BatchId, used.KeepG, used.FreshG } : null,
        })
        // What is learned of drying changes nothing that was done.
        : Shared.Fingerprint.Of(operation is { Step: DryPieces dry, HouseWaitMinutes: { } minutes } ? dry with { Hours = minutes / 60 } : operation.Step);
}
