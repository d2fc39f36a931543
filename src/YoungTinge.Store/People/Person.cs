namespace YoungTinge.Store.People;

/// <summary>What somebody may do in a studio; each may do all that those before may.</summary>
public enum Role
{
    /// <summary>Works at the bench: ticks and readings.</summary>
    Helper,

    /// <summary>Plans too.</summary>
    Maker,

    /// <summary>Everything, with people and backups.</summary>
    Owner,
}

public enum Theme
{
    Light,
    Dark,
}

/// <summary>Somebody who works in a studio.</summary>
/// <param name="Name">As others are shown it.</param>
/// <param name="SignInName">Nobody else has it, in any studio; large and small letters are the same.</param>
/// <param name="Version">Counts the saves.</param>
public sealed record Person(Guid Id, string Name, string SignInName, Role Role, int Version)
{
    /// <summary>How she sees the pages.</summary>
    public Preferences Preferences { get; init; } = new(null, null, null, null);

    public DateTimeOffset MadeAt { get; init; }

    /// <summary>Whether she has chosen a password.</summary>
    public bool HasPassword { get; init; }
}

/// <summary>How somebody sees the pages; null for as the studio or the browser has it.</summary>
/// <param name="Language">A BCP 47 tag.</param>
/// <param name="TimeZone">IANA name.</param>
public sealed record Preferences(string? Language, Measures? Measures, string? TimeZone, Theme? Theme);

public static class PersonRules
{
    public const int LongestName = 80;

    /// <summary>Long ones are hashed like short ones, but not without end.</summary>
    public const int LongestPassword = 200;

    public const int ShortestPassword = 10;

    /// <param name="namePath">The field that her name stands in.</param>
    public static IEnumerable<Fault> OfNames(string name, string signInName, string namePath = "name") =>
        StudioRules.OfName(name, namePath, LongestName).Concat(StudioRules.OfName(signInName, "signInName", LongestName));

    public static IEnumerable<Fault> Of(Preferences preferences)
    {
        if (preferences.Language is { } language && !LanguageTag.IsPossible(language))
            yield return new Fault("language", "unknownWord");
        if (preferences.Measures is { } measures && !Enum.IsDefined(measures))
            yield return new Fault("measures", "unknownWord");
        if (preferences.Theme is { } theme && !Enum.IsDefined(theme))
            yield return new Fault("theme", "unknownWord");
        if (preferences.TimeZone is { } zone && (zone.Length > StudioRules.LongestTimeZone || !TimeZoneInfo.TryFindSystemTimeZoneById(zone, out _)))
            yield return new Fault("timeZone", "unknownTimeZone");
    }
}

/// <summary>BCP 47 tags of languages, as far as their form goes.</summary>
public static class LanguageTag
{
    private const int Longest = 35;

    public static bool IsPossible(string tag) => tag.Length is >= 2 and <= Longest && tag.Split('-').All(part => part.Length is >= 1 and <= 8 && part.All(char.IsAsciiLetterOrDigit));
}
