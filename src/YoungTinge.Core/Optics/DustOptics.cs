namespace YoungTinge.Core.Optics;

/// <summary>What steam does to a dust that lies on a face. House figures.</summary>
public static class DustOptics
{
    /// <summary>Steam melts the dust into the face: it scatters less ...</summary>
    public const double SteamScattering = 0.60;

    /// <summary>... clumps dissolve and the colour spreads; without this a light pass would come out paler, against experience ...</summary>
    public const double SteamAbsorption = 1.10;

    /// <summary>... and a little is carried off.</summary>
    public const double SteamKeep = 0.97;

    /// <param name="dust">K and S, in cm2/mg.</param>
    public static KubelkaMunkSpectra Steamed(KubelkaMunkSpectra dust) => new(
        dust.Absorption.Map(k => k * SteamAbsorption),
        dust.Scattering.Map(s => s * SteamScattering));
}
