using YoungTinge.Core.Coats;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using static YoungTinge.Store.Demo.DemoPlan;

namespace YoungTinge.Store.Demo;

/// <summary>The three commissions of the made-up studio.</summary>
internal static class DemoCommissions
{
    public static IReadOnlyList<DemoCommission> All =>
    [
        new("Lantern Pier winter supper", 9, "Evening hall, warm lamps, two-tier cake", 55, [Hellebore, Ranunculus, Ivy]),
        new("Tidewrack moon wedding", 21, "Candle light", 60, [Clematis, Caladium]),
        new("Harbour school fete", 33, "Marquee, afternoon daylight; vegan guests", null, [Astrantia]),
    ];

    private static DemoFlower Hellebore => new("Hellebore", 7, 3,
    [
        new(
            new Piece("Bud", "bud", 27, 19, 19, true, PartOf.Bud, 1, 0.34),
            Of("#e0e6c4", White(("quince", 0.30), ("lichen", 0.06)), "#d9b3b1", "#d8b5b2", "#d3c6ad", "#b9cf8d", "#d8bdb2",
                Dust(0.10, From(PlaceKind.Base, 0, 0.20, 0.30), Sides.Both, ("nettle", 1), ("plain-cornstarch", 2)),
                Dust(0.14, From(PlaceKind.Tip, 0, 0.15, 0.50), Sides.Both, ("guelder", 1), ("cockle", 2), ("plain-cornstarch", 4)),
                Steam())),
        new(
            new Piece("Sepals", "broad-sepal", 47, 42, 0.6, false, PartOf.Flower, 5, 0.20),
            Of("#e6ead2", White(("quince", 0.16), ("lichen", 0.04)), "#cf9c9d", "#d3aaa5", "#bc8f86", "#a9b876", "#bb7f82",
                Dust(0.12, From(PlaceKind.Base, 0, 0.12, 0.24), Sides.Face, ("duckweed", 2), ("nettle", 1), ("plain-cornstarch", 2)),
                Dust(0.16, From(PlaceKind.Rim, 0, 1.5, 7), Sides.Face, ("cockle", 3), ("guelder", 2), ("plain-cornstarch", 4)),
                Dust(0.09, From(PlaceKind.Heart, 0, 0.18, 0.50), Sides.Face, ("wine-lees", 1), ("plain-cornstarch", 2)),
                Dust(0.14, Place.Whole, Sides.Back, ("wine-lees", 1), ("cockle", 1), ("plain-cornstarch", 2)),
                Steam(),
                Glaze("satin-veil", 1)),
            new DemoReading(LogSubject.Paste, 30, new Lab(-0.6, 0.3, 0.9), "First batch, rested overnight."),
            new DemoReading(LogSubject.Paste, 16, new Lab(-1.4, 0.5, 2.1), "New bottle of quince: a little yellower than the last."),
            new DemoReading(LogSubject.Heart, 14, new Lab(-1.9, 1.6, 0.4), "Brush held too much at first. Tap it off on the board."),
            new DemoReading(LogSubject.Back, 14, new Lab(0.8, -0.9, 0.2), "Two passes, second one crosswise.")),
        new(
            new Piece("Nectaries", "horn", 8, 4, 4, true, PartOf.Flower, 12, 0.25),
            Of("#c8d98c", White(("quince", 0.9), ("frond", 0.06)), "#b9c66a", "#b9c66a", "#b3cb6e", "#a4c765", "#b3cb6e",
                Dust(0.12, From(PlaceKind.Base, 0, 0.40, 0.40), Sides.Both, ("duckweed", 1), ("plain-cornstarch", 1)),
                Dust(0.06, From(PlaceKind.Tip, 0, 0.10, 0.25), Sides.Both, ("sedge", 1), ("plain-cornstarch", 1)))),
        new(
            new Piece("Bracts", "leaflet", 44, 20, 0.7, false, PartOf.Flower, 2, 0.25),
            Of("#bcd198", White(("frond", 0.12), ("quince", 0.5)), "#a08f6c", "#9f8f6d", "#84a35c", "#8fb35c", "#93a96b",
                Dust(0.20, From(PlaceKind.Base, 0, 0.50, 0.40), Sides.Both, ("nettle", 2), ("harts-tongue", 1), ("plain-cornstarch", 1)),
                Dust(0.10, From(PlaceKind.Rim, 0, 1, 4), Sides.Face, ("wine-lees", 1), ("plain-cornstarch", 1)),
                Steam())),
        new(
            new Piece("Leaves", "leaflet", 92, 34, 0.8, false, PartOf.Flower, 2, 0.20),
            Of("#8fae78", White(("yew-shade", 0.30), ("quince", 0.9), ("bracken", 0.10)), "#41633a", "#4b6839", "#47703f", "#5d8548", "#5f8257",
                Dust(0.30, Place.Whole, Sides.Face, ("harts-tongue", 3), ("mussel", 0.1), ("plain-cornstarch", 1)),
                Dust(0.12, From(PlaceKind.Rim, 0, 2, 5), Sides.Face, ("peat", 1), ("harts-tongue", 2)),
                Dust(0.14, Place.Whole, Sides.Back, ("nettle", 1), ("plain-cornstarch", 1)),
                Steam(),
                Glaze("brushed-sheen", 1, Sides.Face))),
    ]);

    private static DemoFlower Ranunculus => new("Ranunculus", 5, 0,
    [
        new(
            new Piece("Inner petals", "round-petal", 24, 24, 0.4, false, PartOf.Flower, 14, 0.15),
            Of("#f3b98a", White(("lantern", 0.30), ("ember", 0.05)), "#e9a373", "#e9a574", "#efb183", "#e3b269", "#efb183",
                Dust(0.10, From(PlaceKind.Rim, 0, 1, 5), Sides.Face, ("vixen", 1), ("plain-cornstarch", 3)),
                Dust(0.08, From(PlaceKind.Base, 0, 0.15, 0.25), Sides.Face, ("sedge", 1), ("plain-cornstarch", 2)))),
        new(
            new Piece("Middle petals", "round-petal", 32, 33, 0.4, false, PartOf.Flower, 16, 0.15),
            Of("#f6d0ab", White(("lantern", 0.14), ("ember", 0.02)), "#eebd93", "#eebf96", "#f3caa3", "#ead09b", "#f3caa3",
                Dust(0.06, From(PlaceKind.Rim, 0, 1, 6), Sides.Face, ("vixen", 1), ("plain-cornstarch", 4)),
                Dust(0.06, From(PlaceKind.Base, 0, 0.15, 0.25), Sides.Face, ("catkin", 2), ("duckweed", 1), ("plain-cornstarch", 3)))),
        new(
            new Piece("Outer petals", "round-petal", 40, 42, 0.4, false, PartOf.Flower, 12, 0.20),
            Of("#f5e7d0", Cream(("lantern", 0.03)), "#efd8bb", "#efd9bd", "#f2e3c9", "#e3e3b5", "#f2e3c9",
                Dust(0.04, From(PlaceKind.Rim, 0, 1, 7), Sides.Face, ("vixen", 1), ("plain-cornstarch", 6)),
                Dust(0.08, From(PlaceKind.Base, 0, 0.12, 0.25), Sides.Both, ("duckweed", 1), ("catkin", 1), ("plain-cornstarch", 3)))),
        new(
            new Piece("Button", "round", 14, 14, 14, true, PartOf.Flower, 1, 0.40),
            Of("#b9cf7c", White(("quince", 1.2), ("frond", 0.10)), "#a3bd5e", "#98b656", "#a3bd5e", "#a8c268", "#a3bd5e",
                Dust(0.15, From(PlaceKind.Tip, 0, 0.30, 0.40), Sides.Both, ("nettle", 1), ("plain-cornstarch", 1)))),
    ]);

    private static DemoFlower Ivy => new("Ivy", 3, 0,
    [
        new(
            new Piece("Young leaves", "ivy-leaf", 22, 22, 0.6, false, PartOf.Flower, 3, 0.25),
            Of("#b8cb84", White(("frond", 0.18), ("quince", 1.0)), "#8fae5c", "#8fae5c", "#8fb05a", "#9cba63", "#a3bb72",
                Dust(0.16, Place.Whole, Sides.Face, ("nettle", 2), ("sedge", 1), ("plain-cornstarch", 2)),
                Steam(),
                Glaze("satin-veil", 1, Sides.Face))),
        new(
            new Piece("Leaves", "ivy-leaf", 38, 40, 0.7, false, PartOf.Flower, 3, 0.20),
            Of("#8aa775", White(("yew-shade", 0.36), ("quince", 0.7), ("bracken", 0.12)), "#36552f", "#3a5a33", "#46693d", "#56764a", "#5d7d52",
                Dust(0.35, Place.Whole, Sides.Face, ("harts-tongue", 2), ("jackdaw", 0.08), ("plain-cornstarch", 1)),
                Dust(0.10, From(PlaceKind.Rim, 0, 1, 5), Sides.Face, ("mussel", 1), ("harts-tongue", 3)),
                Dust(0.15, Place.Whole, Sides.Back, ("nettle", 1), ("plain-cornstarch", 1)),
                Steam(),
                Glaze("satin-veil", 2, Sides.Face))),
        new(
            new Piece("Large leaves", "ivy-leaf", 54, 58, 0.8, false, PartOf.Flower, 2, 0.20),
            Of("#7f9c6d", White(("yew-shade", 0.45), ("quince", 0.7), ("umber-pod", 0.05)), "#2c4829", "#304d2c", "#3b5c35", "#4d6b43", "#557449",
                Dust(0.40, Place.Whole, Sides.Face, ("harts-tongue", 2), ("jackdaw", 0.12), ("plain-cornstarch", 1)),
                Dust(0.12, From(PlaceKind.Rim, 0, 1.5, 7), Sides.Face, ("mussel", 1), ("harts-tongue", 2)),
                Dust(0.15, Place.Whole, Sides.Back, ("nettle", 1), ("plain-cornstarch", 1)),
                Steam(),
                Glaze("satin-veil", 2, Sides.Face))),
    ]);

    private static DemoFlower Clematis => new("Clematis, moonlit", 9, 4,
    [
        new(
            new Piece("Bud", "bud", 34, 14, 14, true, PartOf.Bud, 1, 0.25),
            Of("#a9b0cf", Grey(("woad", 0.16), ("vetch", 0.05)), "#8f95c2", "#8f95c2", "#9ea5cb", "#a3b79b", "#9ea5cb",
                Dust(0.12, From(PlaceKind.Tip, 0, 0.30, 0.40), Sides.Both, ("scabious", 1), ("plain-cornstarch", 1)),
                Dust(0.10, From(PlaceKind.Base, 0, 0.12, 0.20), Sides.Both, ("nettle", 1), ("plain-cornstarch", 1)),
                Steam(),
                Dust(0.10, From(PlaceKind.Tip, 0, 0.20, 0.30), Sides.Both, ("moonmilk", 1)))),
        new(
            new Piece("Petals", "pointed-petal", 58, 30, 0.6, false, PartOf.Flower, 6, 0.20),
            Of("#8d97c6", Grey(("woad", 0.26), ("vetch", 0.12)), "#6c6fb4", "#9296bf", "#9fa5cd", "#a5abce", "#8a90c0",
                Dust(0.16, From(PlaceKind.Rim, 0, 2, 7), Sides.Face, ("scabious", 2), ("nightshade-berry", 1), ("plain-cornstarch", 1)),
                Dust(0.14, From(PlaceKind.Heart, 0, 0.10, 0.45), Sides.Face, ("ewes-wool", 1), ("flaxfield", 1)),
                Steam(),
                Dust(0.12, From(PlaceKind.Base, 0, 0.10, 0.25), Sides.Both, ("moonmilk", 1)),
                Dust(0.12, From(PlaceKind.Tip, 0, 0.08, 0.20), Sides.Both, ("moonmilk", 1))),
            new DemoReading(LogSubject.Paste, 22, new Lab(-0.9, 0.4, -1.1), "Marbled by hand, streaks bold at six folds."),
            new DemoReading(LogSubject.Paste, 20, new Lab(2.8, -1.2, 5.4), "Folded too far: streaks gone flat after eleven folds. Kept it for calyxes."),
            new DemoReading(LogSubject.Rim, 9, new Lab(-2.6, 1.4, -2.9), "Scabious comes out stronger than it did in autumn."),
            new DemoReading(LogSubject.Rim, 3, new Lab(-3.4, 1.8, -3.6), "Stronger again. Went down to a light load.")),
    ]);

    private static DemoFlower Caladium => new("Caladium leaf, sea-glass", 8, 0,
    [
        new(
            new Piece("Leaf", "heart-leaf", 88, 70, 0.8, false, PartOf.Flower, 1, 0.25),
            Of("#cfe6d6", White(("tidepool", 0.16), ("lichen", 0.05)), "#477e63", "#5f927a", "#d8a9ae", "#c99aa0", "#b7d3bf",
                Dust(0.14, From(PlaceKind.Heart, 0, 0.20, 0.45), Sides.Face, ("sainfoin", 1), ("guelder", 1), ("plain-cornstarch", 4)),
                Dust(0.30, From(PlaceKind.Rim, 0, 2, 5), Sides.Face, ("harts-tongue", 2), ("mussel", 0.3), ("plain-cornstarch", 1)),
                Dust(0.08, Place.Whole, Sides.Back, ("duckweed", 1), ("flaxfield", 1), ("plain-cornstarch", 3)),
                Steam(),
                Glaze("pond-dip", 1))),
    ]);

    private static DemoFlower Astrantia => new("Astrantia", 30, 0,
    [
        new(
            new Piece("Bracts", "narrow-bract", 17, 6, 0.5, false, PartOf.Flower, 16, 0.10),
            Of("#f0dfe0", White(("foxberry", 0.010)), "#e3b9c0", "#dca9b3", "#ecd3d5", "#d7dfb9", "#ecd3d5",
                Dust(0.08, From(PlaceKind.Tip, 0, 0.15, 0.45), Sides.Both, ("guelder", 1), ("plain-cornstarch", 4)),
                Dust(0.06, From(PlaceKind.Base, 0, 0.15, 0.20), Sides.Both, ("duckweed", 1), ("plain-cornstarch", 2)))),
        new(
            new Piece("Pom-pom", "round", 12, 12, 12, true, PartOf.Flower, 1, 0.10),
            Of("#e6b9c0", White(("foxberry", 0.050)), "#d996a2", "#d48c9a", "#dda4ae", "#dcb3b3", "#dda4ae",
                Dust(0.10, From(PlaceKind.Tip, 0, 0.40, 0.40), Sides.Both, ("guelder", 1), ("plain-cornstarch", 2)))),
    ]);
}
