using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>
/// The colour of paste as a smooth function of its doses, with slopes: what a solver works on. It answers as
/// <see cref="PasteOptics"/> does, without allocating. One paste, full rest, daylight.
/// </summary>
internal sealed class PasteColourModel
{
    private readonly double[] pasteK;
    private readonly double[] pasteS;
    private readonly double[][] k;
    private readonly double[][] s;
    private readonly Illuminant light = Illuminant.D65;

    public PasteColourModel(PasteBase paste, IReadOnlyList<Colourant> colourants)
    {
        pasteK = paste.Optics.Absorption.Values.ToArray();
        pasteS = paste.Optics.Scattering.Values.ToArray();
        k = [.. colourants.Select(colourant => colourant.Optics.Absorption.Values.ToArray())];
        s = [.. colourants.Select(colourant => colourant.Optics.Scattering.Values.ToArray())];
    }

    public Lab ColourOf(ReadOnlySpan<int> chosen, ReadOnlySpan<double> doses) => ColourAndSlopes(chosen, doses, []);

    /// <param name="chosen">Which colourants, by their place in the list.</param>
    /// <param name="doses">g per 100 g of each.</param>
    /// <param name="slopes">Empty, or room for one Lab per dose: change of colour for each g per 100 g more.</param>
    public Lab ColourAndSlopes(ReadOnlySpan<int> chosen, ReadOnlySpan<double> doses, Span<Lab> slopes)
    {
        ReadOnlySpan<double> wx = light.XWeights, wy = light.YWeights, wz = light.ZWeights;
        double x = 0, y = 0, z = 0;
        Span<double> dx = stackalloc double[slopes.Length], dy = stackalloc double[slopes.Length], dz = stackalloc double[slopes.Length];
        for (var band = 0; band < SpectralGrid.Bands; band++)
        {
            double bandK = pasteK[band], bandS = pasteS[band];
            for (var i = 0; i < chosen.Length; i++)
            {
                bandK += doses[i] * k[chosen[i]][band];
                bandS += doses[i] * s[chosen[i]][band];
            }

            var q = bandK / bandS;
            var root = Math.Sqrt(q * (q + 2));
            var r = 1 / (1 + q + root);
            x += wx[band] * r;
            y += wy[band] * r;
            z += wz[band] * r;
            if (slopes.Length == 0)
                continue;
            // dR/dq = -R / sqrt(q(q+2)); paste is never perfectly white, so the root is above 0.
            var perQ = -r / (root * bandS);
            for (var i = 0; i < chosen.Length; i++)
            {
                var dr = perQ * (k[chosen[i]][band] - q * s[chosen[i]][band]);
                dx[i] += wx[band] * dr;
                dy[i] += wy[band] * dr;
                dz[i] += wz[band] * dr;
            }
        }

        var white = light.White;
        double tx = x / white.X, ty = y / white.Y, tz = z / white.Z;
        for (var i = 0; i < slopes.Length; i++)
        {
            var fx = LabFromXyz.FSlope(tx) * dx[i] / white.X;
            var fy = LabFromXyz.FSlope(ty) * dy[i] / white.Y;
            var fz = LabFromXyz.FSlope(tz) * dz[i] / white.Z;
            slopes[i] = new Lab(116 * fy, 500 * (fx - fy), 200 * (fy - fz));
        }

        return LabFromXyz.Convert(new Xyz(x, y, z), white);
    }

    /// <summary>
    /// A first guess at the doses: the best fit of the paste's K/S to that of a reflectance, which is linear in the doses.
    /// </summary>
    /// <param name="ratio">K/S wanted in each band.</param>
    public void FitRatio(ReadOnlySpan<double> ratio, ReadOnlySpan<int> chosen, ReadOnlySpan<double> limits, Span<double> doses)
    {
        var n = chosen.Length;
        Span<double> normal = stackalloc double[n * n], right = stackalloc double[n], pull = stackalloc double[n];
        normal.Clear();
        right.Clear();
        for (var band = 0; band < SpectralGrid.Bands; band++)
        {
            var wanted = ratio[band] * pasteS[band];
            for (var i = 0; i < n; i++)
                pull[i] = (k[chosen[i]][band] - ratio[band] * s[chosen[i]][band]) / wanted;
            for (var i = 0; i < n; i++)
            {
                right[i] += pull[i] * (wanted - pasteK[band]) / wanted;
                for (var j = 0; j < n; j++)
                    normal[i * n + j] += pull[i] * pull[j];
            }
        }

        // Projected Gauss-Seidel: with two or three unknowns a few sweeps settle it.
        doses.Clear();
        for (var sweep = 0; sweep < 30; sweep++)
        {
            for (var i = 0; i < n; i++)
            {
                var rest = right[i];
                for (var j = 0; j < n; j++)
                    rest -= j == i ? 0 : normal[i * n + j] * doses[j];
                doses[i] = Math.Clamp(normal[i * n + i] > 0 ? rest / normal[i * n + i] : 0, 0, limits[i]);
            }
        }
    }
}
