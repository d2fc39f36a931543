using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Flowers;

/// <summary>How a face answers to light, beyond its colour.</summary>
public enum Finish
{
    Matt,
    Satin,
    Gloss,
    Pearl,
    Metallic,
    Frosted,
}

public static class Finishes
{
    /// <summary>Pearl, metal and frost are all made with lustre.</summary>
    public static bool Shimmers(this Finish finish) => finish is Finish.Pearl or Finish.Metallic or Finish.Frosted;
}

/// <summary>What a zone of the finished piece should look like.</summary>
/// <param name="Colour">Under daylight; the middle of what may come out.</param>
/// <param name="Spread">How far pieces of one whorl should differ from it, as a CIEDE2000: alike, but not clones. 0 to 12.</param>
public sealed record Target(Lab Colour, double Spread, Finish Finish)
{
    public const double MostSpread = 12;

    /// <summary>As petals of one whorl differ that were dusted by one hand.</summary>
    public const double UsualSpread = 2;

    public static Target Of(Lab colour) => new(colour, UsualSpread, Finish.Matt);
}
