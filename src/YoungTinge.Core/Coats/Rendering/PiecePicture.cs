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
        var easel = new Easel(shape, new LaidCoats(plan.Plan.Coats, shape, plan.Standing), new PasteFace(plan.Source, shape, plan.Number), light ?? Illuminant.D65, columns, rows);
        return new PiecePicture(
            Side(Flowers.Side.Face),
            Side(Flowers.Side.Back));

        SidePicture Side(Side side)
        {
            int[] marked = [.. easel.Laid.Marked.Where(coat => plan.Plan.Coats[coat].IsOn(side))];
            var fields = easel.Paint(new LayerStack(plan.Paste, plan.LayersOn(side)), marked);
            return new SidePicture(fields[0], [.. marked.Select((coat, i) => new PaintedMark(easel.Laid.SvgPathOf(coat), fields[i + 1]))]);
        }
    }

    private sealed record Easel(PieceShape Shape, LaidCoats Laid, PasteFace Paste, Illuminant Light, int Columns, int Rows)
    {
        private static readonly Recent<(PieceShape Shape, bool WithEdge, int Columns, int Rows), PiecePoint[][]> Nets =
            new(24, of => PointsOf(of.Shape, of.WithEdge, of.Columns, of.Rows));

        /// <summary>Right half, row by row from the tip down; the same for all that is painted, so worked out once.</summary>
        private readonly PiecePoint[][] points = Nets[(Shape, Laid.NeedsEdge, Columns, Rows)];

        private bool IsLopsided => Laid.IsLopsided || Paste.IsStreaked || Shape.Outline.IsHanded;

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

        /// <summary>The side without painted details, and then with each of them alone: what lies below a detail is laid once for both.</summary>
        /// <param name="marked">The painted details, by their places among the coats, in order.</param>
        public ColourField[] Paint(LayerStack stack, int[] marked)
        {
            byte[][] pictures = [.. Enumerable.Range(0, marked.Length + 1).Select(_ => new byte[3 * Columns * Rows])];
            double columnMm = Shape.WidthMm / Columns, rowMm = Shape.LengthMm / Rows;
            SideBySide.Do(Rows, row =>
            {
                var shown = new bool[marked.Length];
                for (var column = 0; column < points[row].Length; column++)
                {
                    var point = points[row][column];
                    for (var i = 0; i < marked.Length; i++)
                        shown[i] = IsNear(marked[i], point) || IsNear(marked[i], point with { XMm = -point.XMm });
                    var (right, left) = (3 * (row * Columns + Columns / 2 + column), 3 * (row * Columns + Columns / 2 - 1 - column));
                    PaintPoint(stack, point, marked, shown, pictures, right);
                    if (IsLopsided)
                        PaintPoint(stack, Mirrored(point), marked, shown, pictures, left);
                    else
                        foreach (var picture in pictures)
                            picture.AsSpan(right, 3).CopyTo(picture.AsSpan(left, 3));
                }
            });
            return [.. pictures.Select(rgb => new ColourField(Columns, Rows, rgb))];

            bool IsNear(int coat, PiecePoint point) => Laid.CoverRound(coat, point, (1 + 2 * Margin) * columnMm, (1 + 2 * Margin) * rowMm) > 0;
        }

        private void PaintPoint(LayerStack stack, PiecePoint point, int[] marked, bool[] shown, byte[][] pictures, int at)
        {
            Spot spot = new(stackalloc double[Spot.Room]), withDetail = new(stackalloc double[Spot.Room]);
            Paste.Over(point, Shape.WidthMm / Columns, Shape.LengthMm / Rows, spot.Reflectance);
            spot.Begin(spot.Reflectance, isBare: !Paste.IsStreaked);
            var (from, lies) = (0, Laid.At(point, null));
            for (var i = 0; i < marked.Length; i++)
            {
                if (!shown[i])
                    continue;
                stack.LayOn(ref spot, lies, from, marked[i]);
                from = marked[i];
                withDetail.GoOnFrom(spot);
                stack.LayOn(ref withDetail, Laid.At(point, marked[i]), from, int.MaxValue);
                Put(pictures[i + 1], at, withDetail.Reflectance);
            }

            stack.LayOn(ref spot, lies, from, int.MaxValue);
            Put(pictures[0], at, spot.Reflectance);
        }

        private PiecePoint Mirrored(PiecePoint point) =>
            Shape.Outline.IsHanded ? Shape.RowAtMm(point.YMm).PointAt(-point.XMm, Laid.NeedsEdge) : point with { XMm = -point.XMm };

        private void Put(byte[] rgb, int at, ReadOnlySpan<double> face)
        {
            var colour = ScreenColour.From(Light.LinearRgbOf(Light.XyzOf(face)));
            (rgb[at], rgb[at + 1], rgb[at + 2]) = (Srgb.Byte(colour.R), Srgb.Byte(colour.G), Srgb.Byte(colour.B));
        }
    }
}
