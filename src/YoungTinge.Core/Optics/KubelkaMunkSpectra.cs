using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>
/// Kubelka-Munk absorption K and scattering S of a material, on the spectral grid. The unit is the holder's: 1/mm for paste,
/// 1/mm for each g per 100 g for a colourant, cm2/mg for a dust. K is about twice the ordinary absorption coefficient.
/// </summary>
public sealed record KubelkaMunkSpectra(Spectrum Absorption, Spectrum Scattering)
{
    /// <summary>Parts of several in one: the mean of K and of S.</summary>
    /// <param name="parts">Shares by mass, summing to 1.</param>
    public static KubelkaMunkSpectra Mean(IReadOnlyList<(KubelkaMunkSpectra Optics, double Share)> parts)
    {
        Span<double> absorption = stackalloc double[SpectralGrid.Bands], scattering = stackalloc double[SpectralGrid.Bands];
        absorption.Clear();
        scattering.Clear();
        foreach (var (optics, share) in parts)
        {
            SimdKubelkaMunk.Add(absorption, optics.Absorption.Values, share);
            SimdKubelkaMunk.Add(scattering, optics.Scattering.Values, share);
        }

        return new KubelkaMunkSpectra(new Spectrum(absorption), new Spectrum(scattering));
    }

    /// <summary>So many times as much of it.</summary>
    public KubelkaMunkSpectra Times(double amount) => new(Absorption.Times(amount), Scattering.Times(amount));

    /// <summary>Both at once, in one unit: K and S add up.</summary>
    public KubelkaMunkSpectra With(KubelkaMunkSpectra more) => new(
        Spectrum.From(band => Absorption[band] + more.Absorption[band]), Spectrum.From(band => Scattering[band] + more.Scattering[band]));
}
