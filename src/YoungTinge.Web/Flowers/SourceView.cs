using YoungTinge.Core.Coats.Model;

namespace YoungTinge.Web.Flowers;

public enum SourceKind
{
    /// <summary>The recipe in its plan.</summary>
    Own,

    /// <summary>A shade of a run.</summary>
    Shade,
    Marble,

    /// <summary>A batch that was made.</summary>
    Batch,
}

/// <summary>What a piece is shaped from.</summary>
/// <param name="FlowerId">That the run or the marble was planned for; null for the rest.</param>
/// <param name="FlowerName">Its name; null for the rest.</param>
/// <param name="Shade">Which one of the run, from 1; null for the rest.</param>
/// <param name="Shades">How many the run has; null for the rest.</param>
/// <param name="BatchId">Null unless it is a batch.</param>
/// <param name="BatchName">Null unless it is a batch.</param>
/// <param name="LeftG">Of the batch; null for the rest.</param>
public sealed record SourceView(
    SourceKind Kind, Guid? FlowerId = null, string? FlowerName = null, int? Shade = null, int? Shades = null, Guid? BatchId = null, string? BatchName = null, double? LeftG = null)
{
    internal static SourceView From(PasteSource? source, Func<Guid, string?> nameOf) => source switch
    {
        ShadePaste shade => new(SourceKind.Shade, shade.FlowerId, nameOf(shade.FlowerId), shade.Shade + 1, shade.Shades),
        MarbledPaste marble => new(SourceKind.Marble, marble.FlowerId, nameOf(marble.FlowerId)),
        BatchPaste batch => new(SourceKind.Batch, BatchId: batch.BatchId, BatchName: batch.Name, LeftG: batch.LeftG),
        _ => new(SourceKind.Own),
    };
}
