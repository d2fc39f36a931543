using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace YoungTinge.Files.Calendars;

/// <summary>Something that stands in a calendar.</summary>
/// <param name="Id">The same for the same thing each time it is written, so that a calendar moves it and does not show it twice.</param>
/// <param name="To">After <paramref name="From"/>.</param>
public sealed record CalendarEntry(string Id, DateTimeOffset From, DateTimeOffset To, string Title, string Words);

/// <summary>Something that is about a whole day.</summary>
public sealed record CalendarDay(string Id, DateOnly Day, string Title);

/// <summary>Writes calendars as iCalendar (RFC 5545), times in UTC.</summary>
public static class CalendarFile
{
    public const string MediaType = "text/calendar";

    /// <param name="writtenAt">When it was made.</param>
    public static string Write(string name, IEnumerable<CalendarEntry> entries, IEnumerable<CalendarDay> days, DateTimeOffset writtenAt)
    {
        var calendar = new Calendar { ProductId = "-//Young Tinge//Plan//EN" };
        calendar.AddProperty("X-WR-CALNAME", name);
        var stamp = At(writtenAt);
        foreach (var entry in entries)
            calendar.Events.Add(new CalendarEvent { Uid = Uid(entry.Id), DtStamp = stamp, Start = At(entry.From), End = At(entry.To), Summary = entry.Title, Description = entry.Words });
        foreach (var day in days)
            calendar.Events.Add(new CalendarEvent { Uid = Uid(day.Id), DtStamp = stamp, Start = new CalDateTime(day.Day), Summary = day.Title, Transparency = TransparencyType.Transparent });
        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }

    private static string Uid(string id) => $"{id}@young-tinge";

    private static CalDateTime At(DateTimeOffset moment) => new(moment.UtcDateTime, CalDateTime.UtcTzId);
}
