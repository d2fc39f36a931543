using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>The coats of one side of a piece as layers of colour.</summary>
public static class CoatStack
{
    /// <param name="coats">In order, first on the paste. The materials they name must be in the cabinet.</param>
    /// <param name="isLaid">Whether the coat at this place is there; all are by default.</param>
    public static LayerStack Of(IReadOnlyList<Coat> coats, KubelkaMunkSpectra paste, Materials materials, Side side, Func<int, bool>? isLaid = null) =>
        new(paste, [.. coats.Select((coat, i) => IsOn(coat, side) && (isLaid is null || isLaid(i)) ? LayerOf(coat, materials) : null)]);

    public static bool IsOn(Coat coat, Side side) => coat switch
    {
        IPlacedCoat placed => placed.Sides.Include(side),
        GlazeCoat glaze => glaze.Sides.Include(side),
        _ => true,
    };

    public static Layer? LayerOf(Coat coat, Materials materials) => coat switch
    {
        DustCoat dust => new DustLayer(DustMix.OpticsOf(dust.Mix, materials), dust.LoadMgPerCm2),
        WashCoat wash => LayerOf(wash, materials),
        SteamCoat => new SteamLayer(),
        GlazeCoat glaze => new GlazeLayer(
            materials.Get<Glaze>(glaze.GlazeId).Optics, glaze.Coats, glaze.Tint is { } tint ? new GlazeTint(DustMix.OpticsOf(tint.Mix, materials), tint.GPer10ml) : null),
        PollenCoat pollen => new CrumbLayer(materials.Get<Crumb>(pollen.CrumbId).Reflectance, pollen.Coverage),
        _ => null,
    };

    public static WashLayer LayerOf(WashCoat wash, Materials materials) =>
        PaintOptics.Wash(wash.Mix, materials.Get<Thinner>(wash.ThinnerId), wash.GPerMl, wash.WetMlPerCm2, materials);
}
