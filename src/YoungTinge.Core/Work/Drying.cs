using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Work;

/// <summary>The air that pieces dry in.</summary>
/// <param name="HumidityPercent">0 to 100.</param>
/// <param name="Celsius">-10 to 50.</param>
public sealed record Room(double HumidityPercent, double Celsius)
{
    /// <summary>From here on paste takes up as much as it gives off. House figure.</summary>
    public const double TooDampPercent = 78;

    private const double StillPercent = 80;

    /// <summary>Where nothing is known of a room.</summary>
    public static Room Usual { get; } = new(50, 20);

    /// <summary>How many times as long things dry in it as the house figures say, as its studio has learned.</summary>
    public double LearnedFactor { get; init; } = 1;

    /// <summary>As the house says, whatever was learned.</summary>
    public Room AsTheHouseSays => this with { LearnedFactor = 1 };

    public bool IsTooDamp => HumidityPercent >= TooDampPercent;

    /// <summary>
    /// How many times as long as in the usual room: by how far the air is from still, and half as long for every 12 degrees. In a room that is too damp, as
    /// if it were just not: whoever plans with it has to help it first.
    /// </summary>
    public double SlowerThanUsual =>
        (StillPercent - Usual.HumidityPercent) / (StillPercent - Math.Min(HumidityPercent, TooDampPercent - 1)) * Math.Pow(2, (Usual.Celsius - Celsius) / 12) * LearnedFactor;
}

/// <summary>How long pieces dry, by what is thickest of them, by their paste and their room. House figures, until the bench has learned better ones.</summary>
public static class Drying
{
    /// <summary>At this thickness, in the usual room.</summary>
    private const double ReferenceMm = 0.6;

    private const double LeatheryMinutes = 12;
    private const double TouchDryMinutes = 40;
    private const double FirmMinutes = 180;
    private const double BoneDryMinutes = 840;

    /// <summary>What is twice as thick dries 2.6 times as long.</summary>
    private const double ByThickness = 1.4;

    /// <summary>How long a leathery piece still bends, in minutes, once it is leathery: until it is dry to the touch.</summary>
    /// <param name="pasteTimes">How many times as long its paste dries as flower paste.</param>
    public static double BendsForMinutes(Piece piece, double pasteTimes, Room room) => (TouchDryMinutes - LeatheryMinutes) * Slowness(piece, pasteTimes, room);

    /// <param name="pasteTimes">How many times as long its paste dries as flower paste.</param>
    /// <returns>Minutes as a maker reads them off a clock; 0 for what is bought.</returns>
    public static double MinutesFor(Piece piece, double pasteTimes, Dryness until, Room room) => Readable(Slowness(piece, pasteTimes, room) * (until switch
    {
        Dryness.Leathery => LeatheryMinutes,
        Dryness.BoneDry => BoneDryMinutes,
        _ => FirmMinutes,
    }));

    private static double Slowness(Piece piece, double pasteTimes, Room room) => Math.Pow(ThickestMm(piece) / ReferenceMm, ByThickness) * pasteTimes * room.SlowerThanUsual;

    /// <summary>What air comes to from both sides; of what is solid, from all round, its radius.</summary>
    private static double ThickestMm(Piece piece) => piece.Body switch
    {
        { Kind: BodyKind.Bought } => 0,
        { Kind: BodyKind.CoveredCore } body => body.SkinMm,
        _ when piece.Solid => Math.Min(piece.LengthMm, piece.WidthMm) / 2,
        _ => Math.Max(piece.ThicknessMm, (piece.Cut.NubMm ?? 0) / 2),
    };

    private static double Readable(double minutes)
    {
        var step = minutes switch { < 60 => 5, < 360 => 15, _ => 60 };
        return Math.Ceiling(minutes / step) * step;
    }
}
