using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>Mean of a zone with the coats below one of its coats.</summary>
/// <param name="Reflectance">36 values, 0 to 1.</param>
/// <param name="From">The first coat that does not lie there yet.</param>
/// <param name="IsBare">Nothing but paste and washes below.</param>
internal sealed record ProbeGround(double[] Reflectance, int From, bool IsBare);

/// <summary>
/// A zone as one point of mean load, to try hundreds of coats at one place in the order. It errs by what a mean of loads differs
/// from a mean of looks; what it prefers is solved on the whole piece afterwards.
/// </summary>
/// <param name="films">All coats but that on trial.</param>
/// <param name="lies">Mean share and cover of all coats, that on trial too.</param>
/// <param name="at">Place of the coat on trial.</param>
/// <param name="isOnSide">Whether it lies on this side.</param>
/// <param name="later">What comes over it.</param>
internal sealed class ZoneProbe(SoakedSkin skin, ProbeGround ground, Film?[] films, (double Share, double Cover)[] lies, int at, bool isOnSide, Later later, Materials materials)
{
    private readonly LayerStack others = new(skin, films);
    private readonly double share = isOnSide ? lies[at].Share : 0;

    /// <param name="amounts">Of its materials.</param>
    public Lab See(CandidateCoat trial, ReadOnlySpan<double> amounts)
    {
        var spot = new Spot(stackalloc double[Spot.Room]);
        spot.Begin(ground.Reflectance, ground.IsBare);
        switch (trial.Template)
        {
            case DustCoat:
                LayDust(trial, amounts, ref spot);
                others.LayOn(ref spot, new MeanLies(lies), at + 1, lies.Length);
                break;
            case WashCoat when share > 0:
                Film?[] all = [.. films];
                all[at] = trial.With([.. amounts]).Coat.Resolve(materials).Layer.ReadyUnder(later);
                new LayerStack(skin, all).LayOn(ref spot, new MeanLies(lies), ground.From, lies.Length);
                break;
            default:
                others.LayOn(ref spot, new MeanLies(lies), ground.From, lies.Length);
                break;
        }

        return LabFromXyz.Convert(Illuminant.D65.XyzOf(spot.Reflectance), Illuminant.D65.White);
    }

    /// <summary>As a film of the mix would lie, without making one: a zone is probed with more than a thousand mixes.</summary>
    private void LayDust(CandidateCoat trial, ReadOnlySpan<double> amounts, ref Spot spot)
    {
        if (share <= 0)
            return;
        Span<double> absorbed = stackalloc double[SpectralGrid.Bands], scattered = stackalloc double[SpectralGrid.Bands];
        absorbed.Clear();
        scattered.Clear();
        var planned = 0.0;
        foreach (var amount in amounts)
            planned += amount;
        var kept = share * materials.Hand.DustTimes(planned) * DustOptics.KeptBy(later);
        var absorbs = DustOptics.AbsorptionOf(kept, later);
        for (var i = 0; i < trial.Materials.Count; i++)
        {
            var dust = materials.Get<Dust>(trial.Materials[i]);
            SimdKubelkaMunk.Add(absorbed, dust.Optics.Absorption.Values, absorbs * amounts[i]);
            SimdKubelkaMunk.Add(scattered, dust.Optics.Scattering.Values, DustOptics.ScatteringOf(kept, kept * dust.WetScatter, later) * amounts[i]);
        }

        SimdKubelkaMunk.LayOver(spot.Reflectance, absorbed, scattered);
        spot.Cover();
    }

    private readonly struct MeanLies((double Share, double Cover)[] lies) : ILayerCoverage
    {
        public double ShareOf(int layer) => lies[layer].Share;

        public double CoverOf(int layer) => lies[layer].Cover;
    }
}
