using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Work;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>What follows from a tick: what it takes, and the batches that a paste becomes.</summary>
internal static class Ticking
{
    /// <summary>What has changed since the maker read it is ticked, but a paste is no batch then: what it was is not known here any more.</summary>
    public static DoneOperation Of(Operation operation, string fingerprint, IReadOnlyList<MaterialTake>? went, StudioWork work, DateTimeOffset now)
    {
        var isAsRead = OperationView.PrintOf(operation) == fingerprint;
        if (operation.Block is { } block)
        {
            return !isAsRead ? new DoneOperation(operation.Id, fingerprint, []) : new DoneOperation(operation.Id, fingerprint, operation.Takes)
            {
                HouseMinutes = operation.HouseMinutes,
                Makes = BatchesOf(block, work, now),
                PieceIds = [.. block.Uses.Select(use => use.PieceId)],
                LeftoverG = block.Leftover?.KeepG ?? 0,
            };
        }

        return new DoneOperation(operation.Id, fingerprint, [.. operation.AllTakes()])
        {
            HouseMinutes = isAsRead ? operation.HouseMinutes : null,
            Went = went,
            FromBatch = operation.Step is TakeBatch batch ? (batch.BatchId, batch.Grams) : null,
        };
    }

    private static Batch[] BatchesOf(PasteBlock block, StudioWork work, DateTimeOffset now)
    {
        var made = block.Batches();
        var pieces = block.Uses.Select(use => work.Find(use.PieceId)!.Piece.Name.ToLowerInvariant());
        var name = work.FlowerName(block.FlowerIds[0]) + (block.Kind == BlockKind.Paste ? $", {string.Join(", ", pieces)}" : "");
        return [.. made.Select((batch, place) => new Batch(
            Guid.CreateVersion7(now), block.CommissionId, Short(made.Count > 1 ? $"{name} {place + 1}/{made.Count}" : name), batch.Recipe, batch.PasteG,
            PasteOptics.ColourOf(block.Kind == BlockKind.Paste ? block.Mixed[0].Recipe : batch.Recipe, work.Materials), null, "", 0)
        {
            Made = new Making(now, batch.Recipe, batch.PasteG, batch.PasteG, ""),
            Block = new BlockPlace(block.Key, place),
        })];
    }

    private static string Short(string name) => name.Length <= StudioRules.LongestName ? name : name[..StudioRules.LongestName];
}
