using YoungTinge.Core.Colour;
using YoungTinge.Core.Pictures;

namespace YoungTinge.Devices;

/// <summary>One dab beside the white card.</summary>
public sealed class DabScene(Spectrum dab) : Scene(480, 320)
{
    private const double Radius = 0.22;

    private static readonly (double X, double Y) Middle = (0.60, 0.52);

    public override Box Card { get; } = new(0.14, 0.38, 0.13, 0.20);

    public override Box Subject { get; } = new(Middle.X - 0.09, Middle.Y - 0.13, 0.18, 0.26);

    public override IReadOnlyList<Spectrum> Surfaces { get; } = [Mat, White, dab];

    public override (int Surface, double Share)[] At(int x, int y)
    {
        if (Covers(Card, x, y))
            return [(1, 1)];
        return FromMiddle(x, y) < Radius ? [(2, 1)] : [(0, 1)];
    }

    /// <summary>The rolled edge of the dab lies a little in the shade.</summary>
    public override double ShadeAt(int x, int y) => FromMiddle(x, y) is > 0.85 * Radius and < Radius ? 0.82 : 1;

    /// <summary>In heights of the picture.</summary>
    private double FromMiddle(int x, int y)
    {
        double across = ((x + 0.5) / Width - Middle.X) * Width / Height, down = (y + 0.5) / Height - Middle.Y;
        return Math.Sqrt(across * across + down * down);
    }
}
