using MathNet.Numerics.LinearAlgebra;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet.Characterising;

/// <summary>A trial of an unknown material of which only the colour is known, as from a photograph.</summary>
/// <param name="Amount">g per 100 g of paste for a colourant, mg/cm2 for a dust; above 0.</param>
/// <param name="Colour">Under daylight.</param>
public sealed record SeenDab(double Amount, Lab Colour);

/// <summary>
/// The optics of an unknown material from the colours of one to four dabs. Three numbers a dab do not fix 36 bands: among all
/// absorptions that give the dabs, the one is taken that is most like those of known colours (a Gaussian process in the logarithm
/// of absorption: mean and covariance of the cabinet's own colours, drawn towards a smooth curve). Dabs at several doses count
/// for more than their number, as deep ones show the bands that pale ones hide.
/// </summary>
public static class SeenOpticsEstimator
{
    // In CIELAB units: what a photograph beside a white card is good for.
    private const double ColourError = 0.7;

    /// <summary>How much the cabinet's colours say about an unknown one, against a plain smooth curve.</summary>
    private const double CabinetShare = 0.85;

    private const double SmoothNm = 45;
    private const double SmoothSpread = 1.6;
    private const double LogFloorShare = 0.004;
    private const int MostSteps = 40;
    private const double Nudge = 1e-4;

    /// <param name="known">Colours to learn from what colours are like.</param>
    /// <exception cref="ArgumentException">No dab, more than four, or an amount that is not above 0.</exception>
    public static LearnedOptics Colourant(IReadOnlyList<SeenDab> dabs, KubelkaMunkSpectra paste, IEnumerable<Colourant> known)
    {
        OpticsEstimator.Check([.. dabs.Select(dab => dab.Amount)]);
        return Best(dabs, [.. known.Select(colourant => colourant.Optics)], (k, s, amount, band) =>
            KubelkaMunk.Opaque(paste.Absorption[band] + amount * k, paste.Scattering[band] + amount * s), ScatteringPerPeak);
    }

    /// <param name="below">Reflectance of the face that the dust was rubbed out on.</param>
    /// <exception cref="ArgumentException">No dab, more than four, or an amount that is not above 0.</exception>
    public static LearnedOptics Dust(IReadOnlyList<SeenDab> dabs, Spectrum below, IEnumerable<Dust> known)
    {
        OpticsEstimator.Check([.. dabs.Select(dab => dab.Amount)]);
        return Best(dabs, [.. known.Select(dust => dust.Optics)], (k, s, amount, band) => KubelkaMunk.Layer(k, s, amount, below[band]), DustScattering);
    }

    /// <summary>In 1/mm for each g per 100 g: dyes scatter nothing, pigments a little.</summary>
    private static readonly double[] ScatteringPerPeak = [0, 0.5, 2, 6];

    /// <summary>In cm2/mg.</summary>
    private static readonly double[] DustScattering = [0.6, 0.85, 1.1, 1.6, 2.4, 3.4];

    private static LearnedOptics Best(IReadOnlyList<SeenDab> dabs, IReadOnlyList<KubelkaMunkSpectra> known, Func<double, double, double, int, double> look, double[] scatterings)
    {
        var prior = Prior.Of(known);
        var light = Illuminant.D65;
        LearnedOptics? best = null;
        var least = double.PositiveInfinity;
        foreach (var scattering in dabs.Count == 1 ? scatterings[..1] : scatterings)
        {
            var (k, cost) = Fit(dabs, prior, (k, amount, band) => look(k, scattering, amount, band));
            if (cost >= least)
                continue;
            least = cost;
            var optics = new KubelkaMunkSpectra(Spectrum.From(band => k[band]), Spectrum.From(_ => scattering));
            var worst = dabs.Max(dab => DeltaE2000.Between(dab.Colour, light.LabOf(Spectrum.From(band => look(k[band], scattering, dab.Amount, band)))));
            best = new LearnedOptics(optics, worst, dabs.Count == 1);
        }

        return best!;
    }

    /// <summary>Gauss-Newton on the logarithm of absorption, with steps shortened until they help.</summary>
    private static (double[] K, double Cost) Fit(IReadOnlyList<SeenDab> dabs, Prior prior, Func<double, double, int, double> look)
    {
        var z = prior.Start(dabs, look);
        var cost = Cost(z);
        for (var step = 0; step < MostSteps; step++)
        {
            var normal = prior.Precision;
            var pull = prior.Pull(z);
            foreach (var dab in dabs)
            {
                var miss = Miss(z, dab);
                var slopes = Matrix<double>.Build.DenseOfColumnVectors(Enumerable.Range(0, SpectralGrid.Bands).Select(band => (Miss(Nudged(z, band), dab) - miss) / Nudge));
                normal += slopes.TransposeThisAndMultiply(slopes);
                pull += slopes.TransposeThisAndMultiply(miss);
            }

            var move = normal.Cholesky().Solve(pull);
            var share = 1.0;
            Vector<double> next;
            double nextCost;
            do
            {
                next = z - share * move;
                nextCost = Cost(next);
                share /= 2;
            }
            while (!(nextCost <= cost) && share > 1e-4);
            var gain = cost - nextCost;
            if (!(gain > 0))
                break;
            (z, cost) = (next, nextCost);
            if (gain < 1e-6 * cost + 1e-9)
                break;
        }

        return ([.. z.Select(Math.Exp)], cost);

        double Cost(Vector<double> at) => prior.Cost(at) + dabs.Sum(dab => Miss(at, dab).Sum(m => m * m));

        static Vector<double> Nudged(Vector<double> at, int band)
        {
            var nudged = at.Clone();
            nudged[band] += Nudge;
            return nudged;
        }

        Vector<double> Miss(Vector<double> at, SeenDab dab)
        {
            var lab = Illuminant.D65.LabOf(Spectrum.From(band => look(Math.Exp(at[band]), dab.Amount, band)));
            // Lightness is read better than hue of pale colours; chroma counts less where there is much of it, as in CIEDE2000.
            var chroma = 1 + 0.045 * dab.Colour.Chroma;
            return Vector<double>.Build.Dense(
                [(lab.L - dab.Colour.L) / ColourError, (lab.A - dab.Colour.A) / ColourError / chroma, (lab.B - dab.Colour.B) / ColourError / chroma]);
        }
    }

    /// <summary>What the logarithm of a colour's absorption is like before anything is seen of it.</summary>
    private sealed class Prior
    {
        private const int N = SpectralGrid.Bands;

        private readonly Vector<double> mean;

        private Prior(Vector<double> mean, Matrix<double> precision) => (this.mean, Precision) = (mean, precision);

        /// <summary>Inverse of the covariance.</summary>
        public Matrix<double> Precision { get; }

        public static Prior Of(IReadOnlyList<KubelkaMunkSpectra> known)
        {
            var logs = known.Select(one =>
            {
                var most = one.Absorption.Values.ToArray().Max();
                return one.Absorption.Values.ToArray().Select(k => Math.Log(Math.Max(k, LogFloorShare * most) + 1e-6)).ToArray();
            }).ToList();
            var mean = Vector<double>.Build.Dense(N, band => logs.Count > 0 ? logs.Average(log => log[band]) : 0);
            // Colours are not all of one strength: the level is free, the shape is what is learned.
            var share = logs.Count > 4 ? CabinetShare : 0;
            var covariance = Matrix<double>.Build.Dense(N, N, (i, j) =>
            {
                var apart = (i - j) * SpectralGrid.StepNm / SmoothNm;
                var smooth = SmoothSpread * SmoothSpread * Math.Exp(-apart * apart / 2) + 4 + (i == j ? 1e-3 : 0);
                var seen = logs.Count > 0 ? logs.Sum(log => (log[i] - mean[i]) * (log[j] - mean[j])) / logs.Count : 0;
                return share * seen + (1 - share) * smooth;
            });
            return new Prior(mean, covariance.Inverse());
        }

        public double Cost(Vector<double> z) => (z - mean) * Pull(z);

        /// <summary>Half the slope of the cost.</summary>
        public Vector<double> Pull(Vector<double> z) => Precision * (z - mean);

        /// <summary>From the plainest reflectance of the palest dab, which leaves most bands in sight.</summary>
        public Vector<double> Start(IReadOnlyList<SeenDab> dabs, Func<double, double, int, double> look)
        {
            var dab = dabs.MinBy(one => one.Amount)!;
            var wanted = ReflectanceFromColour.Convert(dab.Colour);
            var least = mean.Maximum() - 6;
            return Vector<double>.Build.Dense(N, band =>
            {
                double low = Math.Log(1e-4), high = Math.Log(300);
                for (var i = 0; i < 40; i++)
                {
                    var middle = (low + high) / 2;
                    (low, high) = look(Math.Exp(middle), dab.Amount, band) > wanted[band] ? (middle, high) : (low, middle);
                }

                return Math.Max((low + high) / 2, least);
            });
        }
    }
}
