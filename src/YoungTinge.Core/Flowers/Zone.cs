namespace YoungTinge.Core.Flowers;

/// <summary>A place that a maker really treats apart.</summary>
public enum Zone
{
    /// <summary>The edge.</summary>
    Rim,
    Tip,

    /// <summary>The middle of the face.</summary>
    Heart,

    /// <summary>Where the piece meets the stem.</summary>
    Base,

    /// <summary>The reverse.</summary>
    Back,
}

public static class ZoneSides
{
    /// <summary>That it is looked at from.</summary>
    public static Side Side(this Zone zone) => zone == Zone.Back ? Flowers.Side.Back : Flowers.Side.Face;
}
