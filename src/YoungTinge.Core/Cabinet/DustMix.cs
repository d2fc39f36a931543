using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet;

/// <summary>Dry colours mixed with each other and with starch.</summary>
public static class DustMix
{
    /// <summary>K and S of a mix, in cm2/mg: the mean by mass. Starch is one of the parts.</summary>
    /// <param name="mix">Parts in any one unit of mass; at least one above 0.</param>
    /// <exception cref="ArgumentException">No parts.</exception>
    public static KubelkaMunkSpectra OpticsOf(IReadOnlyList<Portion> mix, Materials materials)
    {
        var total = mix.Sum(portion => portion.Parts);
        if (!(total > 0))
            throw new ArgumentException("A dust mix needs at least one part of something.", nameof(mix));
        return KubelkaMunkSpectra.Mean([.. mix.Select(portion => (materials.Get<Dust>(portion.MaterialId).Optics, portion.Parts / total))]);
    }

    /// <summary>S of a mix where glaze has soaked it, in cm2/mg.</summary>
    /// <param name="mix">As in <see cref="OpticsOf"/>.</param>
    public static Spectrum WetScatteringOf(IReadOnlyList<Portion> mix, Materials materials)
    {
        var total = mix.Sum(portion => portion.Parts);
        Span<double> wet = stackalloc double[SpectralGrid.Bands];
        wet.Clear();
        foreach (var portion in mix)
            SimdKubelkaMunk.Add(wet, materials.Get<Dust>(portion.MaterialId).WetScattering.Values, portion.Parts / total);
        return new Spectrum(wet);
    }

    /// <summary>Whether there is any lustre in a mix.</summary>
    public static bool IsLustrous(IReadOnlyList<Portion> mix, Materials materials) => mix.Any(portion => materials.Get<Dust>(portion.MaterialId).Kind == DustKind.Lustre);

    /// <summary>The dust that a mix is known by: the one with most parts that is not there to let it down.</summary>
    /// <param name="mix">Not empty.</param>
    public static string MainOf(IReadOnlyList<Portion> mix, Materials materials) =>
        (mix.Where(portion => materials.Get<Dust>(portion.MaterialId).Kind != DustKind.Extender).MaxBy(portion => portion.Parts) ?? mix[0]).MaterialId;

    /// <summary>What a mix holds on a dry face, in mg/cm2: as its parts do, by mass.</summary>
    /// <param name="mix">At least one part above 0.</param>
    public static double LoadLimitMgPerCm2(IReadOnlyList<Portion> mix, Materials materials)
    {
        var total = mix.Sum(portion => portion.Parts);
        return mix.Sum(portion => portion.Parts / total * materials.Get<Dust>(portion.MaterialId).LoadLimitMgPerCm2);
    }
}
