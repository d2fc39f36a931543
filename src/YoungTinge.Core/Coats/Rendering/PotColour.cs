using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>What the pot of a coat looks like by itself, shown on white paste under daylight.</summary>
public static class PotColour
{
    /// <returns>Null for steam and a clear glaze.</returns>
    public static Lab? Of(Coat coat, Materials materials) => coat switch
    {
        DustCoat dust => SwatchColour.OfDust(DustMix.OpticsOf(dust.Mix, materials), materials),
        WashCoat wash => SwatchColour.OfWash(CoatStack.LayerOf(wash, materials), materials),
        GlazeCoat { Tint: { } tint } => SwatchColour.OfDust(DustMix.OpticsOf(tint.Mix, materials), materials),
        PollenCoat pollen => SwatchColour.Of(materials.Get<Crumb>(pollen.CrumbId), materials),
        _ => null,
    };
}
