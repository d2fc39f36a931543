using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Targets;

/// <summary>One piece among those that should belong together.</summary>
/// <param name="Id">Of the piece.</param>
/// <param name="Group">What it is part of: a flower, or all its leaves.</param>
/// <param name="AreaCm2">Of all such pieces of one flower together.</param>
public sealed record CohesionPart(Guid Id, string Group, double AreaCm2, IReadOnlyDictionary<Zone, Lab> Colours);

/// <summary>Where a colour stands.</summary>
public sealed record CohesionPlace(Guid PieceId, Zone Zone);

/// <summary>A zone that would tie two groups together, and what it would become.</summary>
/// <param name="Of">Whose colour it takes up.</param>
public sealed record AccentProposal(CohesionPlace Place, CohesionPlace Of, Lab Now, Lab Then);

/// <summary>Two groups side by side.</summary>
/// <param name="Echo">The two places that are most alike, one in each.</param>
/// <param name="Distance">Between those, lightness counting half: an accent is known again by its hue, also paler or deeper.</param>
/// <param name="IsTied">Near enough to be seen as the same accent.</param>
/// <param name="Accents">What would tie them; empty if they are tied.</param>
public sealed record CohesionPair(
    string One, string Other, CohesionPlace Echo, CohesionPlace EchoIn, double Distance, bool IsTied, IReadOnlyList<AccentProposal> Accents);

/// <summary>
/// Whether flowers and leaves look as if they belong together. A spray is tied by a colour that comes again: a hint of the petal on
/// the leaf, a touch of leaf green at the foot of the petal.
/// </summary>
public static class Cohesion
{
    /// <summary>Up to here two colours are taken for one accent.</summary>
    public const double TiedWithin = 10;

    /// <summary>A part that makes up less of its group is not what the eye compares: green nectaries do not tie a flower to its leaves.</summary>
    private const double LeastAreaShare = 0.15;

    private const double LightnessShare = 0.5;

    /// <summary>A hint that covers more is a repaint.</summary>
    private const double MostMixedIn = 0.95;

    /// <summary>Too grey to be known again by its hue.</summary>
    private const double LeastAccentChroma = 10;

    /// <summary>Where makers put a hint: at the edge of a leaf, or where it is dusted last; never over the whole face.</summary>
    private static readonly Zone[] HintZones = [Zone.Rim, Zone.Tip, Zone.Base];

    public static IReadOnlyList<CohesionPair> Of(IReadOnlyList<CohesionPart> parts)
    {
        var groups = parts.GroupBy(part => part.Group).Select(Large).ToList();
        return [.. groups.SelectMany((one, i) => groups.Skip(i + 1).Select(other => Compare(one, other)))];
    }

    private static IReadOnlyList<CohesionPart> Large(IEnumerable<CohesionPart> group)
    {
        var parts = group.ToList();
        var area = parts.Sum(part => part.AreaCm2);
        var large = parts.Where(part => part.AreaCm2 >= LeastAreaShare * area).ToList();
        // Of many small ones no one stands out, and the eye takes them all.
        return large.Count > 0 ? large : parts;
    }

    private static CohesionPair Compare(IReadOnlyList<CohesionPart> one, IReadOnlyList<CohesionPart> other)
    {
        var best = (
            from mine in Spots(one)
            from theirs in Spots(other)
            select (Mine: mine, Theirs: theirs, Distance: Distance(mine.Colour, theirs.Colour))).MinBy(pair => pair.Distance);
        var tied = best.Distance <= TiedWithin;
        return new CohesionPair(
            one[0].Group, other[0].Group, best.Mine.Place, best.Theirs.Place, best.Distance, tied,
            tied ? [] : [.. new[] { Accent(one, other), Accent(other, one) }.OfType<AccentProposal>()]);
    }

    /// <summary>The least change of one zone of <paramref name="on"/> that takes up a colour of the other group.</summary>
    private static AccentProposal? Accent(IReadOnlyList<CohesionPart> on, IReadOnlyList<CohesionPart> of)
    {
        // The most telling colour of the other: strong, and not one that it has anyway from this group.
        var source = Spots(of).MaxBy(spot => spot.Colour.Chroma);
        if (source.Colour.Chroma < LeastAccentChroma)
            return null;
        return Spots(on).Where(spot => HintZones.Contains(spot.Place.Zone))
            .Select(spot => (spot.Place, Now: spot.Colour, Then: Hinted(spot.Colour, source.Colour)))
            .Where(one => one.Then is not null)
            .OrderBy(one => DeltaE2000.Between(one.Now, one.Then!.Value))
            .Select(one => new AccentProposal(one.Place, source.Place, one.Now, one.Then!.Value))
            .FirstOrDefault();
    }

    /// <summary>Mixed as fine grains of one on the other mix for the eye, only until the hint is seen; null if that takes too much.</summary>
    private static Lab? Hinted(Lab colour, Lab accent)
    {
        Spectrum below = ReflectanceFromColour.Convert(colour), over = ReflectanceFromColour.Convert(accent);
        for (var share = 0.05; share <= MostMixedIn; share += 0.05)
        {
            var mixed = Illuminant.D65.LabOf(Spectrum.From(band => (1 - share) * below[band] + share * over[band]));
            if (Distance(mixed, accent) <= TiedWithin)
                return mixed;
        }

        return null;
    }

    private static IEnumerable<(CohesionPlace Place, Lab Colour)> Spots(IReadOnlyList<CohesionPart> parts) =>
        parts.SelectMany(part => part.Colours.Select(colour => (new CohesionPlace(part.Id, colour.Key), colour.Value)));

    private static double Distance(Lab one, Lab other)
    {
        var (lightness, chroma, hue) = DeltaE2000.Terms(one, other);
        return Math.Sqrt(LightnessShare * LightnessShare * lightness * lightness + chroma * chroma + hue * hue);
    }
}
