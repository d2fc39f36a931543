using System.Globalization;
using System.Text.RegularExpressions;

namespace YoungTinge.Files.Tables;

/// <summary>
/// Numbers as people and spreadsheets write them: 0.15 or 0,15, with or without marks between thousands. What could be either,
/// 1,500, is not guessed.
/// </summary>
internal static partial class Numbers
{
    public static bool IsOne(string cell) => TryRead(cell, out _);

    public static bool TryRead(string cell, out double number)
    {
        number = 0;
        if (IsAmbiguous(cell))
            return false;
        var plain = cell.Trim().Replace(" ", "").Replace("\u00A0", "").Replace("\u202F", "").Replace("'", "");
        int comma = plain.LastIndexOf(','), point = plain.LastIndexOf('.');
        // The last of the two marks parts off the fraction; the other one only parts thousands.
        plain = comma > point && plain.IndexOf(',') == comma ? plain.Replace(".", "").Replace(',', '.') : plain.Replace(",", "");
        const NumberStyles style = NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint | NumberStyles.AllowExponent;
        return double.TryParse(plain, style, CultureInfo.InvariantCulture, out number) && double.IsFinite(number);
    }

    /// <summary>One comma before just three figures: 1,500 is one and a half here and fifteen hundred there. A point alone is always a decimal one.</summary>
    public static bool IsAmbiguous(string cell) => OneCommaBeforeThree().IsMatch(cell.Trim());

    [GeneratedRegex(@"^[-+]?[1-9]\d{0,2},\d{3}$")]
    private static partial Regex OneCommaBeforeThree();

    /// <summary>So that reading it gives the very same number.</summary>
    public static string Write(double number) => number.ToString("R", CultureInfo.InvariantCulture);
}
