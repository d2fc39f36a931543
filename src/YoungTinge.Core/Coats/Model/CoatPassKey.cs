using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

public enum PassKind
{
    Dust,
    Wash,
    Steam,
    Glaze,
    Pollen,
}

/// <summary>With what a coat is done in one go.</summary>
/// <param name="Family">Of the brush that it takes; null for what takes none.</param>
/// <param name="Station">Where it is done: a brush family, the steam, a glaze.</param>
/// <param name="MixKey">The same for what is mixed or done in one go.</param>
/// <param name="Lightness">L of its pot: the palest goes first. 0 for what has none.</param>
public sealed record CoatPassKey(PassKind Kind, BrushFamily? Family, string Station, string MixKey, double Lightness)
{
    /// <summary>It goes over a standing flower at once, not piece by piece.</summary>
    public bool IsOverAll => Kind is PassKind.Steam or PassKind.Glaze;

    /// <summary>A mix in shares, so that one to one is two to two.</summary>
    public static string KeyOf(IReadOnlyList<Portion> mix)
    {
        var whole = mix.Sum(portion => portion.Parts);
        return string.Join('+', mix.OrderBy(portion => portion.MaterialId, StringComparer.Ordinal).Select(portion => FormattableString.Invariant($"{portion.MaterialId}:{portion.Parts / whole:0.###}")));
    }
}
