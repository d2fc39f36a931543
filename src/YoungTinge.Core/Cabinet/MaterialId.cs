using System.Text;
using System.Text.RegularExpressions;

namespace YoungTinge.Core.Cabinet;

/// <summary>What a material is called inside: lower-case words joined by hyphens, stable within a studio.</summary>
public static partial class MaterialId
{
    private const int Longest = 80;

    // Not by the system's tables of letters, which a lean server may lack.
    private const string Accented = "àáâãäåāçćčèéêëēėęìíîïīłñńòóôõöøōùúûüūśšÿýžźż";
    private const string Plain = "aaaaaaaccceeeeeeeiiiiilnnooooooouuuuussyyzzz";

    public static bool IsOne(string text) => text.Length <= Longest && Form().IsMatch(text);

    /// <summary>Made from a name; a number is added if it is taken.</summary>
    public static string From(string name, Func<string, bool> isTaken)
    {
        // Letters lose their accents; what is no letter or digit parts words.
        var plain = new StringBuilder();
        foreach (var letter in name.ToLowerInvariant())
        {
            var accented = Accented.IndexOf(letter);
            plain.Append(accented >= 0 ? Plain[accented] : char.IsAsciiLetterOrDigit(letter) ? letter : '-');
        }

        var words = plain.ToString().Split('-', StringSplitOptions.RemoveEmptyEntries);
        var id = string.Join('-', words) is { Length: > 0 } joined ? joined : "material";
        id = id[..Math.Min(id.Length, Longest - 5)].TrimEnd('-');
        var free = id;
        for (var number = 2; isTaken(free); number++)
            free = $"{id}-{number}";
        return free;
    }

    [GeneratedRegex("^[a-z0-9]+(-[a-z0-9]+)*$")]
    private static partial Regex Form();
}
