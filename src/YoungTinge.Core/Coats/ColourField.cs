using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats;

/// <summary>The finished face or back of a piece as a picture over its bounding box, tip up, for a screen to paint.</summary>
/// <param name="Rgb">Three bytes (sRGB) a point, row by row from the tip down, each row from left to right.</param>
public sealed record ColourField(int Columns, int Rows, byte[] Rgb)
{
    public const int DefaultColumns = 72;
    public const int DefaultRows = 96;

    /// <summary>Columns beside the piece that are painted too, so that a screen can smooth the edge without a fringe.</summary>
    private const int Margin = 2;

    /// <summary>Both sides of a piece. What lies well beside the outline stays black.</summary>
    /// <param name="columns">Even: the two halves of a piece are alike.</param>
    public static (ColourField Face, ColourField Back) Of(
        PiecePlan plan, PieceShape shape, Materials materials, int columns = DefaultColumns, int rows = DefaultRows)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(columns % 2, 0, nameof(columns));
        var mix = PasteOptics.Mix(plan.Paste, materials);
        var paste = KubelkaMunk.Opaque(mix);
        var face = new ColourField(columns, rows, new byte[3 * columns * rows]);
        var back = new ColourField(columns, rows, new byte[3 * columns * rows]);
        var faceStack = CoatStack.Of(plan.Coats, mix, materials, Side.Face);
        var backStack = CoatStack.Of(plan.Coats, mix, materials, Side.Back);
        var withEdge = plan.Coats.Any(coat => coat is IPlacedCoat { Place.Kind: PlaceKind.Rim });
        Parallel.For(0, rows, row =>
        {
            var across = shape.RowAtMm(shape.LengthMm * (1 - (row + 0.5) / rows));
            var columnMm = shape.WidthMm / columns;
            var end = Math.Min(columns / 2, (int)Math.Ceiling(across.HalfWidthMm / columnMm) + Margin);
            for (var column = 0; column < end; column++)
            {
                var point = across.PointAt((column + 0.5) * columnMm, withEdge);
                var loads = new CoatLoads(plan.Coats, shape.Outline.Veins, point);
                face.Put(row, column, ColourAt(paste, faceStack, loads));
                back.Put(row, column, ColourAt(paste, backStack, loads));
            }
        });
        return (face, back);
    }

    private static Srgb ColourAt(Spectrum paste, LayerStack stack, CoatLoads loads)
    {
        Span<double> reflectance = stackalloc double[SpectralGrid.Bands];
        paste.Values.CopyTo(reflectance);
        stack.LayOn(reflectance, loads.ShareOf);
        return ScreenColour.From(Illuminant.D65.LinearRgbOf(Illuminant.D65.XyzOf(reflectance)));
    }

    /// <summary>Paints a point of the right half, and its mirror image.</summary>
    private void Put(int row, int column, Srgb colour)
    {
        foreach (var place in new[] { Columns / 2 + column, Columns / 2 - 1 - column })
        {
            var at = 3 * (row * Columns + place);
            Rgb[at] = Srgb.Byte(colour.R);
            Rgb[at + 1] = Srgb.Byte(colour.G);
            Rgb[at + 2] = Srgb.Byte(colour.B);
        }
    }
}
