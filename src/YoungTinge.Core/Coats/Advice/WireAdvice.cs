using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Advice;

/// <summary>Whether a wire within a piece is seen at arm's length.</summary>
public enum WireShows
{
    Hidden,
    Hardly,
    Shows,
}

/// <summary>A wire of the cabinet within a piece.</summary>
/// <param name="ShowsDeltaE">CIEDE2000 between the paste over the wire and the plain paste, in daylight; 0 for a solid piece.</param>
public sealed record WireChoice(string WireId, double ShowsDeltaE)
{
    private const double JustNoticeable = 1;
    private const double Plain = 2;

    public WireShows Word => ShowsDeltaE < JustNoticeable ? WireShows.Hidden : ShowsDeltaE < Plain ? WireShows.Hardly : WireShows.Shows;
}

/// <summary>Which wire carries a piece, and which colour of it shows least.</summary>
/// <param name="Gauge">Standard wire gauge: the higher the finer.</param>
/// <param name="Choices">The cabinet's wires of each colour, the one to take first: it shows least, and holds the paste by its paper unless only a bare one is hidden; empty if there are none.</param>
public sealed record WireAdvice(int Gauge, double DiameterMm, IReadOnlyList<WireChoice> Choices)
{
    private const int CoarsestGauge = 14;

    /// <summary>Without paper, which paste holds on to: for stems, and for leaves only where paper would show.</summary>
    private const string BareForm = "bare";

    /// <summary>Standard wire gauge 14 to 36, in mm (BS 3737).</summary>
    private static readonly double[] DiametersMm =
    [
        2.032, 1.829, 1.626, 1.422, 1.219, 1.016, 0.914, 0.813, 0.711, 0.610, 0.559, 0.508, 0.457, 0.417, 0.376, 0.345, 0.315, 0.295, 0.274, 0.254, 0.234, 0.213, 0.193,
    ];

    /// <summary>Up to a length, the gauge that carries a flat piece of it. House rules.</summary>
    private static readonly (double LengthMm, int Gauge)[] Flat = [(15, 32), (25, 30), (35, 28), (50, 26), (75, 24), (110, 22)];

    /// <summary>Up to a mass, the gauge that carries a solid piece of it.</summary>
    private static readonly (double Grams, int Gauge)[] Solid = [(0.5, 28), (2, 26), (5, 24), (10, 22)];

    private const int StemGauge = 20;

    /// <summary>However thin a petal is rolled, the wire is not laid bare.</summary>
    private const double LeastCoverMm = 0.05;

    /// <param name="gauge">14 to 36.</param>
    public static double DiameterMmOf(int gauge) => DiametersMm[gauge - CoarsestGauge];

    public static WireAdvice For(Piece piece, PasteRecipe paste, Materials materials) => For(piece, PasteOptics.Mix(paste, materials), materials);

    /// <param name="paste">K and S of the coloured paste, in 1/mm.</param>
    public static WireAdvice For(Piece piece, KubelkaMunkSpectra paste, Materials materials)
    {
        var colour = Illuminant.D65.LabOf(KubelkaMunk.Opaque(paste));
        var gauge = GaugeFor(piece);
        var diameterMm = DiameterMmOf(gauge);
        var wires = materials.All.OfType<Wire>().Where(wire => !wire.Label.IsRetired);
        return new WireAdvice(gauge, diameterMm, [.. wires
            .Select(wire => (Wire: wire, Choice: new WireChoice(wire.Id, Shows(wire))))
            .OrderBy(one => one.Choice.Word).ThenBy(one => one.Wire.Label.Form.Equals(BareForm, StringComparison.OrdinalIgnoreCase))
            // A hidden wire is still seen at the foot of the piece: white for pale, green for dark.
            .ThenBy(one => one.Choice.Word == WireShows.Hidden ? Apart(one.Wire) : one.Choice.ShowsDeltaE).Select(one => one.Choice)]);

        double Apart(Wire wire) => DeltaE2000.Between(Illuminant.D65.LabOf(wire.Reflectance), colour);

        double Shows(Wire wire)
        {
            if (piece.Solid)
                return 0;
            var coverMm = Math.Max(LeastCoverMm, (piece.ThicknessMm + PasteQuantity.RidgeHeightMm - diameterMm) / 2);
            return ShowThrough.Of(paste, coverMm, wire.Reflectance).DeltaE(Illuminant.D65);
        }
    }

    /// <summary>The gauge that carries such a piece, 20 to 32.</summary>
    public static int GaugeFor(Piece piece)
    {
        if (piece.Form.Gauge is { } own)
            return own;
        // A centre carries the whole flower.
        if (piece is { PartOf: PartOf.Flower, Form.Role: PieceRole.Centre })
            return StemGauge;
        var grams = piece.Solid ? PasteQuantity.For(piece, 1).PieceG : 0;
        var fitting = piece.Solid ? Solid.Where(one => grams <= one.Grams).Select(one => one.Gauge) : Flat.Where(one => piece.LengthMm <= one.LengthMm).Select(one => one.Gauge);
        return fitting.FirstOrDefault(StemGauge);
    }
}
