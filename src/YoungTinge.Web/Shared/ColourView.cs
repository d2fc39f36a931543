using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;

namespace YoungTinge.Web.Shared;

/// <summary>A colour to show, with what a screen paints for it and its plain words.</summary>
/// <param name="Lab">Relative to the white of its light: daylight unless said otherwise.</param>
/// <param name="Hex">sRGB, as colourful as a screen can be; the eye adapted to the light.</param>
public sealed record ColourView(Lab Lab, string Hex, ColourWords Words)
{
    public static ColourView From(Lab lab) => From(lab, Illuminant.D65);

    public static ColourView From(Lab lab, Illuminant light) => new(lab, ScreenColour.From(lab, light).ToHex(), ColourWords.Of(lab));

    /// <summary>What the pot of a coat looks like; null for steam and a clear glaze.</summary>
    public static ColourView? OfPot(ResolvedCoat coat) => coat.Pot is { } pot ? From(pot) : null;
}
