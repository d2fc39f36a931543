namespace YoungTinge.Core.Scheduling;

/// <summary>When a maker works on one day of the week, by the clock on her wall.</summary>
/// <param name="To">After <paramref name="From"/>, on the same day.</param>
public sealed record WorkingHours(DayOfWeek Day, TimeOnly From, TimeOnly To);

/// <summary>A pair of hands.</summary>
/// <param name="Hours">Of a usual week.</param>
/// <param name="DaysOff">Not there at all.</param>
public sealed record Maker(Guid Id, string Name, IReadOnlyList<WorkingHours> Hours, IReadOnlyList<DateOnly> DaysOff)
{
    /// <summary>Mornings and afternoons from Monday to Friday. House figures, for her to change.</summary>
    public static Maker Usual(Guid id, string name) => new(
        id, name,
        [.. new[] { DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday, DayOfWeek.Thursday, DayOfWeek.Friday }
            .SelectMany(day => new[] { new WorkingHours(day, new(9, 0), new(12, 30)), new WorkingHours(day, new(13, 30), new(17, 0)) })],
        []);
}

/// <summary>The clock on the wall, turned into minutes that really pass: a night in which clocks change is an hour longer or shorter.</summary>
public sealed class WorkCalendar(DateTimeOffset origin, TimeZoneInfo zone)
{
    /// <summary>The first moment of the plan, on a whole step.</summary>
    public DateTimeOffset Origin { get; } = origin;

    /// <summary>The first step that has not begun yet.</summary>
    public static WorkCalendar From(DateTimeOffset now, TimeZoneInfo zone, int stepMin)
    {
        var step = TimeSpan.FromMinutes(stepMin).Ticks;
        return new WorkCalendar(new DateTimeOffset((now.UtcTicks + step - 1) / step * step, TimeSpan.Zero), zone);
    }

    public DateTimeOffset At(int minutes) => Origin.AddMinutes(minutes);

    /// <summary>Below 0 for what has passed.</summary>
    public int MinutesTo(DateTimeOffset moment) => (int)Math.Floor((moment - Origin).TotalMinutes);

    public DateOnly DayOf(DateTimeOffset moment) => DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(moment, zone).DateTime);

    /// <summary>A time that is skipped when clocks go forward is as much later; of one that comes twice it is the first.</summary>
    public DateTimeOffset Moment(DateOnly day, TimeOnly time)
    {
        var local = day.ToDateTime(time);
        if (zone.IsInvalidTime(local))
            local = local.AddHours(1);
        var offset = zone.IsAmbiguousTime(local) ? zone.GetAmbiguousTimeOffsets(local).Max() : zone.GetUtcOffset(local);
        return new DateTimeOffset(local, offset);
    }

    /// <summary>The end of a day, as midnight that follows it.</summary>
    public int EndOf(DateOnly day) => MinutesTo(Moment(day.AddDays(1), TimeOnly.MinValue));

    /// <summary>When a maker may work, from the origin on.</summary>
    public Hand HandOf(Maker maker, int horizonMin)
    {
        var first = DayOf(Origin).AddDays(-1);
        var spans = Enumerable.Range(0, horizonMin / 1440 + 3).Select(first.AddDays).Where(day => !maker.DaysOff.Contains(day))
            .SelectMany(day => maker.Hours.Where(hours => hours.Day == day.DayOfWeek).Select(hours => (From: MinutesTo(Moment(day, hours.From)), To: MinutesTo(Moment(day, hours.To)))))
            .Select(span => new TimeSpanMin(Math.Max(0, span.From), Math.Min(horizonMin, span.To))).Where(span => span.Minutes > 0).OrderBy(span => span.From).ToList();
        // Hours that overlap or meet are one stretch.
        var joined = new List<TimeSpanMin>();
        foreach (var span in spans)
        {
            if (joined.Count > 0 && span.From <= joined[^1].To)
                joined[^1] = new TimeSpanMin(joined[^1].From, Math.Max(joined[^1].To, span.To));
            else
                joined.Add(span);
        }

        return new Hand(maker.Id.ToString(), joined);
    }
}
