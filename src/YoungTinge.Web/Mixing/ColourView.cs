using YoungTinge.Core.Colour;

namespace YoungTinge.Web.Mixing;

/// <summary>A colour to show: under daylight, with what a screen paints for it and its plain words.</summary>
/// <param name="Hex">sRGB, as colourful as a screen can be.</param>
public sealed record ColourView(Lab Lab, string Hex, ColourWords Words)
{
    public static ColourView From(Lab lab) => new(lab, ScreenColour.From(lab, Illuminant.D65).ToHex(), ColourWords.Of(lab));
}
