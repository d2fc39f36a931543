using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>What steam and glaze do to a dust that lies on a face. House figures.</summary>
public static class DustOptics
{
    /// <summary>Steam melts the dust into the face: it scatters less ...</summary>
    public const double SteamScattering = 0.60;

    /// <summary>... clumps dissolve and the colour spreads; without this a light pass would come out paler, against experience ...</summary>
    public const double SteamAbsorption = 1.10;

    /// <summary>... and a little is carried off.</summary>
    public const double SteamKeep = 0.97;

    /// <summary>
    /// Share of its scattering that a dust keeps where liquid glaze fills it: powder scatters because it stands in air, as wet sand is
    /// darker than dry. Resin and starch differ little in how they bend light, but no brushed or sprayed coat soaks every grain.
    /// </summary>
    public const double WetScatter = 0.25;

    /// <summary>Flakes of a lustre bend light far more than the resin.</summary>
    public const double LustreWetScatter = 0.7;

    /// <param name="dust">K and S, in cm2/mg.</param>
    public static KubelkaMunkSpectra Steamed(KubelkaMunkSpectra dust) => Lying(dust, dust.Scattering, Later.Nothing with { IsSteamed = true });

    /// <param name="dust">K and S, in cm2/mg, as brushed on.</param>
    /// <param name="wetScattering">Where it is soaked, in cm2/mg.</param>
    internal static KubelkaMunkSpectra Lying(KubelkaMunkSpectra dust, Spectrum wetScattering, Later later) => new(
        later.IsSteamed ? dust.Absorption.Times(SteamAbsorption) : dust.Absorption, Spectrum.From(band => ScatteringOf(dust.Scattering[band], wetScattering[band], later)));

    /// <summary>K in one band, as it lies in the end.</summary>
    internal static double AbsorptionOf(double k, Later later) => later.IsSteamed ? k * SteamAbsorption : k;

    /// <summary>S in one band, as it lies in the end.</summary>
    internal static double ScatteringOf(double dry, double wet, Later later) => (later.Dry * dry + (1 - later.Dry) * wet) * (later.IsSteamed ? SteamScattering : 1);

    /// <summary>Share of its load that stays on the face.</summary>
    internal static double KeptBy(Later later) => later.IsSteamed ? SteamKeep : 1;
}
