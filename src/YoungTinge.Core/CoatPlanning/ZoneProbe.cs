using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>
/// A zone as one point of mean load, to try hundreds of coats at one place in the order. It errs by what a mean of loads differs
/// from a mean of looks; what it prefers is solved on the whole piece afterwards.
/// </summary>
internal sealed class ZoneProbe(
    KubelkaMunkSpectra paste, double[] below, bool hasDustBelow, LayerStack above, (double Share, double Cover)[] lies, bool isSteamed, double share, Materials materials)
{
    public Lab See(CandidateCoat trial)
    {
        Span<double> face = stackalloc double[SpectralGrid.Bands];
        below.CopyTo(face);
        switch (trial.Template)
        {
            case DustCoat:
                LayDust(trial, face);
                break;
            case WashCoat:
                var wash = (WashLayer)trial.Coat.Resolve(materials).Layer;
                new WashFilm(paste, wash.Colour, wash.DepthMm).LayOn(face, share, bare: !hasDustBelow);
                break;
        }

        above.LayOn(face, new MeanLies(lies));
        return LabFromXyz.Convert(Illuminant.D65.XyzOf(face), Illuminant.D65.White);
    }

    /// <summary>As a film of the mix would lie, without making one: a zone is probed with more than a thousand mixes.</summary>
    private void LayDust(CandidateCoat trial, Span<double> face)
    {
        if (trial.Total * share <= 0)
            return;
        Span<double> absorbed = stackalloc double[SpectralGrid.Bands], scattered = stackalloc double[SpectralGrid.Bands];
        absorbed.Clear();
        scattered.Clear();
        var absorbs = share * (isSteamed ? DustOptics.SteamKeep * DustOptics.SteamAbsorption : 1);
        var scatters = share * (isSteamed ? DustOptics.SteamKeep * DustOptics.SteamScattering : 1);
        for (var i = 0; i < trial.Materials.Count; i++)
        {
            var optics = materials.Get<Dust>(trial.Materials[i]).Optics;
            SimdKubelkaMunk.Add(absorbed, optics.Absorption.Values, absorbs * trial.Amounts[i]);
            SimdKubelkaMunk.Add(scattered, optics.Scattering.Values, scatters * trial.Amounts[i]);
        }

        SimdKubelkaMunk.LayOver(face, absorbed, scattered);
    }

    private readonly struct MeanLies((double Share, double Cover)[] lies) : ILayerCoverage
    {
        public double ShareOf(int layer) => lies[layer].Share;

        public double CoverOf(int layer) => lies[layer].Cover;
    }
}
