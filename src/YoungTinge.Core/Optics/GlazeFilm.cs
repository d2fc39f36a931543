using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Optics;

/// <summary>
/// Clear coats over a face. Light that the film turns back inside strikes the colour again, so every glaze deepens
/// (the correction of Saunderson, 1942, for the share of the face that has become glossy).
/// </summary>
public sealed class GlazeFilm
{
    private readonly double glossy;
    private readonly double passed;
    private readonly double inner;

    /// <param name="coats">0 or more; 0 changes nothing.</param>
    public GlazeFilm(Glaze glaze, int coats)
    {
        glossy = 1 - Math.Pow(1 - glaze.Gloss, coats);
        passed = (1 - glaze.OuterReflection) * (1 - glaze.InnerReflection);
        inner = glaze.InnerReflection;
    }

    /// <param name="reflectance">0 to 1 in each band; changed in place. The gloss itself is not part of it: it shows in highlights only.</param>
    public void LayOn(Span<double> reflectance)
    {
        foreach (ref var r in reflectance)
            r = (1 - glossy) * r + glossy * passed * r / (1 - inner * r);
    }
}
