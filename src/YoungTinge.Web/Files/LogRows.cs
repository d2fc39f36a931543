using YoungTinge.Core.Flowers;
using YoungTinge.Files.Tables;
using YoungTinge.Store;

namespace YoungTinge.Web.Files;

/// <summary>Between an entry of the logbook and a line of its file.</summary>
internal static class LogRows
{
    public static LogRow From(NamedLogEntry named)
    {
        var entry = named.Entry;
        return new LogRow(
            entry.Id, entry.PieceId ?? Guid.Empty, named.CommissionName, named.FlowerName, named.PieceName,
            entry.Subject == LogSubject.Paste ? null : Enum.Parse<Zone>(entry.Subject.ToString()), entry.Predicted, entry.Actual, entry.Note, entry.LoggedAt);
    }

    public static LogEntry ToEntry(LogRow row) => new(
        row.Id, row.PieceId == Guid.Empty ? null : row.PieceId, row.Zone is { } zone ? Enum.Parse<LogSubject>(zone.ToString()) : LogSubject.Paste, row.Predicted, row.Actual, row.Note.Trim(), row.LoggedAt);
}
