using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
using YoungTinge.Files.Tables;
using YoungTinge.Store;

namespace YoungTinge.Web.Files;

/// <summary>Between an entry of the logbook and a line of its file.</summary>
internal static class LogRows
{
    public static LogRow From(NamedLogEntry named, Materials cabinet)
    {
        var entry = named.Entry;
        return new LogRow(
            entry.Id, entry.PieceId ?? Guid.Empty, named.CommissionName, named.FlowerName, named.PieceName,
            entry.Subject == LogSubject.Paste ? null : Enum.Parse<Zone>(entry.Subject.ToString()), entry.Predicted, entry.Actual, entry.Note, entry.LoggedAt)
        {
            By = entry.By,
            Light = entry.Light,
            RestedHours = entry.RestedHours,
            // What is gone from the cabinet can be of no use where it is brought in.
            Mix = entry is { Subject: LogSubject.Paste, Mix: { } mix } && cabinet.HasAllOf(mix.Recipe) ? new LogMix(mix.BaseId, [.. mix.Doses.Select(dose => new LogMixDose(dose.ColourantId, dose.GPer100g) { Lot = dose.Lot })]) : null,
        };
    }

    /// <param name="cabinet">That it was read with.</param>
    public static LogEntry ToEntry(LogRow row, Materials cabinet) => new(
        row.Id, row.PieceId == Guid.Empty ? null : row.PieceId, row.Zone is { } zone ? Enum.Parse<LogSubject>(zone.ToString()) : LogSubject.Paste, row.Predicted, row.Actual, row.Note.Trim(), row.LoggedAt)
    {
        By = row.By,
        Light = row.Light,
        RestedHours = row.RestedHours,
        Mix = row.Mix is { } mix ? new LoggedMix(mix.PasteId, [.. mix.Doses.Select(dose => new LoggedDose(dose.ColourId, dose.Lot ?? cabinet.Get<Colourant>(dose.ColourId).Supply.Lot, dose.GPer100g))]) : null,
    };
}
