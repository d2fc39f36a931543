using System.Reflection;
using System.Text.RegularExpressions;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// Words for each property of the API: its doc comment; else what the list says of it, of this schema or by its name; else its name itself.
/// The unit that a name ends with is always among them.
/// </summary>
internal static partial class PropertyWords
{
    private static readonly Lazy<Dictionary<string, string>> Listed = new(ReadList);

    /// <summary>Units as they end a name, longest first.</summary>
    private static readonly (string Ending, string Unit)[] Units =
    [
        ("MgPerCm2", "mg/cm2"), ("MlPerCm2", "ml/cm2"), ("GPer100g", "g per 100 g of paste"), ("GPer10ml", "g in 10 ml"), ("GPerMl", "g/ml"), ("DeltaE", "CIEDE2000"),
        ("Celsius", "degrees Celsius"), ("Degrees", "degrees"), ("Minutes", "minutes"), ("Seconds", "seconds"), ("Hours", "hours"), ("Days", "days"), ("Mm", "mm"), ("Ml", "ml"), ("G", "g"),
    ];

    /// <summary>What stands in the list, as it is looked up: <c>name</c> or <c>Schema.name</c>.</summary>
    public static IReadOnlyCollection<string> Keys => Listed.Value.Keys;

    /// <param name="comment">Of the code; null if there is none.</param>
    public static string For(string schema, string name, string? comment)
    {
        var (ending, unit) = Units.FirstOrDefault(one => name.EndsWith(one.Ending, StringComparison.Ordinal));
        var words = comment ?? Listed.Value.GetValueOrDefault($"{schema}.{name}") ?? Listed.Value.GetValueOrDefault(name) ?? NameOf(name, ending ?? "");
        return unit is null || words.Contains(unit.Split(' ', '/')[0], StringComparison.Ordinal) ? words : $"{words} In {unit}.";
    }

    private static string NameOf(string name, string ending)
    {
        if (name.EndsWith("Id", StringComparison.Ordinal))
            return $"Id of the {Words(name[..^2])}.";
        var words = Words(name[..^ending.Length]);
        return $"{char.ToUpperInvariant(words[0])}{words[1..]}.";
    }

    private static string Words(string camel) => Capitals().Replace(camel, " $0").ToLowerInvariant();

    private static Dictionary<string, string> ReadList()
    {
        using var stream = Assembly.GetExecutingAssembly().GetManifestResourceStream("property-words.txt") ?? throw new InvalidDataException("The list of words is not part of the build.");
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries).Where(line => line[0] != '#')
            .Select(line => line.Split(": ", 2)).ToDictionary(line => line[0], line => line[1].Trim());
    }

    [GeneratedRegex("(?<=[a-z0-9])[A-Z]")]
    private static partial Regex Capitals();
}
