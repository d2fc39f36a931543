using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet.Characterising;

/// <summary>A trial of an unknown material in a known amount.</summary>
/// <param name="Amount">g per 100 g of paste for a colourant, mg/cm2 for a dust; above 0.</param>
/// <param name="Reflectance">Of the dab, 0 to 1; above 0 for a colourant.</param>
public sealed record Dab(double Amount, Spectrum Reflectance);

/// <summary>A material's optics as learned from dabs, and how well they tell the dabs again.</summary>
/// <param name="WorstDeltaE">Largest CIEDE2000 (daylight) between a dab and what the model says for it.</param>
/// <param name="IsRough">One dab fixes one figure only: how it scatters was assumed.</param>
public sealed record LearnedOptics(KubelkaMunkSpectra Optics, double WorstDeltaE, bool IsRough)
{
    /// <summary>Under this CIEDE2000 the model tells a dab as well as an eye does.</summary>
    private const double GoodBelow = 1;

    /// <summary>From here on a dab may be mislabelled, or was read in uneven light.</summary>
    private const double PoorFrom = 3;

    public FitQuality Quality => IsRough ? FitQuality.Rough : WorstDeltaE < GoodBelow ? FitQuality.Good : WorstDeltaE < PoorFrom ? FitQuality.Fair : FitQuality.Poor;
}

/// <summary>How well a model tells its dabs again.</summary>
public enum FitQuality
{
    Good,
    Fair,
    Poor,

    /// <summary>One dab alone: it fits always and tells little.</summary>
    Rough,
}

/// <summary>
/// The optics of an unknown material from one to four dabs. Scattering is taken as a smooth power law of the wavelength,
/// absorption is free in every band; both are chosen so that the dabs come out again (least squares in reflectance).
/// </summary>
public static class OpticsEstimator
{
    public const int MostDabs = 4;

    /// <summary>From large pale grains (0) to fine ones that scatter blue most.</summary>
    private static readonly double[] Powers = [0, 0.3, 0.7];

    private const double ReferenceNm = 550;

    /// <exception cref="ArgumentException">No dab, more than four, or an amount that is not above 0.</exception>
    public static LearnedOptics Colourant(IReadOnlyList<Dab> dabs, KubelkaMunkSpectra paste)
    {
        Check([.. dabs.Select(dab => dab.Amount)]);
        if (dabs.Count == 1)
            return Learned(FromSwatch.Colourant(dabs[0].Reflectance, dabs[0].Amount, paste), dabs, InPaste, rough: true);
        // How much a colour scatters shows only where it covers: up to twice the paste's own scattering for a gram.
        return Learned(BestScattering(0, 2 * paste.Scattering.Values.ToArray().Max(), Model, dabs, InPaste), dabs, InPaste, rough: false);

        KubelkaMunkSpectra Model(Spectrum s) => new(Spectrum.From(band => BestAbsorption(band, s[band])), s);

        double BestAbsorption(int band, double s)
        {
            // Each dab says what K of the mix must be; weighted by how much its reflectance answers to K.
            double sum = 0, weights = 0;
            foreach (var dab in dabs)
            {
                var r = Math.Clamp(dab.Reflectance[band], 1e-4, 0.9999);
                var q = KubelkaMunk.RatioFromReflectance(r);
                var mixS = paste.Scattering[band] + dab.Amount * s;
                var weight = dab.Amount * r / (Math.Sqrt(q * (q + 2)) * mixS);
                sum += weight * weight * (q * mixS - paste.Absorption[band]) / dab.Amount;
                weights += weight * weight;
            }

            return Math.Max(0, sum / weights);
        }

        Spectrum InPaste(KubelkaMunkSpectra colour, double gPer100g) => DabColour.InPaste(colour, gPer100g, paste);
    }

    /// <param name="below">Reflectance of the face that the dust was rubbed out on.</param>
    /// <exception cref="ArgumentException">No dab, more than four, or an amount that is not above 0.</exception>
    public static LearnedOptics Dust(IReadOnlyList<Dab> dabs, Spectrum below)
    {
        Check([.. dabs.Select(dab => dab.Amount)]);
        return dabs.Count == 1
            ? Learned(Model(Spectrum.From(_ => 1.0)), dabs, OnFace, rough: true)
            : Learned(BestScattering(0.05, 6, Model, dabs, OnFace), dabs, OnFace, rough: false);

        KubelkaMunkSpectra Model(Spectrum s) => new(Spectrum.From(band => Minimum(0, 60, k => Miss(band, k, s[band]), 40)), s);

        double Miss(int band, double k, double s) => dabs.Sum(dab =>
        {
            var miss = KubelkaMunk.Layer(k, s, dab.Amount, below[band]) - dab.Reflectance[band];
            return miss * miss;
        });

        Spectrum OnFace(KubelkaMunkSpectra dust, double load) => DabColour.RubbedOut(dust, load, below);
    }

    /// <exception cref="ArgumentException">No dab, more than four, or an amount that is not above 0.</exception>
    internal static void Check(IReadOnlyList<double> amounts)
    {
        if (amounts.Count is < 1 or > MostDabs || amounts.Any(amount => !(amount > 0 && double.IsFinite(amount))))
            throw new ArgumentException($"One to {MostDabs} dabs are needed, each with an amount above 0.", nameof(amounts));
    }

    private static LearnedOptics Learned(KubelkaMunkSpectra optics, IReadOnlyList<Dab> dabs, Func<KubelkaMunkSpectra, double, Spectrum> look, bool rough)
    {
        var light = Illuminant.D65;
        return new LearnedOptics(
            optics, dabs.Max(dab => DeltaE2000.Between(light.LabOf(dab.Reflectance), light.LabOf(look(optics, dab.Amount)))), rough);
    }

    private static KubelkaMunkSpectra BestScattering(
        double least, double most, Func<Spectrum, KubelkaMunkSpectra> model, IReadOnlyList<Dab> dabs, Func<KubelkaMunkSpectra, double, Spectrum> look)
    {
        var best = (Miss: double.PositiveInfinity, Optics: (KubelkaMunkSpectra?)null);
        foreach (var power in Powers)
        {
            // In cubes: small scattering matters most, and dyes have none at all.
            var root = Minimum(Math.Cbrt(least), Math.Cbrt(most), at => Miss(model(Law(at * at * at, power))), 24);
            foreach (var at in new[] { root, Math.Cbrt(least) })
            {
                var optics = model(Law(at * at * at, power));
                if (Miss(optics) is var miss && miss < best.Miss)
                    best = (miss, optics);
            }
        }

        return best.Optics!;

        double Miss(KubelkaMunkSpectra optics) => dabs.Sum(dab =>
        {
            var seen = look(optics, dab.Amount);
            return Enumerable.Range(0, SpectralGrid.Bands).Sum(band => Math.Pow(seen[band] - dab.Reflectance[band], 2));
        });

        static Spectrum Law(double scattering, double power) =>
            Spectrum.From(band => scattering * Math.Pow(ReferenceNm / SpectralGrid.WavelengthNm(band), power));
    }

    /// <summary>
    /// Golden section: for a function with one valley. (The library's own looks past its bounds when the valley lies at one of them, as
    /// it does for a dye, which scatters nothing.)
    /// </summary>
    private static double Minimum(double low, double high, Func<double, double> of, int steps)
    {
        const double golden = 0.6180339887498949;
        double left = high - golden * (high - low), right = low + golden * (high - low);
        double atLeft = of(left), atRight = of(right);
        for (var step = 0; step < steps; step++)
        {
            if (atLeft < atRight)
            {
                (high, right, atRight) = (right, left, atLeft);
                left = high - golden * (high - low);
                atLeft = of(left);
            }
            else
            {
                (low, left, atLeft) = (left, right, atRight);
                right = low + golden * (high - low);
                atRight = of(right);
            }
        }

        return (low + high) / 2;
    }
}
