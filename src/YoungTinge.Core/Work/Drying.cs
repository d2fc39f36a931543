using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Work;

/// <summary>About how long a piece dries, in an ordinary dry room. House figures.</summary>
public static class Drying
{
    private const double ThinHours = 5;
    private const double HoursPerSquareMm = 22;
    private const double SolidHours = 20;
    private const double HoursPerMm = 1.5;
    private const double MostHours = 72;

    /// <summary>Of the time until firm, what it takes until a piece still just bends, and until nothing in it is damp.</summary>
    private const double LeatheryShare = 0.25;
    private const double BoneDryShare = 1.6;

    /// <summary>Until this share of the time until firm, a leathery piece still bends.</summary>
    private const double BendsShare = 0.6;

    /// <summary>How long a leathery piece still bends, in minutes, once it is leathery.</summary>
    public static double BendsForMinutes(Piece piece) => 60 * (Math.Min(MostHours, BendsShare * FirmHours(piece)) - Math.Min(MostHours, LeatheryShare * FirmHours(piece)));

    /// <returns>Whole hours; 0 for what is bought.</returns>
    public static double HoursFor(Piece piece, Dryness until) => Whole(FirmHours(piece) * (until switch { Dryness.Leathery => LeatheryShare, Dryness.BoneDry => BoneDryShare, _ => 1 }));

    private static double FirmHours(Piece piece) => piece.Body switch
    {
        { Kind: BodyKind.Bought } => 0,
        { Kind: BodyKind.CoveredCore } body => SolidHours + HoursPerMm * body.SkinMm,
        // What is thickest dries last.
        _ when piece.Cut.NubMm is { } nub && !piece.Solid => Math.Max(FlatHours(piece), SolidHours + HoursPerMm * nub),
        _ => piece.Solid ? SolidHours + HoursPerMm * Math.Min(piece.LengthMm, piece.WidthMm) : FlatHours(piece),
    };

    private static double FlatHours(Piece piece) => ThinHours + HoursPerSquareMm * piece.ThicknessMm * piece.ThicknessMm;

    private static double Whole(double hours) => Math.Min(MostHours, Math.Ceiling(hours));
}
