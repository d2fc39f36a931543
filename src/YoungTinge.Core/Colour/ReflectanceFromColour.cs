using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Colour;

/// <summary>
/// A smooth reflectance that has a given colour under D65: the least-slope method in the hyperbolic-tangent variable
/// (S. A. Burns). Many spectra have one colour; this is the plainest, a start for finders and for swatches of unknown make.
/// </summary>
public static class ReflectanceFromColour
{
    /// <summary>Keeps black and white inside the open interval where tanh can reach them.</summary>
    private const double Margin = 2e-6;

    /// <summary>Largest change of the variable in one step; a step halved by its residual stalls on dark saturated colours.</summary>
    private const double LargestMove = 1.0;

    private const double Tolerance = 1e-12;

    /// <summary>Share of its chroma by which a colour at the edge is drawn in at a time.</summary>
    private const double DrawnIn = 0.02;

    private const int MostSteps = 100;

    /// <param name="colour">Parts outside 0 to 1 are clamped.</param>
    /// <exception cref="InvalidOperationException">No convergence in 100 steps; not seen on any colour.</exception>
    public static Spectrum Convert(LinearRgb colour) =>
        Solve(Illuminant.D65.XyzOf(new LinearRgb(Clamp(colour.R), Clamp(colour.G), Clamp(colour.B))))
        ?? throw new InvalidOperationException($"No smooth reflectance found for {colour}.");

    /// <summary>The same for colours beyond a screen: up to what a surface can be. At that edge the colour is drawn in a little.</summary>
    /// <param name="colour">Under daylight.</param>
    public static Spectrum Convert(Lab colour)
    {
        var light = Illuminant.D65;
        var rgb = light.LinearRgbOf(colour);
        if (rgb.IsOnScreen)
            return Convert(rgb);
        var possible = ObjectColourSolid.Nearest(colour);
        for (var share = 1.0; share > 0; share -= DrawnIn)
        {
            var nearer = possible with { A = possible.A * share, B = possible.B * share };
            if (Solve(XyzFromLab.Convert(nearer, light.White)) is { } reflectance)
                return reflectance;
        }

        return Convert(rgb);
    }

    /// <returns>Null if it does not converge: the colour is at or over the edge of what a surface can be.</returns>
    private static Spectrum? Solve(Xyz colour)
    {
        const int n = SpectralGrid.Bands, size = n + 3;
        var light = Illuminant.D65;
        var (x, y, z) = colour * 0.01;
        double[] target = [x, y, z];
        if (y is not (> 0 and < 1))
            return null;
        double Weight(int row, int band) => 0.01 * (row == 0 ? light.XWeights : row == 1 ? light.YWeights : light.ZWeights)[band];

        var variable = new double[n];
        Array.Fill(variable, Math.Atanh(2 * target[1] - 1));
        var multiplier = new double[3];
        for (var step = 0; step < MostSteps; step++)
        {
            var jacobian = new double[size, size];
            var residual = new double[size];
            for (var row = 0; row < 3; row++)
                residual[n + row] = -target[row];
            for (var band = 0; band < n; band++)
            {
                var tanh = Math.Tanh(variable[band]);
                var slope = (1 - tanh * tanh) / 2;
                var pull = Enumerable.Range(0, 3).Sum(row => Weight(row, band) * multiplier[row]);
                var diagonal = band is 0 or n - 1 ? 2 : 4;
                residual[band] = diagonal * variable[band] + slope * pull;
                jacobian[band, band] = diagonal - 2 * tanh * slope * pull;
                foreach (var next in new[] { band - 1, band + 1 })
                {
                    if (next is < 0 or >= n)
                        continue;
                    residual[band] -= 2 * variable[next];
                    jacobian[band, next] = -2;
                }

                for (var row = 0; row < 3; row++)
                {
                    residual[n + row] += Weight(row, band) * (1 + tanh) / 2;
                    jacobian[band, n + row] = jacobian[n + row, band] = slope * Weight(row, band);
                }
            }

            if (residual.Max(Math.Abs) < Tolerance)
                return Spectrum.From(band => (1 + Math.Tanh(variable[band])) / 2);
            // At the edge of what a surface can be every band is full or empty, and none can move.
            if (LinearSystem.Solve(jacobian, residual) is not { } move)
                return null;
            var shorten = Math.Min(1, LargestMove / move.Take(n).Max(Math.Abs));
            for (var band = 0; band < n; band++)
                variable[band] -= shorten * move[band];
            for (var row = 0; row < 3; row++)
                multiplier[row] -= shorten * move[n + row];
        }

        return null;
    }

    private static double Clamp(double part) => Math.Clamp(part, Margin, 1 - Margin);
}
