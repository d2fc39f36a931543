namespace YoungTinge.Core.Scheduling;

/// <summary>Something in the hours of makers that cannot be.</summary>
/// <param name="Path">The field, as in the JSON of the makers.</param>
/// <param name="Limit">The limit that was passed, if it is one.</param>
public sealed record MakerProblem(string Path, MakerProblemCode Code, double? Limit = null);

public enum MakerProblemCode
{
    NobodyWorks,
    TooManyMakers,
    NameMissing,
    NameTooLong,
    SameMakerTwice,
    TooManyHours,
    EndsBeforeItBegins,
    UnknownWord,
    TooManyDaysOff,
    RoomOutOfRange,
}

/// <summary>Who may work when.</summary>
public static class MakerCheck
{
    public const int MaxMakers = 12;
    public const int MaxNameLength = 60;
    public const int MaxHours = 28;
    public const int MaxDaysOff = 400;

    /// <summary>More than anybody has room for.</summary>
    public const int MostDryingPieces = 10_000;

    public static IEnumerable<MakerProblem> Problems(Workshop workshop)
    {
        var makers = workshop.Makers;
        if (workshop.DryingPieces is < 1 or > MostDryingPieces)
            yield return new MakerProblem("dryingPieces", MakerProblemCode.RoomOutOfRange, MostDryingPieces);
        if (makers.Count == 0)
            yield return new MakerProblem("makers", MakerProblemCode.NobodyWorks);
        if (makers.Count > MaxMakers)
            yield return new MakerProblem("makers", MakerProblemCode.TooManyMakers, MaxMakers);
        foreach (var (i, maker) in makers.Index())
        {
            var path = $"makers[{i}]";
            if (string.IsNullOrWhiteSpace(maker.Name))
                yield return new MakerProblem($"{path}.name", MakerProblemCode.NameMissing);
            else if (maker.Name.Length > MaxNameLength)
                yield return new MakerProblem($"{path}.name", MakerProblemCode.NameTooLong, MaxNameLength);
            if (makers.Take(i).Any(other => other.Id == maker.Id))
                yield return new MakerProblem($"{path}.name", MakerProblemCode.SameMakerTwice);
            if (maker.Hours.Count > MaxHours)
                yield return new MakerProblem($"{path}.hours", MakerProblemCode.TooManyHours, MaxHours);
            foreach (var (j, hours) in maker.Hours.Index())
            {
                if (!Enum.IsDefined(hours.Day))
                    yield return new MakerProblem($"{path}.hours[{j}].day", MakerProblemCode.UnknownWord);
                if (hours.To <= hours.From)
                    yield return new MakerProblem($"{path}.hours[{j}].to", MakerProblemCode.EndsBeforeItBegins);
            }

            if (maker.DaysOff.Count > MaxDaysOff)
                yield return new MakerProblem($"{path}.daysOff", MakerProblemCode.TooManyDaysOff, MaxDaysOff);
        }
    }
}
