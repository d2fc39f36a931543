using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Targets;

/// <summary>A colour beside another one, one step in one way: "a touch warmer".</summary>
public sealed record Neighbour(DifferenceWay Way, Lab Colour);

/// <summary>What lies round a colour, to compare by eye.</summary>
public static class Neighbours
{
    /// <param name="deltaE">How far they lie from it, CIEDE2000.</param>
    /// <returns>One for each way in which a surface can differ; black has nothing darker.</returns>
    public static IReadOnlyList<Neighbour> Of(Lab colour, double deltaE) => [.. Enum.GetValues<DifferenceWay>()
        .Select(way => (Way: way, Colour: At(colour, way, deltaE)))
        .Where(one => one.Colour is { } found && ObjectColourSolid.Contain(found))
        .Select(one => new Neighbour(one.Way, one.Colour!.Value))];

    /// <summary>Goes one way until it is as far off as asked; null if that way leads nowhere.</summary>
    private static Lab? At(Lab colour, DifferenceWay way, double deltaE)
    {
        var (l, a, b) = Direction(colour, way);
        Lab Gone(double far) => new(colour.L + far * l, colour.A + far * a, colour.B + far * b);
        // A grey cannot be duller; a colour can only be duller as far as grey.
        var most = way == DifferenceWay.Duller ? colour.Chroma : 60;
        return ColourStep.Along(colour, Gone, most, deltaE) is { L: >= 0 and <= 100 } found ? found : null;
    }

    private static (double L, double A, double B) Direction(Lab colour, DifferenceWay way)
    {
        var (_, warmA, warmB) = Lab.OfHue(0, 1, Difference.WarmestHueDegrees);
        var (a, b) = colour.Chroma > 0 ? (colour.A / colour.Chroma, colour.B / colour.Chroma) : (warmA, warmB);
        return way switch
        {
            DifferenceWay.Darker => (-1, 0, 0),
            DifferenceWay.Paler => (1, 0, 0),
            DifferenceWay.Duller => (0, -a, -b),
            DifferenceWay.Stronger => (0, a, b),
            DifferenceWay.Warmer => (0, warmA, warmB),
            DifferenceWay.Cooler => (0, -warmA, -warmB),
            DifferenceWay.Redder => (0, warmB, -warmA),
            DifferenceWay.Greener => (0, -warmB, warmA),
            _ => throw new ArgumentOutOfRangeException(nameof(way)),
        };
    }
}
