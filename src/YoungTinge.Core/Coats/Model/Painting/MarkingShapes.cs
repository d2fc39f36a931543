using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>A closed shape on a piece; x across from the midrib, y along from the base, in mm.</summary>
public sealed record MarkShape(IReadOnlyList<(double X, double Y)> Ring);

/// <summary>The strokes of a painted detail as shapes, so that they are drawn sharp at any size. They may reach past the edge.</summary>
public static class MarkingShapes
{
    private const int StrokeSteps = 40;
    private const int DotCorners = 12;
    private const int BlotchCorners = 72;

    /// <summary>Each way, to find the middle of a place.</summary>
    private const int PlaceCells = 24;

    /// <summary>Thinner, a stroke has ended.</summary>
    private const double ThinnestMm = 0.08;

    /// <summary>A stroke ends in a quarter of its width.</summary>
    private const double Taper = 0.75;

    // Strokes begin and end a little inside the piece.
    private const double StrokeFrom = 0.03;
    private const double StrokeTo = 0.97;

    public static IReadOnlyList<MarkShape> Of(Marking marking, Place place, PieceShape shape) => new Hand(marking, place, shape).Paint();

    private sealed class Hand(Marking marking, Place place, PieceShape shape)
    {
        private readonly Random chance = new(marking.Seed);
        private readonly double unsteady = marking.Waver;

        public IReadOnlyList<MarkShape> Paint() => marking.Kind switch
        {
            MarkingKind.Stripes => [.. Stripes()],
            MarkingKind.CentreBar => [.. Strokes(0)],
            MarkingKind.Veins => [.. Veins()],
            MarkingKind.Dots => [.. Dots()],
            MarkingKind.PicoteeRim => [.. Rim()],
            MarkingKind.CrossBars => [.. CrossBars()],
            _ => [Blotch()],
        };

        private VeinPattern VeinsOf => shape.Veins;

        private IEnumerable<MarkShape> Stripes()
        {
            // Lines keep their share of the way to the edge, and so spread with the piece.
            var each = Math.Max(1, (int)Math.Round(shape.WidthMm / 2 / marking.SpacingMm));
            for (var i = -each + 1; i < each; i++)
            {
                var across = (i + unsteady * 0.3 * (chance.NextDouble() - 0.5)) / each;
                foreach (var stroke in Strokes(across))
                    yield return stroke;
            }
        }

        private IEnumerable<MarkShape> CrossBars()
        {
            var each = Math.Max(1, (int)Math.Round(shape.LengthMm / marking.SpacingMm));
            for (var i = 0; i < each; i++)
            {
                var along = (i + 0.5 + unsteady * 0.3 * (chance.NextDouble() - 0.5)) / each;
                foreach (var stroke in Crosswise(along))
                    yield return stroke;
            }
        }

        /// <summary>A stroke from edge to edge, in pieces where its place leaves it out; it thins towards both ends.</summary>
        private IEnumerable<MarkShape> Crosswise(double along)
        {
            var waves = Waves();
            var line = new List<(double X, double Y, double Half)>();
            for (var step = 0; step <= StrokeSteps; step++)
            {
                var across = (StrokeTo - StrokeFrom) * (2.0 * step / StrokeSteps - 1);
                var x = across * shape.Outline.HalfWidthAt(along, onLeft: across < 0) * shape.WidthMm / 2;
                var half = HalfWidth(along, Math.Abs(across), x, 1 - Taper * Math.Abs(across));
                if (half > 0)
                    line.Add((x, along * shape.LengthMm + waves((1 + across) / 2), half));
                else if (Ribbon(line) is { } done)
                {
                    yield return done;
                    line.Clear();
                }
            }

            if (Ribbon(line) is { } last)
                yield return last;
        }

        private IEnumerable<MarkShape> Veins()
        {
            switch (VeinsOf)
            {
                case VeinPattern.Fan:
                    for (var i = -VeinPatternExtensions.FanLinesEachSide + 1; i < VeinPatternExtensions.FanLinesEachSide; i++)
                    {
                        foreach (var stroke in Strokes((double)i / VeinPatternExtensions.FanLinesEachSide))
                            yield return stroke;
                    }

                    break;
                case VeinPattern.Feather:
                    foreach (var stroke in Strokes(0))
                        yield return stroke;
                    for (var vein = 0; vein < VeinPatternExtensions.FeatherVeins; vein++)
                    {
                        foreach (var side in new[] { 1, -1 })
                        {
                            var from = (double)vein / VeinPatternExtensions.FeatherVeins;
                            if (Line(t => (t, from + VeinPatternExtensions.FeatherSlant * t), side) is { } stroke)
                                yield return stroke;
                        }
                    }

                    break;
                case VeinPattern.Palm:
                    foreach (var stroke in Strokes(0))
                        yield return stroke;
                    for (var vein = 1; vein <= VeinPatternExtensions.PalmVeins; vein++)
                    {
                        var angle = Math.PI / 2 * vein / VeinPatternExtensions.PalmVeins;
                        foreach (var side in new[] { 1, -1 })
                        {
                            if (Line(t => (t * Math.Sin(angle), t * Math.Cos(angle) - VeinPatternExtensions.PalmFoot), side) is { } stroke)
                                yield return stroke;
                        }
                    }

                    break;
            }
        }

        /// <summary>A stroke from base to tip that keeps a share of the way to the edge; in pieces where its place leaves it out.</summary>
        private IEnumerable<MarkShape> Strokes(double across)
        {
            var waves = Waves();
            var line = new List<(double X, double Y, double Half)>();
            for (var step = 0; step <= StrokeSteps; step++)
            {
                var along = StrokeFrom + (StrokeTo - StrokeFrom) * step / StrokeSteps;
                var x = across * shape.Outline.HalfWidthAt(along, onLeft: across < 0) * shape.WidthMm / 2 + waves(along);
                var half = HalfWidth(along, Math.Abs(across), x, 1 - Taper * along);
                if (half > 0)
                    line.Add((x, along * shape.LengthMm, half));
                else if (Ribbon(line) is { } done)
                {
                    yield return done;
                    line.Clear();
                }
            }

            if (Ribbon(line) is { } last)
                yield return last;
        }

        /// <summary>A stroke along a line in shares of the piece, from 0 on to where it leaves it.</summary>
        private MarkShape? Line(Func<double, (double Across, double Along)> at, int side)
        {
            var waves = Waves();
            var line = new List<(double X, double Y, double Half)>();
            for (var step = 0; step <= StrokeSteps; step++)
            {
                var t = (double)step / StrokeSteps;
                var (across, along) = at(t);
                if (across > 1 || along > StrokeTo)
                    break;
                if (along < 0)
                    continue;
                var x = side * across * shape.Outline.HalfWidthAt(along, onLeft: side < 0) * shape.WidthMm / 2;
                var half = HalfWidth(along, across, x, 1 - Taper * t);
                if (half > 0)
                    line.Add((x, along * shape.LengthMm + waves(t), half));
                else if (line.Count > 0)
                    break;
            }

            return Ribbon(line);
        }

        private double HalfWidth(double along, double across, double x, double share)
        {
            var point = shape.PointAt(along, Math.Min(across, 1), onLeft: x < 0) with { XMm = x };
            var width = marking.SizeMm * share * place.MaskAt(point, VeinsOf);
            return width < ThinnestMm ? 0 : width / 2;
        }

        /// <summary>How far a hand strays from a line, in mm, along 0 to 1.</summary>
        private Func<double, double> Waves()
        {
            var (first, second) = (2 * Math.PI * chance.NextDouble(), 2 * Math.PI * chance.NextDouble());
            var far = unsteady * (0.6 * marking.SizeMm + 0.012 * shape.LengthMm);
            return along => far * (0.7 * Math.Sin(2 * Math.PI * 2.3 * along + first) + 0.3 * Math.Sin(2 * Math.PI * 6.1 * along + second));
        }

        private static MarkShape? Ribbon(List<(double X, double Y, double Half)> line)
        {
            if (line.Count < 2)
                return null;
            var (right, left) = (new List<(double, double)>(), new List<(double, double)>());
            for (var i = 0; i < line.Count; i++)
            {
                var (before, after) = (line[Math.Max(0, i - 1)], line[Math.Min(line.Count - 1, i + 1)]);
                double dx = after.X - before.X, dy = after.Y - before.Y, length = Math.Max(1e-9, Math.Sqrt(dx * dx + dy * dy));
                double nx = dy / length * line[i].Half, ny = -dx / length * line[i].Half;
                right.Add((line[i].X + nx, line[i].Y + ny));
                left.Add((line[i].X - nx, line[i].Y - ny));
            }

            left.Reverse();
            return new MarkShape([.. right, .. left]);
        }

        /// <summary>A speck in each cell of a net, off its middle as far as the hand scatters, and only as often as the place is full there.</summary>
        private IEnumerable<MarkShape> Dots()
        {
            var (columns, rows) = ((int)Math.Ceiling(shape.WidthMm / marking.SpacingMm) + 1, (int)Math.Ceiling(shape.LengthMm / marking.SpacingMm) + 1);
            for (var row = 0; row < rows; row++)
            {
                for (var column = 0; column < columns; column++)
                {
                    // Every speck draws its chances, so that a change of place leaves the others where they are.
                    double shiftX = chance.NextDouble() - 0.5, shiftY = chance.NextDouble() - 0.5, keep = chance.NextDouble(), size = chance.NextDouble() - 0.5;
                    var x = ((column + (row % 2) * 0.5) - columns / 2.0 + unsteady * shiftX) * marking.SpacingMm;
                    var y = (row + 0.5 + unsteady * shiftY) * marking.SpacingMm;
                    if (!(y < shape.LengthMm) || shape.RowAtMm(y) is var line && !line.Contains(x))
                        continue;
                    if (keep >= place.MaskAt(line.PointAt(x, place.NeedsEdge), VeinsOf))
                        continue;
                    yield return Round(x, y, marking.SizeMm / 2 * (1 + 0.7 * unsteady * size), DotCorners, 0.12 * unsteady);
                }
            }
        }

        private MarkShape Blotch()
        {
            var (x, y) = MiddleOfPlace();
            return Round(x, y, marking.SizeMm / 2, BlotchCorners, 0.25 * unsteady);
        }

        /// <summary>Where the place is fullest, weighed over the piece.</summary>
        private (double X, double Y) MiddleOfPlace()
        {
            double sum = 0, sumX = 0, sumY = 0;
            foreach (var point in shape.Cells(PlaceCells, place.NeedsEdge))
            {
                var weight = place.MaskAt(point, VeinsOf);
                (sum, sumX, sumY) = (sum + weight, sumX + weight * point.XMm, sumY + weight * point.YMm);
            }

            return sum > 0 ? (sumX / sum, sumY / sum) : (0, shape.LengthMm / 2);
        }

        private MarkShape Round(double x, double y, double radius, int corners, double ragged)
        {
            double[] phases = [.. Enumerable.Range(0, 4).Select(_ => 2 * Math.PI * chance.NextDouble())];
            return new MarkShape([.. Enumerable.Range(0, corners).Select(i =>
            {
                var angle = 2 * Math.PI * i / corners;
                var outMm = radius * (1 + ragged * (Math.Sin(2 * angle + phases[0]) + 0.7 * Math.Sin(3 * angle + phases[1])
                    + 0.5 * Math.Sin(5 * angle + phases[2]) + 0.3 * Math.Sin(11 * angle + phases[3])) / 2.5);
                return (x + outMm * Math.Cos(angle), y + outMm * Math.Sin(angle));
            })]);
        }

        /// <summary>Between the edge and a line inside it, span by span.</summary>
        private IEnumerable<MarkShape> Rim()
        {
            var ring = shape.Ring().ToList();
            var (first, second) = (2 * Math.PI * chance.NextDouble(), 2 * Math.PI * chance.NextDouble());
            var inner = ring.Select((at, i) =>
            {
                var (before, after) = (ring[(i + ring.Count - 1) % ring.Count], ring[(i + 1) % ring.Count]);
                double dx = after.X - before.X, dy = after.Y - before.Y, length = Math.Max(1e-9, Math.Sqrt(dx * dx + dy * dy));
                var round = 2 * Math.PI * i / ring.Count;
                var wide = marking.SizeMm * (1 + 0.45 * unsteady * (Math.Sin(9 * round + first) + 0.6 * Math.Sin(23 * round + second)) / 1.6);
                var point = new PiecePoint(Math.Clamp(at.Y / shape.LengthMm, 0, 1), 1, 0, at.X, at.Y);
                var there = place.MaskAt(point, VeinsOf);
                // The ring runs up the right side, so its inside lies to the left.
                return (X: at.X - dy / length * wide * there, Y: at.Y + dx / length * wide * there, There: there);
            }).ToList();
            for (var i = 0; i < ring.Count; i++)
            {
                var next = (i + 1) % ring.Count;
                if (inner[i].There > 0 || inner[next].There > 0)
                    yield return new MarkShape([ring[i], ring[next], (inner[next].X, inner[next].Y), (inner[i].X, inner[i].Y)]);
            }
        }
    }
}
