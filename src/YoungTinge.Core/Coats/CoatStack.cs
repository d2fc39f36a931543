using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats;

/// <summary>The coats of one side of a piece as layers of colour.</summary>
public static class CoatStack
{
    /// <param name="coats">In order, first on the paste. The materials they name must be in the cabinet.</param>
    public static LayerStack Of(IReadOnlyList<Coat> coats, Scatterer paste, Materials materials, Side side) =>
        new(paste, [.. coats.Select(coat => LayerOf(coat, materials, side))]);

    private static Layer? LayerOf(Coat coat, Materials materials, Side side) => coat switch
    {
        DustCoat dust when dust.Sides.Include(side) => new DustLayer(DustOptics.Mix(dust.Mix, materials), dust.LoadMgPerCm2),
        WashCoat wash when wash.Sides.Include(side) =>
            LayerOf(wash, materials),
        SteamCoat => new SteamLayer(),
        GlazeCoat glaze when glaze.Sides.Include(side) => new GlazeLayer(
            materials.Get<Glaze>(glaze.GlazeId), glaze.Coats, glaze.Tint is { } tint ? new GlazeTint(DustOptics.Mix(tint.Mix, materials), tint.GPer10ml) : null),
        PollenCoat pollen when pollen.Sides.Include(side) => new CrumbLayer(materials.Get<Crumb>(pollen.CrumbId).Reflectance, pollen.Coverage),
        _ => null,
    };

    public static WashLayer LayerOf(WashCoat wash, Materials materials) =>
        PaintOptics.Wash(wash.Mix, materials.Get<Thinner>(wash.ThinnerId), wash.GPerMl, wash.WetMlPerCm2, materials);
}
