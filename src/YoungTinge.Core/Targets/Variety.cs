using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Targets;

/// <summary>Pieces of one whorl: alike, but no clones.</summary>
public static class Variety
{
    /// <summary>Turns one direction into the next so that few already lie well apart.</summary>
    private static readonly double GoldenAngle = Math.PI * (3 - Math.Sqrt(5));

    /// <param name="pieces">At least 1.</param>
    /// <param name="seed">The same seed gives the same pieces.</param>
    /// <returns>
    /// One colour a piece. Their CIEDE2000 from the target has the target's spread as its root mean square, as far as surfaces can be
    /// that colour; for a single piece it is the target.
    /// </returns>
    public static IReadOnlyList<Lab> Of(Target target, int pieces, int seed)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(pieces, 1);
        if (pieces == 1 || target.Spread == 0)
            return [.. Enumerable.Repeat(target.Colour, pieces)];
        var chance = new Random(seed);
        var turn = 2 * Math.PI * chance.NextDouble();
        // Rayleigh quantiles: most pieces near, a few further off, as by one hand.
        var far = Enumerable.Range(0, pieces).Select(i => Math.Sqrt(-2 * Math.Log(1 - (i + 0.5) / pieces))).ToArray();
        var scale = target.Spread / Math.Sqrt(far.Average(one => one * one));
        chance.Shuffle(far);
        return [.. Enumerable.Range(0, pieces).Select(i => Off(target.Colour, turn + i * GoldenAngle, 1 - 2 * (i + 0.5) / pieces, scale * far[i]))];
    }

    /// <summary>A colour so far from another, along a direction on the sphere.</summary>
    private static Lab Off(Lab colour, double angle, double height, double deltaE)
    {
        var across = Math.Sqrt(1 - height * height);
        Lab Gone(double far) => ObjectColourSolid.Nearest(new Lab(
            colour.L + far * height, colour.A + far * across * Math.Cos(angle), colour.B + far * across * Math.Sin(angle)));
        // At the edge of what surfaces can be, the way ends before it is so far off.
        var most = 8 * deltaE + 1;
        return ColourStep.Along(colour, Gone, most, deltaE) ?? Gone(most);
    }
}
