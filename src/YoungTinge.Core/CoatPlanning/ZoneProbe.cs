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
                var dust = Mean(trial, material => ((Dust)material).Optics);
                new DustFilm(isSteamed ? DustOptics.Steamed(dust) : dust).LayOn(face, trial.Total * share * (isSteamed ? DustOptics.SteamKeep : 1));
                break;
            case WashCoat:
                var wash = (WashLayer)trial.Coat.Resolve(materials).Layer;
                new WashFilm(paste, wash.Colour, wash.DepthMm).LayOn(face, share, bare: !hasDustBelow);
                break;
        }

        above.LayOn(face, new MeanLies(lies));
        return LabFromXyz.Convert(Illuminant.D65.XyzOf(face), Illuminant.D65.White);
    }

    private KubelkaMunkSpectra Mean(CandidateCoat candidate, Func<Material, KubelkaMunkSpectra> optics) => candidate.Materials.Count == 1
        ? optics(materials.Get<Material>(candidate.Materials[0]))
        : KubelkaMunkSpectra.Mean([.. candidate.Materials.Zip(candidate.Amounts).Select(part => (optics(materials.Get<Material>(part.First)), part.Second / candidate.Total))]);

    private readonly struct MeanLies((double Share, double Cover)[] lies) : ILayerCoverage
    {
        public double ShareOf(int layer) => lies[layer].Share;

        public double CoverOf(int layer) => lies[layer].Cover;
    }
}
