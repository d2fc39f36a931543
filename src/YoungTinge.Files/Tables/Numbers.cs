using System.Globalization;

namespace YoungTinge.Files.Tables;

/// <summary>Numbers as people and spreadsheets write them: 0.15 or 0,15, with or without marks between thousands.</summary>
internal static class Numbers
{
    public static bool IsOne(string cell) => TryRead(cell, out _);

    public static bool TryRead(string cell, out double number)
    {
        var plain = cell.Trim().Replace(" ", "").Replace("\u00A0", "").Replace("\u202F", "").Replace("'", "");
        int comma = plain.LastIndexOf(','), point = plain.LastIndexOf('.');
        // The last of the two marks parts off the fraction; the other one only parts thousands.
        plain = comma > point ? plain.Replace(".", "").Replace(',', '.') : plain.Replace(",", "");
        const NumberStyles style = NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint | NumberStyles.AllowExponent;
        return double.TryParse(plain, style, CultureInfo.InvariantCulture, out number) && double.IsFinite(number);
    }

    /// <summary>So that reading it gives the very same number.</summary>
    public static string Write(double number) => number.ToString("R", CultureInfo.InvariantCulture);
}
