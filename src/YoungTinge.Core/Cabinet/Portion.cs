namespace YoungTinge.Core.Cabinet;

/// <summary>One material in a mix: dust or starch to brush on or to stir into a glaze, a colour or a dust to let down for painting.</summary>
/// <param name="Parts">By mass, in any one unit.</param>
public sealed record Portion(string MaterialId, double Parts)
{
    /// <summary>Each part of a mix of known mass, in g.</summary>
    public static IReadOnlyList<MaterialAmount> Of(IReadOnlyList<Portion> mix, double grams)
    {
        var parts = mix.Sum(portion => portion.Parts);
        return [.. mix.Select(portion => new MaterialAmount(portion.MaterialId, grams * portion.Parts / parts))];
    }
}

/// <summary>So much of a material.</summary>
public sealed record MaterialAmount(string MaterialId, double Grams);
