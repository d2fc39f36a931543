using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats;

/// <summary>The finished face or back of a piece as a picture over its bounding box, tip up, for a screen to paint.</summary>
/// <param name="Rgb">Three bytes (sRGB) a point, row by row from the tip down, each row from left to right.</param>
public sealed record ColourField(int Columns, int Rows, byte[] Rgb)
{
    public const int DefaultColumns = 96;
    public const int DefaultRows = 128;

    /// <param name="columns">Even: the two halves of a piece are alike.</param>
    public static ColourField Of(
        PiecePlan plan, PieceShape shape, Materials materials, Side side, int columns = DefaultColumns, int rows = DefaultRows)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(columns % 2, 0, nameof(columns));
        var paste = PasteOptics.Reflectance(plan.Paste, materials);
        var stack = new CoatStack(plan.Coats, materials, side);
        var rgb = new byte[3 * columns * rows];
        Parallel.For(0, rows, row => FillRow(row, plan, shape, paste, stack, columns, rows, rgb));
        return new ColourField(columns, rows, rgb);
    }

    private static void FillRow(
        int row, PiecePlan plan, PieceShape shape, Spectrum paste, CoatStack stack, int columns, int rows, byte[] rgb)
    {
        Span<double> face = stackalloc double[SpectralGrid.Bands];
        var light = Illuminant.D65;
        var y = shape.LengthMm * (1 - (row + 0.5) / rows);
        for (var column = 0; column < columns / 2; column++)
        {
            var x = shape.WidthMm / 2 * (2 * column + 1) / columns;
            var loads = new CoatLoads(plan.Coats, shape.Outline.Veins, shape.PointAtMm(x, y));
            paste.Values.CopyTo(face);
            stack.LayOn(face, loads.ShareOf);
            var colour = ScreenColour.From(light.LinearRgbOf(light.XyzOf(face)));
            Put(columns / 2 + column, colour);
            Put(columns / 2 - 1 - column, colour);
        }

        void Put(int column, Srgb colour)
        {
            var at = 3 * (row * columns + column);
            rgb[at] = Srgb.Byte(colour.R);
            rgb[at + 1] = Srgb.Byte(colour.G);
            rgb[at + 2] = Srgb.Byte(colour.B);
        }
    }
}
