using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <param name="FlowerId">Null if the piece is gone, or in the bin.</param>
/// <param name="PieceName">Empty for a paste of no piece.</param>
/// <param name="Difference">The actual colour against the predicted one.</param>
/// <param name="PredictedRange">CIEDE2000 that nine of ten were to come out within; null where nobody knew.</param>
/// <param name="Mix">What was kneaded then; null where that is not known.</param>
/// <param name="WentIn">The same as it was measured, to be mended; null where that is not known, and for a zone.</param>
/// <param name="Light">That it was looked at in.</param>
/// <param name="RestedHours">Of a paste that was read before its colour had come out, since it was kneaded; null for all others.</param>
/// <param name="Learned">What was known when it was predicted; null where that is not known.</param>
/// <param name="LoggedBy">Empty if that is not known.</param>
/// <param name="IsLeftOut">Nothing is learned of it.</param>
/// <param name="HasTaught">Something is learned of it.</param>
/// <param name="IsOutlier">It stands apart, and is hardly believed.</param>
/// <param name="IsRepeat">It says again what another entry has said, and teaches nothing more.</param>
/// <param name="IsPieceKnown">It can be made again.</param>
/// <param name="Version">To send with a change of it.</param>
public sealed record LogEntryView(
    Guid Id, Guid? PieceId, string PieceName, Guid? FlowerId, string FlowerName, string CommissionName, LogSubject Subject,
    ColourView Predicted, ColourView Actual, Difference Difference, double? PredictedRange, LoggedMix? Mix, MeasuredPaste? WentIn, ReadBy By, LightKind Light, double? RestedHours, LoggedLearning? Learned, string LoggedBy, bool IsLeftOut, bool HasTaught, bool IsOutlier, bool IsRepeat, bool IsPieceKnown, string Note, DateTimeOffset LoggedAt, int Version)
{
    public static LogEntryView From(NamedLogEntry named, Taught taught)
    {
        var entry = named.Entry;
        return new LogEntryView(
            entry.Id, entry.PieceId, named.PieceName, named.FlowerId, named.FlowerName, named.CommissionName, entry.Subject,
            ColourView.From(entry.Predicted), ColourView.From(entry.Actual), Difference.Of(entry.Actual, entry.Predicted),
            entry.PredictedRange, entry.Mix, entry.Subject == LogSubject.Paste ? entry.Mix?.Measured : null, entry.By, entry.Light, entry.RestedHours, entry.Learned, entry.LoggedBy, entry.IsLeftOut,
            taught.Jars.Trust.ContainsKey(entry.Id) || taught.Finish.Trust.ContainsKey(entry.Id), taught.Jars.IsOutlier(entry.Id) || taught.Finish.IsOutlier(entry.Id), taught.Repeats.Contains(entry.Id), entry is { Piece: not null, Plan: not null }, entry.Note, entry.LoggedAt, entry.Version);
    }
}
