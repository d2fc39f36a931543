using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Targets;

public enum StartingPointKind
{
    /// <summary>As a living flower or leaf is coloured.</summary>
    Natural,

    /// <summary>As none grows.</summary>
    Fantasy,
}

/// <summary>A whole set of zone targets to begin from: a natural colouring, or a fantasy palette with its finishes.</summary>
/// <param name="Id">Lower-case words joined by hyphens.</param>
/// <param name="Name">The plant, or the palette.</param>
/// <param name="Part">Petal, sepal, leaf ...; empty for a palette.</param>
/// <param name="Variant">Of the plant; empty for a palette.</param>
/// <param name="SeenIn">Season and light, or the mood of a palette, in words.</param>
/// <param name="Targets">One for every zone.</param>
public sealed record StartingPoint(
    string Id, StartingPointKind Kind, string Name, string Part, string Variant, string SeenIn, IReadOnlyDictionary<Zone, Target> Targets)
{
    public bool IsLeaf => Part == "leaf";
}
