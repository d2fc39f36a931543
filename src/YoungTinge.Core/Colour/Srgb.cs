using System.Globalization;

namespace YoungTinge.Core.Colour;

/// <summary>Gamma-encoded sRGB (IEC 61966-2-1), 0 to 1 each for what a screen can show; outside is kept, not clipped.</summary>
public readonly record struct Srgb(double R, double G, double B)
{
    public static Srgb FromLinear(LinearRgb rgb) => new(Encode(rgb.R), Encode(rgb.G), Encode(rgb.B));

    public LinearRgb ToLinear() => new(Decode(R), Decode(G), Decode(B));

    /// <summary>Clipped to the screen and rounded half up, as <c>#rrggbb</c>.</summary>
    public string ToHex() => string.Create(CultureInfo.InvariantCulture, $"#{Byte(R):x2}{Byte(G):x2}{Byte(B):x2}");

    /// <summary>Reads <c>#rrggbb</c> or <c>#rgb</c>, with or without the hash.</summary>
    public static bool TryParseHex(string? text, out Srgb colour)
    {
        colour = default;
        var digits = (text ?? "").Trim().TrimStart('#');
        if (digits.Length == 3)
            digits = string.Concat(digits.Select(d => new string(d, 2)));
        if (digits.Length != 6 || !int.TryParse(digits, NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out var rgb))
            return false;
        colour = new Srgb((rgb >> 16) / 255.0, ((rgb >> 8) & 255) / 255.0, (rgb & 255) / 255.0);
        return true;
    }

    public static byte Byte(double part) => (byte)Math.Floor(Math.Clamp(part, 0, 1) * 255 + 0.5);

    // The sign is kept outside the power: a colour off the screen must not become NaN.
    private static double Encode(double v)
    {
        var size = Math.Abs(v);
        return Math.Sign(v) * (size <= 0.0031308 ? 12.92 * size : 1.055 * Math.Pow(size, 1 / 2.4) - 0.055);
    }

    private static double Decode(double v)
    {
        var size = Math.Abs(v);
        return Math.Sign(v) * (size <= 0.04045 ? size / 12.92 : Math.Pow((size + 0.055) / 1.055, 2.4));
    }
}
