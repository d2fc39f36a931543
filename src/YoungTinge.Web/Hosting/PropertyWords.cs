using System.Reflection;
using System.Text.RegularExpressions;

namespace YoungTinge.Web.Hosting;

/// <summary>Words for a property that has no doc comment: from a list by its name, or, where the name says all, the name itself with its unit.</summary>
internal static partial class PropertyWords
{
    private static readonly Lazy<Dictionary<string, string>> Listed = new(ReadList);

    /// <summary>Units as they end a name, longest first.</summary>
    private static readonly (string Ending, string Unit)[] Units =
    [
        ("MgPerCm2", ", in mg/cm2"), ("MlPerCm2", ", in ml/cm2"), ("GPer100g", ", in g per 100 g of paste"), ("GPer10ml", ", in g in 10 ml"), ("GPerMl", ", in g/ml"),
        ("DeltaE", ", CIEDE2000, 0 or more"), ("Celsius", ", in degrees Celsius"), ("Degrees", ", in degrees"), ("Minutes", ", in minutes"), ("Seconds", ", in seconds"), ("Hours", ", in hours"), ("Days", ", in days"),
        ("Share", " as a share, 0 to 1"), ("Mm", ", in mm"), ("Ml", ", in ml"), ("G", ", in g"),
    ];

    /// <summary>Names that stand in the list, for a test that none of them is dead.</summary>
    public static IReadOnlyCollection<string> Names => Listed.Value.Keys;

    public static string Of(string name)
    {
        if (Listed.Value.TryGetValue(name, out var words))
            return words;
        if (name.EndsWith("Id", StringComparison.Ordinal))
            return $"Id of the {Words(name[..^2])}.";
        var (ending, unit) = Units.Append(("", "")).First(one => name.EndsWith(one.Item1, StringComparison.Ordinal));
        var plain = Words(name[..^ending.Length]);
        return $"{char.ToUpperInvariant(plain[0])}{plain[1..]}{unit}.";
    }

    /// <summary>Words with the unit that the name ends with, if they do not tell it themselves.</summary>
    public static string WithUnit(string name, string words)
    {
        var unit = Units.Append(("", "")).First(one => name.EndsWith(one.Item1, StringComparison.Ordinal)).Item2;
        if (!unit.StartsWith(", in ", StringComparison.Ordinal) || words.Contains(unit[5..].Split(' ', '/')[0], StringComparison.Ordinal))
            return words;
        return $"{words.TrimEnd('.')}. In {unit[5..]}.";
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
