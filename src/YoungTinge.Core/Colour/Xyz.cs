namespace YoungTinge.Core.Colour;

/// <summary>CIE 1931 tristimulus values, 2 degree observer; Y = 100 for the perfect white under the light in use.</summary>
public readonly record struct Xyz(double X, double Y, double Z)
{
    public static Xyz operator +(Xyz a, Xyz b) => new(a.X + b.X, a.Y + b.Y, a.Z + b.Z);

    public static Xyz operator *(Xyz a, double factor) => new(a.X * factor, a.Y * factor, a.Z * factor);
}
