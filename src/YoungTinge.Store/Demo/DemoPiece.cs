using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Marble;

namespace YoungTinge.Store.Demo;

internal sealed record DemoCommission(
    string Name, int DueInDays, string Place, LightKind Light, int? RoomHumidityPercent, IReadOnlyList<DemoFlower> Flowers, IReadOnlyList<DemoBatch> Batches)
{
    public IReadOnlyList<Diet> Diets { get; init; } = [];

    public double? RoomCelsius { get; init; }

    public CommissionStatus Status { get; init; } = CommissionStatus.Planned;

    public string ClientNote { get; init; } = "";

    public CommissionDetails DetailsFrom(DateOnly today) => new(
        Name, today.AddDays(DueInDays), Place, RoomHumidityPercent, RoomCelsius, Light, MarginDays: 1, ClientNote, OwnNote: "", Diets, Status);
}

/// <param name="Off">How far the batch lay from its target when it was read; null before it was.</param>
internal sealed record DemoBatch(string Name, PasteRecipe Recipe, double PasteG, string Target, Lab? Off, string Note)
{
    /// <summary>What is left of it, and where; null for one that is still to be mixed.</summary>
    public (double LeftG, string KeptIn, int DaysAgo)? Left { get; init; }
}

internal sealed record DemoFlower(string Name, int Flowers, int Buds, IReadOnlyList<DemoPiece> Pieces)
{
    /// <summary>Its whorls are shades of one run.</summary>
    public bool IsOmbre { get; init; }

    /// <summary>Pastes that its first whorl is marbled from.</summary>
    public IReadOnlyList<MarbleStripe> Marbled { get; init; } = [];
}

/// <param name="Readings">Past log entries.</param>
internal sealed record DemoPiece(Piece Piece, PiecePlan Plan, params DemoReading[] Readings);

/// <param name="Off">How far the reading lay from the prediction.</param>
internal sealed record DemoReading(LogSubject Subject, double DaysAgo, Lab Off, string Note);

/// <summary>Short ways to write a plan down.</summary>
internal static class DemoPlan
{
    public static PiecePlan Of(string ground, PasteRecipe paste, string rim, string tip, string heart, string foot, string back, params Coat[] coats) => new(
        new Dictionary<Zone, Target>
        {
            [Zone.Rim] = Target.Of(Colour(rim)),
            [Zone.Tip] = Target.Of(Colour(tip)),
            [Zone.Heart] = Target.Of(Colour(heart)),
            [Zone.Base] = Target.Of(Colour(foot)),
            [Zone.Back] = Target.Of(Colour(back)),
        },
        Colour(ground),
        paste,
        coats);

    public static PasteRecipe White(params (string Id, double GPer100g)[] doses) => Paste("bright-white-paste", doses);

    public static PasteRecipe Cream(params (string Id, double GPer100g)[] doses) => Paste("soft-cream-paste", doses);

    public static PasteRecipe Grey(params (string Id, double GPer100g)[] doses) => Paste("pale-grey-paste", doses);

    public static DustCoat Dust(double loadMgPerCm2, Place place, Sides sides, params (string Id, double Parts)[] mix) =>
        new(Guid.CreateVersion7(), [.. mix.Select(part => new Portion(part.Id, part.Parts))], loadMgPerCm2, place, sides);

    /// <summary>A detail by the brush, let down with strong spirit.</summary>
    public static WashCoat Painted(Marking marking, double gPerMl, Place place, Sides sides, params (string Id, double Parts)[] mix) =>
        new(Guid.CreateVersion7(), [.. mix.Select(part => new Portion(part.Id, part.Parts))], "clear-spirit", gPerMl, 0.004, place, sides) { Marking = marking };

    /// <summary>The same with another finish on the zones of its face, or on some of them.</summary>
    public static PiecePlan Finished(this PiecePlan plan, Finish finish, params Zone[] zones) => plan with
    {
        Targets = plan.Targets.ToDictionary(
            target => target.Key, target => zones.Contains(target.Key) || (zones.Length == 0 && target.Key != Zone.Back) ? target.Value with { Finish = finish } : target.Value),
    };

    public static Piece Standing(this Piece piece, double openDegrees, double insetMm, Arrangement arrangement = Arrangement.Ring) =>
        piece with { Form = piece.Form with { OpenDegrees = openDegrees, InsetMm = insetMm, Arrangement = arrangement } };

    public static SteamCoat Steam() => new(Guid.CreateVersion7(), SteamCoat.UsualSeconds);

    public static GlazeCoat Glaze(string id, int coats, Sides sides = Sides.Both) => new(Guid.CreateVersion7(), id, coats, sides);

    public static Place From(PlaceKind kind, double start, double end, double feather) => new(kind, start, end, feather);

    private static PasteRecipe Paste(string id, (string Id, double GPer100g)[] doses) =>
        new(id, [.. doses.Select(dose => new Dose(dose.Id, dose.GPer100g))]);

    public static Lab Colour(string hex) =>
        Srgb.TryParseHex(hex, out var colour) ? Illuminant.D65.LabOf(colour) : throw new ArgumentException($"'{hex}' is no colour.", nameof(hex));
}
