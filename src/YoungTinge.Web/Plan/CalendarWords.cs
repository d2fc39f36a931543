using System.Text.Json;

namespace YoungTinge.Web.Plan;

/// <summary>
/// What a calendar says. A calendar program asks without a page, so the server says it; the words stand with all others in the files of the languages, of which each is
/// built in, so that a new language is one file here too.
/// </summary>
/// <param name="Plan">{0} is the studio.</param>
/// <param name="Ready">{0} is the commission.</param>
/// <param name="Due">{0} is the commission.</param>
internal sealed record CalendarWords(string Plan, string Ready, string Due, string Paste, string Shape, string Steam, string Glaze, string Paint, string Dust, string BoxUp, string PutTogether)
{
    /// <summary>Of the files.</summary>
    public const string Section = "inCalendar";

    private const string First = "en";

    private static readonly Lazy<IReadOnlyDictionary<string, CalendarWords>> All = new(() => typeof(CalendarWords).Assembly.GetManifestResourceNames()
        .Where(name => name.StartsWith("words/", StringComparison.Ordinal)).ToDictionary(name => name["words/".Length..^".json".Length], Read, StringComparer.OrdinalIgnoreCase));

    /// <param name="language">A BCP 47 tag; the first language where there are no words in it.</param>
    public static CalendarWords In(string language) => All.Value.GetValueOrDefault(language.Split('-')[0]) ?? All.Value[First];

    private static CalendarWords Read(string name)
    {
        using var file = JsonDocument.Parse(typeof(CalendarWords).Assembly.GetManifestResourceStream(name)!);
        return file.RootElement.GetProperty(Section).Deserialize<CalendarWords>(JsonSerializerOptions.Web)!;
    }
}
