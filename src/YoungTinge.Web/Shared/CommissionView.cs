using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <param name="DueInDays">From today in the studio; below 0 when it is past.</param>
/// <param name="ReadyOn">Everything is to be ready by then.</param>
/// <param name="IsOpen">There is something to do for it, now or soon.</param>
/// <param name="Version">To send with a change (If-Match).</param>
public sealed record CommissionView(
    Guid Id, string Name, DateOnly DueOn, int DueInDays, DateOnly ReadyOn, string Place, int? RoomHumidityPercent, double? RoomCelsius, LightKind Light, int MarginDays,
    string ClientNote, string OwnNote, IReadOnlyList<Diet> Diets, CommissionStatus Status, bool IsOpen, int Version)
{
    public static CommissionView From(Commission commission, Studio studio, DateTimeOffset now)
    {
        var details = commission.Details;
        return new CommissionView(
            commission.Id, details.Name, details.DueOn, details.DueOn.DayNumber - DayIn(studio, now).DayNumber, commission.ReadyOn, details.Place,
            details.RoomHumidityPercent, details.RoomCelsius, details.Light, details.MarginDays, details.ClientNote, details.OwnNote, details.Diets, details.Status,
            commission.IsOpen, commission.Version);
    }

    /// <summary>The day that a moment is on where the studio is.</summary>
    public static DateOnly DayIn(Studio studio, DateTimeOffset at) =>
        DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(at, TimeZoneInfo.FindSystemTimeZoneById(studio.TimeZone)).DateTime);
}
