using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>The finished piece as pictures of its face and back.</summary>
public sealed record PiecePicture(SidePicture Face, SidePicture Back)
{
    public const int DefaultColumns = 72;
    public const int DefaultRows = 96;

    /// <summary>Columns beside the piece that are painted too, so that a screen can smooth the edge without a fringe.</summary>
    private const int Margin = 2;

    /// <summary>What lies well beside the outline stays black, as does what lies well beside a painted detail in its field.</summary>
    /// <param name="columns">Even.</param>
    /// <param name="light">That it is seen under; daylight by default.</param>
    public static PiecePicture Of(
        ResolvedPlan plan, PieceShape shape, int columns = DefaultColumns, int rows = DefaultRows, Illuminant? light = null)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(columns % 2, 0, nameof(columns));
        var easel = new Easel(shape, new LaidCoats(plan.Plan.Coats, shape), KubelkaMunk.Opaque(plan.Paste), light ?? Illuminant.D65, columns, rows);
        return new PiecePicture(
            Side(Flowers.Side.Face),
            Side(Flowers.Side.Back));

        SidePicture Side(Side side)
        {
            var stack = new LayerStack(plan.Paste, plan.LayersOn(side));
            var marked = easel.Laid.Marked.Where(coat => plan.Plan.Coats[coat].IsOn(side));
            return new SidePicture(
                easel.Paint(stack, null),
                [.. marked.Select(coat => new PaintedMark(shape.SvgPathOf(easel.Laid.ShapesOf(coat).Select(mark => mark.Ring)), easel.Paint(stack, coat)))]);
        }
    }

    private sealed record Easel(PieceShape Shape, LaidCoats Laid, Spectrum Paste, Illuminant Light, int Columns, int Rows)
    {
        /// <summary>Right half, row by row from the tip down; the same for all that is painted, so worked out once.</summary>
        private readonly PiecePoint[][] points = PointsOf(Shape, Laid.NeedsEdge, Columns, Rows);

        private static PiecePoint[][] PointsOf(PieceShape shape, bool withEdge, int columns, int rows)
        {
            var columnMm = shape.WidthMm / columns;
            var points = new PiecePoint[rows][];
            SideBySide.Do(rows, row =>
            {
                var across = shape.RowAtMm(shape.LengthMm * (1 - (row + 0.5) / rows));
                var end = Math.Min(columns / 2, (int)Math.Ceiling(across.HalfWidthMm / columnMm) + Margin);
                points[row] = [.. Enumerable.Range(0, end).Select(column => across.PointAt((column + 0.5) * columnMm, withEdge))];
            });
            return points;
        }

        /// <param name="marked">The painted detail to show, by its place among the coats; null for none.</param>
        public ColourField Paint(LayerStack stack, int? marked)
        {
            var rgb = new byte[3 * Columns * Rows];
            double columnMm = Shape.WidthMm / Columns, rowMm = Shape.LengthMm / Rows;
            SideBySide.Do(Rows, row =>
            {
                for (var column = 0; column < points[row].Length; column++)
                {
                    var point = points[row][column];
                    var (right, left) = (Columns / 2 + column, Columns / 2 - 1 - column);
                    if (marked is { } coat && !IsNear(coat, point) && !IsNear(coat, Mirrored(point)))
                        continue;
                    var colour = ColourAt(stack, Laid.At(point, marked));
                    Put(rgb, row, right, colour);
                    Put(rgb, row, left, Laid.IsLopsided ? ColourAt(stack, Laid.At(Mirrored(point), marked)) : colour);
                }
            });
            return new ColourField(Columns, Rows, rgb);

            bool IsNear(int coat, PiecePoint point) => Laid.CoverRound(coat, point, (1 + 2 * Margin) * columnMm, (1 + 2 * Margin) * rowMm) > 0;
        }

        private static PiecePoint Mirrored(PiecePoint point) => point with { XMm = -point.XMm };

        private Srgb ColourAt(LayerStack stack, LaidCoats.PointLoads loads)
        {
            Span<double> reflectance = stackalloc double[SpectralGrid.Bands];
            Paste.Values.CopyTo(reflectance);
            stack.LayOn(reflectance, loads);
            return ScreenColour.From(Light.LinearRgbOf(Light.XyzOf(reflectance)));
        }

        private void Put(byte[] rgb, int row, int column, Srgb colour)
        {
            var at = 3 * (row * Columns + column);
            rgb[at] = Srgb.Byte(colour.R);
            rgb[at + 1] = Srgb.Byte(colour.G);
            rgb[at + 2] = Srgb.Byte(colour.B);
        }
    }
}
