using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Store;

namespace YoungTinge.Web.Commissions;

/// <param name="DueInDays">From today in the studio; below 0 when it is past.</param>
public sealed record CommissionView(Guid Id, string Name, DateOnly DueOn, int DueInDays, string Place, int? RoomHumidityPercent, LightKind Light, IReadOnlyList<Diet> Diets)
{
    public static CommissionView From(Commission commission, Studio studio, DateTimeOffset now)
    {
        var today = DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(now, TimeZoneInfo.FindSystemTimeZoneById(studio.TimeZone)).DateTime);
        return new CommissionView(
            commission.Id, commission.Name, commission.DueOn, commission.DueOn.DayNumber - today.DayNumber, commission.Place, commission.RoomHumidityPercent,
            commission.Light, commission.Diets);
    }
}
