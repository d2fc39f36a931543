using System.Text.Json.Serialization;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

public enum PlaceKind
{
    Whole,

    /// <summary>From where the piece meets the stem outward, as shares of its length.</summary>
    Base,

    /// <summary>From the tip inward, as shares of the length.</summary>
    Tip,

    /// <summary>From the edge inward, in mm; not down at the foot, which a brush round the edge leaves out.</summary>
    Rim,

    /// <summary>From the middle of the face outward, as shares of the way to edge, base and tip.</summary>
    Heart,

    /// <summary>From the midrib outward to both sides, in mm.</summary>
    Bar,
}

/// <summary>Which part of a veined piece a brush catches.</summary>
public enum Relief
{
    Everywhere,

    /// <summary>On raised veins, as a dry brush drawn over them.</summary>
    Ridges,

    /// <summary>Between the veins, in the grooves.</summary>
    Grooves,
}

public enum PieceHalf
{
    Both,

    /// <summary>As one looks at the face, tip up.</summary>
    Left,
    Right,
}

/// <summary>
/// Where a coat lies on a piece of any size: full between two distances from its place, fading out over a third on either side.
/// </summary>
/// <param name="Start">Where the full load begins, 0 for right at the place.</param>
/// <param name="End">Where it ends; not before the start.</param>
/// <param name="Feather">How far the brush blends it out, past both ends; 0 is a hard line.</param>
public sealed record Place(PlaceKind Kind, double Start, double End, double Feather)
{
    /// <summary>Where a heart lies along the piece: a little below the middle.</summary>
    private const double HeartAlong = 0.42;

    // A brush that goes round an edge starts and ends above the foot.
    private const double FootEnds = 0.06;
    private const double RimBegins = 0.30;

    /// <summary>More places than these nobody keeps in mind.</summary>
    public const int MostAlso = 4;

    public static Place Whole { get; } = new(PlaceKind.Whole, 0, 1, 0);

    /// <summary>What a brush catches there.</summary>
    public Relief Relief { get; init; }

    public PieceHalf Half { get; init; }

    /// <summary>Other places that get the same coat; where they overlap it is no heavier. They have no others of their own.</summary>
    public IReadOnlyList<Place> Also { get; init; } = [];

    /// <summary>Only as far as it lies in here too; null for no such bound.</summary>
    public Place? Within { get; init; }

    /// <summary>Unit of start, end and feather: mm for a rim and a bar, else a share of the piece.</summary>
    [JsonIgnore]
    public bool IsInMm => Kind is PlaceKind.Rim or PlaceKind.Bar;

    /// <summary>Whether any part of it asks how far the edge is.</summary>
    [JsonIgnore]
    public bool NeedsEdge => Parts.Any(part => part.Kind == PlaceKind.Rim);

    /// <summary>By what it says, the other places too: two lists with the same places in them are the same.</summary>
    public bool Equals(Place? other) =>
        other is not null && (Kind, Start, End, Feather, Relief, Half) == (other.Kind, other.Start, other.End, other.Feather, other.Relief, other.Half)
        && Equals(Within, other.Within) && Also.SequenceEqual(other.Also);

    public override int GetHashCode() => HashCode.Combine(Kind, Start, End, Feather, Relief, Half, Within, Also.Count);

    /// <summary>This place and all that it is put together from.</summary>
    [JsonIgnore]
    public IEnumerable<Place> Parts => Also.SelectMany(place => place.Parts).Concat(Within?.Parts ?? []).Prepend(this);

    /// <summary>Largest sensible distance of a rim or a bar.</summary>
    public const double LargestMm = 40;

    /// <summary>Largest sensible distance: the whole piece, or a rim of 40 mm.</summary>
    [JsonIgnore]
    public double LargestDistance => IsInMm ? LargestMm : 1;

    /// <summary>How much of the load lies at a point, 0 to 1.</summary>
    public double MaskAt(PiecePoint point, VeinPattern veins = VeinPattern.None)
    {
        var mask = OwnMaskAt(point, veins);
        for (var i = 0; i < Also.Count; i++)
            mask = Math.Max(mask, Also[i].MaskAt(point, veins));
        return mask * (Within?.MaskAt(point, veins) ?? 1);
    }

    private double OwnMaskAt(PiecePoint point, VeinPattern veins)
    {
        if (Half != PieceHalf.Both && (point.XMm < 0) != (Half == PieceHalf.Left))
            return 0;
        var relief = Relief switch
        {
            Relief.Ridges => veins.RidgeAt(point),
            Relief.Grooves => veins.GrooveAt(point),
            _ => 1,
        };
        return relief * BandAt(point);
    }

    private double BandAt(PiecePoint point)
    {
        if (Kind == PlaceKind.Whole)
            return 1;
        var distance = DistanceFromPlace(point);
        var band = Rise(Start - Feather, Start, distance) * (1 - Rise(End, End + Feather, distance));
        return Kind == PlaceKind.Rim ? band * Rise(FootEnds, RimBegins, point.Along) : band;
    }

    private double DistanceFromPlace(PiecePoint point) => Kind switch
    {
        PlaceKind.Base => point.Along,
        PlaceKind.Tip => 1 - point.Along,
        PlaceKind.Rim => point.EdgeMm,
        PlaceKind.Heart => HeartDistance(point),
        PlaceKind.Bar => Math.Abs(point.XMm),
        _ => 0,
    };

    private static double HeartDistance(PiecePoint point)
    {
        var along = point.Along - HeartAlong;
        along /= along < 0 ? HeartAlong : 1 - HeartAlong;
        return Math.Sqrt(along * along + point.Across * point.Across);
    }

    /// <summary>Smooth step from 0 at <paramref name="from"/> to 1 at <paramref name="to"/>; a plain step when they meet.</summary>
    private static double Rise(double from, double to, double x)
    {
        if (x >= to)
            return 1;
        if (x <= from)
            return 0;
        var t = (x - from) / (to - from);
        return t * t * (3 - 2 * t);
    }
}
