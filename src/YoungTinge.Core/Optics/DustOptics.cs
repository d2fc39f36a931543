using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Optics;

/// <summary>Dry colours mixed with each other and with starch, before and after steam.</summary>
public static class DustOptics
{
    /// <summary>Steam melts the dust into the face: it scatters less ...</summary>
    public const double SteamScattering = 0.60;

    /// <summary>... clumps dissolve and the colour spreads; without this a light pass would come out paler, against experience ...</summary>
    public const double SteamAbsorption = 1.10;

    /// <summary>... and a little is carried off.</summary>
    public const double SteamKeep = 0.97;

    /// <summary>K and S of a mix, in cm2/mg: the mean by mass. Starch is one of the parts.</summary>
    /// <param name="mix">Parts in any one unit of mass; at least one above 0.</param>
    /// <exception cref="ArgumentException">No parts.</exception>
    public static Scatterer Mix(IReadOnlyList<Portion> mix, Materials materials)
    {
        var total = mix.Sum(portion => portion.Parts);
        if (!(total > 0))
            throw new ArgumentException("A dust mix needs at least one part of something.", nameof(mix));
        return Scatterer.Mean([.. mix.Select(portion => (materials.Get<Dust>(portion.MaterialId).Optics, portion.Parts / total))]);
    }

    /// <summary>Whether there is any lustre in a mix.</summary>
    public static bool IsLustrous(IReadOnlyList<Portion> mix, Materials materials) => mix.Any(portion => materials.Get<Dust>(portion.MaterialId).Kind == DustKind.Lustre);

    /// <summary>The dust that a mix is known by: the one with most parts that is not there to let it down.</summary>
    /// <param name="mix">Not empty.</param>
    public static string MainOf(IReadOnlyList<Portion> mix, Materials materials) =>
        (mix.Where(portion => materials.Get<Dust>(portion.MaterialId).Kind != DustKind.Extender).MaxBy(portion => portion.Parts) ?? mix[0]).MaterialId;

    public static Scatterer Steamed(Scatterer dust) => new(
        dust.Absorption.Map(k => k * SteamAbsorption),
        dust.Scattering.Map(s => s * SteamScattering));
}
