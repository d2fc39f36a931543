using System.Text.Json.Serialization;

namespace YoungTinge.Core.Colour;

/// <summary>
/// CIE 1976 L*a*b*, relative to the white of the light in use. L runs 0 to 100; a (red-green) and b (yellow-blue) are
/// about -130 to 130 for surfaces.
/// </summary>
public readonly record struct Lab(
    [property: JsonRequired] double L, [property: JsonRequired] double A, [property: JsonRequired] double B)
{
    /// <param name="hueDegrees">Angle, red about 25, yellow about 95.</param>
    public static Lab OfHue(double lightness, double chroma, double hueDegrees) =>
        new(lightness, chroma * Math.Cos(hueDegrees * Math.PI / 180), chroma * Math.Sin(hueDegrees * Math.PI / 180));

    /// <summary>Colourfulness C*, 0 for a grey.</summary>
    [JsonIgnore]
    public double Chroma => Math.Sqrt(A * A + B * B);

    /// <summary>Hue angle in degrees, 0 up to (not with) 360; 0 for a grey.</summary>
    [JsonIgnore]
    public double HueDegrees
    {
        get
        {
            if (A == 0 && B == 0)
                return 0;
            var degrees = Math.Atan2(B, A) * 180 / Math.PI;
            return degrees < 0 ? degrees + 360 : degrees;
        }
    }

    [JsonIgnore]
    public bool IsFinite => double.IsFinite(L) && double.IsFinite(A) && double.IsFinite(B);
}
