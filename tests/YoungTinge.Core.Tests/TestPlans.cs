using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Tests;

/// <summary>A petal and its plan, for tests to change.</summary>
internal static class TestPlans
{
    public static Piece Petal { get; } = new("Petal", "broad-sepal", 48, 42, 0.6, Solid: false, PartOf.Flower, PerPart: 5, SpareShare: 0.2);

    public static PiecePlan Plan(params Coat[] coats) => new(
        Enum.GetValues<Zone>().ToDictionary(zone => zone, _ => Target.Of(new Lab(80, 5, 10))),
        new Lab(90, -4, 12),
        new PasteRecipe("bright-white-paste", [new Dose("quince", 0.2), new Dose("lichen", 0.05)]),
        coats);

    public static DustCoat Dust(string id, double load = 0.15, Place? place = null, Sides sides = Sides.Face) =>
        new(Guid.NewGuid(), [new Portion(id, 1), new Portion("plain-cornstarch", 1)], load, place ?? Place.Whole, sides);

    public static SteamCoat Steam { get; } = new(Guid.NewGuid(), 8);

    public static GlazeCoat Glaze(string id = "satin-veil", int coats = 1) => new(Guid.NewGuid(), id, coats, Sides.Both);
}
