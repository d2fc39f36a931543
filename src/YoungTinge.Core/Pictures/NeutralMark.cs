namespace YoungTinge.Core.Pictures;

/// <summary>What it is that a maker has marked as neutral.</summary>
public enum NeutralKind
{
    /// <summary>A white card or sheet of paper: it sets the exposure too.</summary>
    WhiteCard,

    /// <summary>A photographer's grey card: it sets the exposure too.</summary>
    GreyCard,

    /// <summary>Something grey or white of unknown lightness: only the cast is removed.</summary>
    SomethingGrey,
}

public static class NeutralKindExtensions
{
    /// <summary>Reflectance of clean matt white card and of a standard 18 % grey card; null is not known.</summary>
    public static double? Reflectance(this NeutralKind kind) => kind switch
    {
        NeutralKind.WhiteCard => 0.90,
        NeutralKind.GreyCard => 0.18,
        _ => null,
    };
}

/// <summary>How a picture's light is known.</summary>
/// <param name="Mark">Where something neutral lies; null if nothing is marked.</param>
/// <param name="Kind">What lies there.</param>
/// <param name="AsIs">Without a mark: the picture's own colours are believed, and not estimated anew. For a camera that has said what its colours mean.</param>
public sealed record PictureLight(Box? Mark, NeutralKind Kind, bool AsIs = false)
{
    public static PictureLight AsItIs { get; } = new(null, NeutralKind.SomethingGrey, AsIs: true);

    public static PictureLight Estimated { get; } = new(null, NeutralKind.SomethingGrey);
}
