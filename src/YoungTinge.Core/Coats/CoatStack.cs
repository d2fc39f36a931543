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
        SteamCoat => new SteamLayer(),
        GlazeCoat glaze when glaze.Sides.Include(side) => new GlazeLayer(materials.Get<Glaze>(glaze.GlazeId), glaze.Coats),
        _ => null,
    };
}
