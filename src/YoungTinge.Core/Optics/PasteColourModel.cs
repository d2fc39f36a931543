using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>
/// The colour of paste as a smooth function of its doses, with slopes: what a solver works on. It answers as
/// <see cref="KubelkaMunk"/> does with the sums of K and S, without allocating. One paste, full rest, daylight.
/// </summary>
internal sealed class PasteColourModel
{
    private const int FoursPerColour = SpectralGrid.Bands / 4;

    private readonly double[] pasteK;
    private readonly double[] pasteS;
    // One colour after the other, so that the hot path walks along one array.
    private readonly double[] k;
    private readonly double[] s;
    private readonly Illuminant light = Illuminant.D65;

    /// <param name="paste">In 1/mm.</param>
    /// <param name="colours">In 1/mm for each g per 100 g.</param>
    public PasteColourModel(KubelkaMunkSpectra paste, IReadOnlyList<KubelkaMunkSpectra> colours)
    {
        pasteK = paste.Absorption.Values.ToArray();
        pasteS = paste.Scattering.Values.ToArray();
        k = [.. colours.SelectMany(colour => colour.Absorption.Values.ToArray())];
        s = [.. colours.SelectMany(colour => colour.Scattering.Values.ToArray())];
    }

    public Lab ColourOf(ReadOnlySpan<int> chosen, ReadOnlySpan<double> doses) => ColourAndSlopes(chosen, doses, []);

    /// <summary>Four bands at a time: this is what the finder spends its time on.</summary>
    /// <param name="chosen">Which colourants, by their place in the list.</param>
    /// <param name="doses">g per 100 g of each.</param>
    /// <param name="slopes">Empty, or room for one Lab per dose: change of colour for each g per 100 g more.</param>
    public Lab ColourAndSlopes(ReadOnlySpan<int> chosen, ReadOnlySpan<double> doses, Span<Lab> slopes)
    {
        ReadOnlySpan<Vector256<double>> wx = Fours(light.XWeights), wy = Fours(light.YWeights), wz = Fours(light.ZWeights);
        ReadOnlySpan<Vector256<double>> ks = Fours(k), ss = Fours(s);
        Vector256<double> x = default, y = default, z = default;
        Span<Vector256<double>> dx = stackalloc Vector256<double>[slopes.Length];
        Span<Vector256<double>> dy = stackalloc Vector256<double>[slopes.Length];
        Span<Vector256<double>> dz = stackalloc Vector256<double>[slopes.Length];
        for (var four = 0; four < wx.Length; four++)
        {
            var r = Opaque(chosen, doses, four, out var bandS, out var q, out var root);
            x += wx[four] * r;
            y += wy[four] * r;
            z += wz[four] * r;
            if (slopes.Length == 0)
                continue;
            // dR/dq = -R / sqrt(q(q+2)); paste is never perfectly white, so the root is above 0.
            var perQ = -r / (root * bandS);
            for (var i = 0; i < chosen.Length; i++)
            {
                var at = chosen[i] * FoursPerColour + four;
                var dr = perQ * (ks[at] - q * ss[at]);
                dx[i] += wx[four] * dr;
                dy[i] += wy[four] * dr;
                dz[i] += wz[four] * dr;
            }
        }

        var white = light.White;
        var xyz = new Xyz(Vector256.Sum(x), Vector256.Sum(y), Vector256.Sum(z));
        double tx = xyz.X / white.X, ty = xyz.Y / white.Y, tz = xyz.Z / white.Z;
        double perX = LabFromXyz.FSlope(tx) / white.X, perY = LabFromXyz.FSlope(ty) / white.Y, perZ = LabFromXyz.FSlope(tz) / white.Z;
        for (var i = 0; i < slopes.Length; i++)
        {
            double fx = perX * Vector256.Sum(dx[i]), fy = perY * Vector256.Sum(dy[i]), fz = perZ * Vector256.Sum(dz[i]);
            slopes[i] = new Lab(116 * fy, 500 * (fx - fy), 200 * (fy - fz));
        }

        return LabFromXyz.Convert(xyz, white);
    }

    /// <param name="reflectance">Room for 36 values; becomes the face of the paste.</param>
    public void ReflectanceOf(ReadOnlySpan<int> chosen, ReadOnlySpan<double> doses, Span<double> reflectance)
    {
        var faces = MemoryMarshal.Cast<double, Vector256<double>>(reflectance);
        for (var four = 0; four < faces.Length; four++)
            faces[four] = Opaque(chosen, doses, four, out _, out _, out _);
    }

    /// <summary>R of an opaque layer in four bands, with what its slopes are made of.</summary>
    /// <remarks>Inlined: handing vectors over would cost more than the sum itself.</remarks>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Vector256<double> Opaque(
        ReadOnlySpan<int> chosen, ReadOnlySpan<double> doses, int four, out Vector256<double> bandS, out Vector256<double> q, out Vector256<double> root)
    {
        var bandK = Fours(pasteK)[four];
        bandS = Fours(pasteS)[four];
        for (var i = 0; i < chosen.Length; i++)
        {
            var at = chosen[i] * FoursPerColour + four;
            bandK += Fours(k)[at] * doses[i];
            bandS += Fours(s)[at] * doses[i];
        }

        q = bandK / bandS;
        root = Vector256.Sqrt(q * (q + Vector256.Create(2.0)));
        return Vector256<double>.One / (Vector256<double>.One + q + root);
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static ReadOnlySpan<Vector256<double>> Fours(ReadOnlySpan<double> bands) => MemoryMarshal.Cast<double, Vector256<double>>(bands);

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
                pull[i] = (k[chosen[i] * SpectralGrid.Bands + band] - ratio[band] * s[chosen[i] * SpectralGrid.Bands + band]) / wanted;
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
