using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Work;

/// <summary>One thing in a pot.</summary>
/// <param name="Parts">Of the whole, a small whole number.</param>
public sealed record PotPart(string MaterialId, int Parts, HandAmount Amount);

/// <summary>
/// Dust or paint mixed once for everything that gets it: by whole parts, in a measure that a hand has. What is too little to measure is made
/// as a larger jar, or strong and then let down.
/// </summary>
/// <param name="Id">The same as long as the mix is the same.</param>
/// <param name="NeededG">Powder that goes to all pieces, what a brush loses counted in.</param>
/// <param name="LiquidId">That it is let down with; null for dust.</param>
/// <param name="Ml">Of the liquid that the powder goes into; null for dust.</param>
/// <param name="Then">The powder is in a strong mix, of which so much goes into more of the liquid; null for most.</param>
/// <param name="Colour">By itself, on white paste under daylight; null for a clear one.</param>
public sealed record Pot(
    string Id, PassKind Kind, IReadOnlyList<PotPart> Parts, double NeededG, string? LiquidId, double? Ml, LetDownPot? Then, Lab? Colour)
{
    /// <summary>Less than this cannot be mixed or picked up, in g. House figure.</summary>
    public const double SmallestG = 0.2;

    /// <summary>Less than this cannot be mixed in a dish, in ml; for a painted detail a dab is enough. House figures.</summary>
    public const double SmallestMl = 1;
    public const double DabMl = 0.3;

    /// <summary>A pot is not made more than so much larger than it need be only to be weighed.</summary>
    private const double WeighedAtMost = 1.5;

    /// <summary>More than this of paint is thrown away: then a strong mix is let down.</summary>
    private const double MostMl = 10;
    private const double StrongMl = 2;
    private const double DropsOfMl = 20;

    /// <summary>More tips are weighed, if they are so near to a step of the scale. House figures.</summary>
    private const int MostTips = 5;
    private const double WeighedWithin = 0.05;

    public double PowderG => Parts.Sum(part => part.Amount.Grams);

    /// <summary>Clearly more than is needed: it keeps in a jar, labelled.</summary>
    public bool IsKept => LiquidId is null && PowderG > WeighedAtMost * Math.Max(NeededG, SmallestG);

    /// <summary>Out of the cabinet.</summary>
    public IReadOnlyList<MaterialTake> Takes() =>
    [
        .. Parts.Select(part => new MaterialTake(part.MaterialId, part.Amount.Grams)),
        .. LiquidId is { } liquid ? new[] { new MaterialTake(liquid, Ml!.Value + (Then?.IntoMl ?? 0)) } : [],
    ];

    /// <param name="mix">Not empty.</param>
    /// <param name="grams">Of dust for all pieces, above 0.</param>
    internal static Pot OfDust(string id, PassKind kind, IReadOnlyList<Portion> mix, double grams, Lab? colour, double scaleG) =>
        new(id, kind, Measured(mix, Math.Max(SmallestG, grams), scaleG), grams, null, null, null, colour);

    /// <param name="ml">Of paint for all pieces, above 0.</param>
    /// <param name="gPerMl">All powder in it.</param>
    /// <param name="smallestMl">That can be mixed.</param>
    internal static Pot OfPaint(string id, PassKind kind, IReadOnlyList<Portion> mix, string liquidId, double ml, double gPerMl, double smallestMl, Lab? colour, double scaleG)
    {
        var least = Math.Max(smallestMl, ml);
        var parts = Measured(mix, least * gPerMl, scaleG);
        var powderG = parts.Sum(part => part.Amount.Grams);
        var dishMl = powderG / gPerMl;
        if (dishMl <= Math.Max(MostMl, WeighedAtMost * least))
            return new Pot(id, kind, parts, ml * gPerMl, liquidId, Math.Round(dishMl * DropsOfMl) / DropsOfMl, null, colour);
        var drops = Math.Max(1, (int)Math.Round(least * gPerMl / (powderG / StrongMl) * DropsOfMl));
        return new Pot(id, kind, parts, ml * gPerMl, liquidId, StrongMl, new LetDownPot(drops, Math.Ceiling(2 * least) / 2), colour);
    }

    private static IReadOnlyList<PotPart> Measured(IReadOnlyList<Portion> mix, double grams, double scaleG)
    {
        var merged = mix.GroupBy(portion => portion.MaterialId).Select(group => new Portion(group.Key, group.Sum(portion => portion.Parts))).ToList();
        var whole = WholeParts.Of([.. merged.Select(portion => portion.Parts)]);
        var partG = grams / whole.Sum();
        // Every part is the same whole number of steps or of tips: so the ratio is kept whatever the scale.
        var steps = Math.Ceiling(partG / scaleG - 1e-9);
        var tips = (int)Math.Ceiling(partG / HandMeasure.KnifeTipG - 1e-9);
        var isWeighed = steps * scaleG <= Math.Max(WeighedAtMost * partG, tips * HandMeasure.KnifeTipG);
        return [.. merged.Zip(whole, (portion, parts) => new PotPart(portion.MaterialId, parts, isWeighed
            ? HandMeasure.Weighed(portion.MaterialId, parts * steps * scaleG, scaleG)
            : Counted(portion.MaterialId, parts * tips, scaleG)))];
    }

    /// <summary>Nobody counts many tips of a knife: a long measure goes on the scale, where that shows it well enough.</summary>
    private static HandAmount Counted(string materialId, int tips, double scaleG)
    {
        var (counted, weighed) = (HandMeasure.Tips(materialId, tips), HandMeasure.Weighed(materialId, tips * HandMeasure.KnifeTipG, scaleG));
        return tips > MostTips && Math.Abs(weighed.Grams - counted.Grams) <= WeighedWithin * counted.Grams ? weighed : counted;
    }
}

/// <summary>A strong mix let down.</summary>
/// <param name="Drops">Of the strong mix, 20 to the ml.</param>
/// <param name="IntoMl">Of the liquid.</param>
public sealed record LetDownPot(int Drops, double IntoMl);
