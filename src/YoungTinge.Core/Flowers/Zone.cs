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
