namespace YoungTinge.Core.Scheduling;

/// <summary>What might bring late work into time.</summary>
public enum Remedy
{
    /// <summary>Somebody more, at the same hours.</summary>
    AnotherPairOfHands,

    /// <summary>Two hours more after the last of each working day.</summary>
    Evenings,

    /// <summary>A day more each week, with the hours of the longest.</summary>
    OneMoreDay,

    /// <summary>Twice as many formers, and room on the rack.</summary>
    MoreRoomToDry,
}

/// <summary>Other hours, or more room, to plan with.</summary>
public static class WhatIf
{
    private const int EveningHours = 2;
    private static readonly TimeOnly LatestEvening = new(23, 0);

    /// <param name="helperId">Of whoever would come.</param>
    /// <returns>Null where there is nothing to add to: no hours, no day that is free, or room enough.</returns>
    public static Workshop? With(Remedy remedy, Workshop workshop, Guid helperId) => remedy == Remedy.MoreRoomToDry
        ? workshop.DryingPieces is { } room ? workshop with { DryingPieces = 2 * room } : null
        : HoursWith(remedy, workshop.Makers, helperId) is { } more ? workshop with { Makers = more } : null;

    private static IReadOnlyList<Maker>? HoursWith(Remedy remedy, IReadOnlyList<Maker> makers, Guid helperId)
    {
        if (makers.FirstOrDefault(maker => maker.Hours.Count > 0) is not { } first)
            return null;
        switch (remedy)
        {
            case Remedy.AnotherPairOfHands:
                return [.. makers, first with { Id = helperId }];
            case Remedy.Evenings:
                return [.. makers.Select(maker => maker with { Hours = [.. maker.Hours, .. maker.Hours.GroupBy(hours => hours.Day).Select(Evening).OfType<WorkingHours>()] })];
            default:
                // Saturday before Sunday, then any other.
                DayOfWeek[] days = [DayOfWeek.Saturday, DayOfWeek.Sunday, .. Enum.GetValues<DayOfWeek>()];
                if (days.Where(day => first.Hours.All(hours => hours.Day != day)).Select(day => (DayOfWeek?)day).FirstOrDefault() is not { } free)
                    return null;
                var longest = first.Hours.GroupBy(hours => hours.Day).MaxBy(day => day.Sum(hours => (hours.To - hours.From).TotalMinutes))!;
                return [first with { Hours = [.. first.Hours, .. longest.Select(hours => hours with { Day = free })] }, .. makers.Where(maker => maker != first)];
        }
    }

    private static WorkingHours? Evening(IGrouping<DayOfWeek, WorkingHours> day)
    {
        var from = day.Max(hours => hours.To);
        var to = from.AddHours(EveningHours) is var late && late > from && late < LatestEvening ? late : LatestEvening;
        return from < to ? new WorkingHours(day.Key, from, to) : null;
    }
}
