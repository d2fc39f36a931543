using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>The colour of a rested opaque paste by how its jars differ from their lists, with slopes. Daylight.</summary>
internal static class PasteSlopes
{
    /// <param name="paste">In 1/mm.</param>
    /// <param name="jars">K and S of the jars as they are thought to be, in the order of the doses.</param>
    /// <param name="slopes">Room for two to a dose: by strength and by tilt, in L, a and b.</param>
    public static Lab ColourAndSlopes(KubelkaMunkSpectra paste, IReadOnlyList<KubelkaMunkSpectra> jars, IReadOnlyList<JarDose> doses, Span<Lab> slopes)
    {
        var light = Illuminant.D65;
        ReadOnlySpan<double> wx = light.XWeights, wy = light.YWeights, wz = light.ZWeights;
        double x = 0, y = 0, z = 0;
        Span<double> dx = stackalloc double[slopes.Length], dy = stackalloc double[slopes.Length], dz = stackalloc double[slopes.Length];
        dx.Clear();
        dy.Clear();
        dz.Clear();
        for (var band = 0; band < SpectralGrid.Bands; band++)
        {
            double k = paste.Absorption[band], s = paste.Scattering[band];
            for (var i = 0; i < doses.Count; i++)
            {
                k += doses[i].GPer100g * jars[i].Absorption[band];
                s += doses[i].GPer100g * jars[i].Scattering[band];
            }

            var q = k / s;
            var root = Math.Sqrt(q * (q + 2));
            var r = 1 / (1 + q + root);
            x += wx[band] * r;
            y += wy[band] * r;
            z += wz[band] * r;
            // dR/dq = -R / sqrt(q(q+2)); paste is never perfectly white, so the root is above 0.
            var perQ = -r / (root * s);
            for (var i = 0; i < doses.Count; i++)
            {
                double ki = doses[i].GPer100g * jars[i].Absorption[band], si = doses[i].GPer100g * jars[i].Scattering[band];
                var byStrength = perQ * (ki - q * si);
                var byTilt = perQ * ki * JarDifference.TiltAt(band);
                dx[2 * i] += wx[band] * byStrength;
                dy[2 * i] += wy[band] * byStrength;
                dz[2 * i] += wz[band] * byStrength;
                dx[2 * i + 1] += wx[band] * byTilt;
                dy[2 * i + 1] += wy[band] * byTilt;
                dz[2 * i + 1] += wz[band] * byTilt;
            }
        }

        var white = light.White;
        double perX = LabFromXyz.FSlope(x / white.X) / white.X, perY = LabFromXyz.FSlope(y / white.Y) / white.Y, perZ = LabFromXyz.FSlope(z / white.Z) / white.Z;
        for (var i = 0; i < slopes.Length; i++)
            slopes[i] = new Lab(116 * perY * dy[i], 500 * (perX * dx[i] - perY * dy[i]), 200 * (perY * dy[i] - perZ * dz[i]));
        return LabFromXyz.Convert(new Xyz(x, y, z), white);
    }
}
