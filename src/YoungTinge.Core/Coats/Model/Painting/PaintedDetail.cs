using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>A painted detail on one piece: its strokes and what they hide. What it is painted with is nothing to it.</summary>
public sealed class PaintedDetail
{
    /// <summary>Some forty petals; a piece of half a metre, which alone takes 100 MB, is not kept.</summary>
    private const long MaxKeptBytes = 40_000_000;

    private static readonly Recent<(PieceShape Shape, Marking Marking, Place Place), PaintedDetail> Known =
        new(MaxKeptBytes, of => new PaintedDetail(of.Shape, of.Marking, of.Place), detail => detail.Cover.Bytes + 2L * detail.SvgPath.Length);

    private PaintedDetail(PieceShape shape, Marking marking, Place place)
    {
        var shapes = MarkingShapes.Of(marking, place, shape);
        Cover = new CoverMap(shapes, shape);
        SvgPath = shape.SvgPathOf(shapes.Select(mark => mark.Ring));
    }

    public CoverMap Cover { get; }

    /// <summary>All strokes, in the box of the piece in mm, tip up.</summary>
    public string SvgPath { get; }

    public static PaintedDetail On(PieceShape shape, Marking marking, Place place) => Known[(shape, marking, place)];
}
