using YoungTinge.Core.Colour;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <param name="FlowerId">Null if the piece is gone, or in the bin.</param>
/// <param name="Difference">The actual colour against the predicted one.</param>
public sealed record LogEntryView(
    Guid Id, Guid? PieceId, string PieceName, Guid? FlowerId, string FlowerName, string CommissionName, LogSubject Subject,
    ColourView Predicted, ColourView Actual, Difference Difference, string Note, DateTimeOffset LoggedAt)
{
    public static LogEntryView From(NamedLogEntry named)
    {
        var entry = named.Entry;
        return new LogEntryView(
            entry.Id, entry.PieceId, named.PieceName, named.FlowerId, named.FlowerName, named.CommissionName, entry.Subject,
            ColourView.From(entry.Predicted), ColourView.From(entry.Actual), Difference.Of(entry.Actual, entry.Predicted), entry.Note, entry.LoggedAt);
    }
}
