using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using static YoungTinge.Store.Demo.DemoPlan;

namespace YoungTinge.Store.Demo;

/// <summary>The three commissions of the made-up studio.</summary>
internal static class DemoCommissions
{
    public static IReadOnlyList<DemoCommission> All =>
    [
        new("Lantern Pier winter supper", 9, "Evening hall, warm lamps, two-tier cake", LightKind.Lamp, 55, [Hellebore, Ranunculus, Ivy],
        [
            new("Ranunculus, middle whorl", White(("saffron-thread", 0.12), ("ember", 0.048), ("bracken", 0.024)), 140, "#f3c9a0", new Lab(-2.4, 4.1, 2.2), "One touch of ember too many, I think.")
            {
                Left = (22, "Tin 3, wrapped twice", 1),
            },
            new("Hellebore, trial petals", White(("quince", 0.035), ("lichen", 0.018)), 60, "#f0f0dd", null, "Paler than it should be, but a clean colour.")
            {
                Left = (34, "Tin 1", 12),
            },
            new("Ivy, young leaves of the window wreath", White(("gorse", 0.35), ("fen", 0.30), ("lichen", 0.14)), 80, "#b8cb84", new Lab(-0.5, 0.3, 0.8), "")
            {
                Left = (8, "Tin 2, left side", 12),
            },
        ])
        {
            RoomCelsius = 20, Status = CommissionStatus.InWork, ClientNote = "Wine and cream, nothing orange. The flowers stay on the table after the cake is cut.",
        },
        new("Tidewrack moon wedding", 21, "Candle light", LightKind.Candle, 60, [Clematis, Caladium], [new("Clematis, deep indigo", White(("woad", 1.23), ("sloe", 0.86), ("vetch", 0.39)), 120, "#4a4a78", null, "")]),
        new("Harbour school fete", 33, "Marquee, afternoon daylight; vegan guests", LightKind.Daylight, null, [Astrantia], []) { Diets = [Diet.Vegan] },
    ];

    private static DemoFlower Hellebore => new("Hellebore", 7, 3,
    [
        new(
            new Piece("Bud", "bud", 27, 19, 19, true, PartOf.Bud, 1, 0.34),
            Of("#e0e6c4", White(("quince", 0.12), ("lichen", 0.05), ("lantern", 0.02)), "#e2d9b4", "#dfbba3", "#dfe3b6", "#cddca3", "#ded6ae",
                Dust(0.10, From(PlaceKind.Base, 0, 0.20, 0.30), Sides.Both, ("nettle", 1), ("plain-cornstarch", 2)),
                Dust(0.14, From(PlaceKind.Tip, 0, 0.15, 0.50), Sides.Both, ("wine-lees", 1), ("cockle", 3), ("plain-cornstarch", 4)),
                Steam())),
        new(
            new Piece("Sepals", "broad-sepal", 47, 42, 0.6, false, PartOf.Flower, 5, 0.20).Standing(80, 3),
            Of("#e6ead2", White(("quince", 0.07), ("lichen", 0.035)), "#ddbeb1", "#d7bcaf", "#d7b9a8", "#bbd691", "#dcb9ac",
                Dust(0.12, From(PlaceKind.Base, 0, 0.10, 0.24), Sides.Face, ("nettle", 2), ("sedge", 1), ("plain-cornstarch", 2)),
                Dust(0.14, From(PlaceKind.Rim, 0, 1, 7), Sides.Face, ("cockle", 3), ("wine-lees", 1), ("plain-cornstarch", 4)),
                Dust(0.08, From(PlaceKind.Heart, 0, 0.15, 0.50), Sides.Face, ("wine-lees", 1), ("plain-cornstarch", 2)),
                Dust(0.14, Place.Whole, Sides.Back, ("wine-lees", 1), ("cockle", 2), ("plain-cornstarch", 3)),
                Painted(new Marking(MarkingKind.Dots, 1.0, 2.6, 0.9, 11), 0.14, From(PlaceKind.Heart, 0, 0.25, 0.45), Sides.Face, ("foxberry", 1)),
                Steam(),
                Glaze("satin-veil", 1)),
            new DemoReading(LogSubject.Paste, 30, new Lab(-0.6, 0.3, 0.9), "First batch, rested overnight."),
            new DemoReading(LogSubject.Paste, 16, new Lab(-1.4, 0.5, 2.1), "New bottle of quince: a little yellower than the last."),
            new DemoReading(LogSubject.Heart, 14, new Lab(-1.9, 1.6, 0.4), "Brush held too much at first. Tap it off on the board."),
            new DemoReading(LogSubject.Back, 14, new Lab(0.8, -0.9, 0.2), "Two passes, second one crosswise.")),
        new(
            new Piece("Nectaries", "horn", 8, 4, 4, true, PartOf.Flower, 12, 0.25).Standing(45, 4),
            Of("#c8d98c", White(("lichen", 0.26), ("saffron-thread", 0.18), ("quince", 0.17)), "#bed687", "#b4c575", "#bbd483", "#bcd686", "#bbd081",
                Dust(0.12, From(PlaceKind.Base, 0, 0.40, 0.40), Sides.Both, ("duckweed", 1), ("plain-cornstarch", 1)),
                Dust(0.06, From(PlaceKind.Tip, 0, 0.10, 0.25), Sides.Both, ("sedge", 1), ("plain-cornstarch", 1)))),
        new(
            new Piece("Bracts", "leaflet", 44, 20, 0.7, false, PartOf.Flower, 2, 0.25),
            Of("#bcd198", White(("gorse", 0.14), ("lichen", 0.14), ("fen", 0.14)), "#7f7247", "#ac8769", "#79ab5d", "#78a355", "#82b163",
                Dust(0.20, From(PlaceKind.Base, 0, 0.50, 0.40), Sides.Both, ("nettle", 2), ("harts-tongue", 1), ("plain-cornstarch", 1)),
                Dust(0.10, From(PlaceKind.Rim, 0, 1, 4), Sides.Face, ("wine-lees", 1), ("plain-cornstarch", 1)),
                Steam())),
        new(
            new Piece("Leaves", "leaflet", 92, 34, 0.8, false, PartOf.Flower, 2, 0.20),
            Of("#8fae78", White(("frond", 0.47), ("fen", 0.23), ("bracken", 0.14)), "#424d2f", "#434e32", "#405f34", "#426439", "#779b5c",
                Dust(0.30, Place.Whole, Sides.Face, ("harts-tongue", 3), ("mussel", 0.1), ("plain-cornstarch", 1)),
                Dust(0.12, From(PlaceKind.Rim, 0, 2, 5), Sides.Face, ("peat", 1), ("harts-tongue", 2)),
                Dust(0.14, Place.Whole, Sides.Back, ("nettle", 1), ("plain-cornstarch", 1)),
                Steam(),
                Glaze("brushed-sheen", 1, Sides.Face))),
    ]);

    private static DemoFlower Ranunculus => new("Ranunculus", 5, 0,
    [
        new(
            new Piece("Heart petals", "round-petal", 17, 16, 0.4, false, PartOf.Flower, 12, 0.15).Standing(18, 2),
            Of("#ef9f6c", White(("saffron-thread", 0.34), ("ember", 0.28), ("lichen", 0.05)), "#f0955f", "#ee9661", "#efa06b", "#e39d6a", "#ef9e6b",
                Dust(0.10, From(PlaceKind.Rim, 0, 1, 4), Sides.Face, ("vixen", 1), ("plain-cornstarch", 2)),
                Dust(0.08, From(PlaceKind.Base, 0, 0.15, 0.25), Sides.Face, ("sedge", 1), ("plain-cornstarch", 2)))),
        new(
            new Piece("Inner petals", "round-petal", 24, 24, 0.4, false, PartOf.Flower, 14, 0.15).Standing(32, 4),
            Of("#f3b98a", White(("saffron-thread", 0.17), ("ember", 0.12), ("lichen", 0.042)), "#f4ad7e", "#efa776", "#f0b98b", "#ddac74", "#f0b68a",
                Dust(0.10, From(PlaceKind.Rim, 0, 1, 5), Sides.Face, ("vixen", 1), ("plain-cornstarch", 3)),
                Dust(0.08, From(PlaceKind.Base, 0, 0.15, 0.25), Sides.Face, ("sedge", 1), ("plain-cornstarch", 2)))),
        new(
            new Piece("Middle petals", "round-petal", 32, 33, 0.4, false, PartOf.Flower, 16, 0.15).Standing(48, 5),
            Of("#f6d0ab", White(("lantern", 0.06), ("ember", 0.03), ("lichen", 0.025)), "#f4c19b", "#f6c8a1", "#e9c6a2", "#f1cea5", "#f6cfb0",
                Dust(0.06, From(PlaceKind.Rim, 0, 1, 6), Sides.Face, ("vixen", 1), ("plain-cornstarch", 4)),
                Dust(0.06, From(PlaceKind.Base, 0, 0.15, 0.25), Sides.Face, ("catkin", 2), ("duckweed", 1), ("plain-cornstarch", 3)))),
        new(
            new Piece("Outer petals", "round-petal", 40, 42, 0.4, false, PartOf.Flower, 12, 0.20).Standing(66, 6),
            Of("#f5e7d0", Cream(("lantern", 0.03)), "#fbe0c1", "#f0d7b6", "#f9e2c7", "#f6e5bf", "#f7dfc1",
                Dust(0.04, From(PlaceKind.Rim, 0, 1, 7), Sides.Face, ("vixen", 1), ("plain-cornstarch", 6)),
                Dust(0.08, From(PlaceKind.Base, 0, 0.12, 0.25), Sides.Both, ("duckweed", 1), ("catkin", 1), ("plain-cornstarch", 3)))),
        new(
            new Piece("Guard petals", "round-petal", 46, 48, 0.4, false, PartOf.Flower, 8, 0.20).Standing(82, 7),
            Of("#f6ecda", Cream(("lantern", 0.008)), "#f6e7d3", "#f7ead6", "#f5ecdb", "#efeacb", "#f5ecd9",
                Dust(0.03, From(PlaceKind.Rim, 0, 1, 6), Sides.Face, ("vixen", 1), ("plain-cornstarch", 8)),
                Dust(0.08, From(PlaceKind.Base, 0, 0.12, 0.25), Sides.Both, ("duckweed", 1), ("catkin", 1), ("plain-cornstarch", 3)))),
        new(
            new Piece("Button", "round", 14, 14, 14, true, PartOf.Flower, 1, 0.40),
            Of("#b9cf7c", White(("gorse", 0.43), ("lichen", 0.17), ("fen", 0.10)), "#a1bc65", "#a5be69", "#b5cc79", "#b7ca76", "#afc873",
                Dust(0.15, From(PlaceKind.Tip, 0, 0.30, 0.40), Sides.Both, ("nettle", 2), ("sedge", 1), ("plain-cornstarch", 2)))),
    ])
    {
        IsOmbre = true,
    };

    private static DemoFlower Ivy => new("Ivy", 3, 0,
    [
        new(
            new Piece("Young leaves", "ivy-leaf", 22, 22, 0.6, false, PartOf.Flower, 3, 0.25),
            Of("#b8cb84", White(("gorse", 0.35), ("fen", 0.30), ("lichen", 0.14)), "#8aa556", "#89a456", "#86a354", "#88a556", "#a1b974",
                Dust(0.16, Place.Whole, Sides.Face, ("nettle", 2), ("sedge", 1), ("plain-cornstarch", 2)),
                PaleVeins(0.5, 3),
                Steam(),
                Glaze("satin-veil", 1, Sides.Face)).Finished(Finish.Satin)),
        new(
            new Piece("Leaves", "ivy-leaf", 38, 40, 0.7, false, PartOf.Flower, 3, 0.20),
            Of("#8aa775", White(("quince", 2.3), ("kingfisher-wing", 0.30), ("bracken", 0.30)), "#37573c", "#34543a", "#406038", "#41613a", "#799b62",
                Dust(0.35, Place.Whole, Sides.Face, ("harts-tongue", 2), ("jackdaw", 0.08), ("plain-cornstarch", 1)),
                Dust(0.10, From(PlaceKind.Rim, 0, 1, 5), Sides.Face, ("mussel", 1), ("harts-tongue", 3)),
                Dust(0.15, Place.Whole, Sides.Back, ("nettle", 1), ("plain-cornstarch", 1)),
                PaleVeins(0.8, 5),
                Steam(),
                Glaze("satin-veil", 2, Sides.Face)).Finished(Finish.Satin)),
        new(
            new Piece("Large leaves", "ivy-leaf", 54, 58, 0.8, false, PartOf.Flower, 2, 0.20),
            Of("#7f9c6d", White(("quince", 1.9), ("fen", 0.54), ("slatewing", 0.35)), "#304f3b", "#2d4e3a", "#3b5838", "#3a5a38", "#749763",
                Dust(0.40, Place.Whole, Sides.Face, ("harts-tongue", 2), ("jackdaw", 0.12), ("plain-cornstarch", 1)),
                Dust(0.12, From(PlaceKind.Rim, 0, 1.5, 7), Sides.Face, ("mussel", 1), ("harts-tongue", 2)),
                Dust(0.15, Place.Whole, Sides.Back, ("nettle", 1), ("plain-cornstarch", 1)),
                PaleVeins(1.1, 7),
                Steam(),
                Glaze("satin-veil", 2, Sides.Face)).Finished(Finish.Satin)),
    ]);

    /// <summary>Chalk and a little green in spirit, on every vein.</summary>
    private static WashCoat PaleVeins(double widthMm, int seed) =>
        Painted(new Marking(MarkingKind.Veins, widthMm, 4, 0.2, seed), 0.5, Place.Whole, Sides.Face, ("chalk-down", 6), ("duckweed", 1));

    private static DemoFlower Clematis => new("Clematis, moonlit", 9, 4,
    [
        new(
            new Piece("Bud", "bud", 34, 14, 14, true, PartOf.Bud, 1, 0.25),
            Of("#a9b0cf", Grey(("woad", 0.10), ("vetch", 0.06)), "#9a9fcd", "#8d92c0", "#a1a7cd", "#97adb0", "#9b9ec6",
                Dust(0.12, From(PlaceKind.Tip, 0, 0.30, 0.40), Sides.Both, ("scabious", 1), ("plain-cornstarch", 1)),
                Dust(0.10, From(PlaceKind.Base, 0, 0.12, 0.20), Sides.Both, ("nettle", 1), ("plain-cornstarch", 1)),
                Steam(),
                Dust(0.10, From(PlaceKind.Tip, 0, 0.20, 0.30), Sides.Both, ("moonmilk", 1)))),
        new(
            new Piece("Petals", "pointed-petal", 58, 30, 0.6, false, PartOf.Flower, 6, 0.20).Standing(86, 3),
            Of("#8a92b4", Grey(("woad", 0.26), ("vetch", 0.12)), "#6a5ca0", "#8d7db2", "#96a4c9", "#a8b1d0", "#909abb",
                Dust(0.12, From(PlaceKind.Rim, 0, 2, 7), Sides.Face, ("scabious", 2), ("nightshade-berry", 1), ("plain-cornstarch", 1)),
                Dust(0.14, From(PlaceKind.Heart, 0, 0.10, 0.45), Sides.Face, ("ewes-wool", 1), ("flaxfield", 1)),
                Painted(new Marking(MarkingKind.CentreBar, 5, 4, 0.2, 21), 0.5, Place.Whole, Sides.Face, ("chalk-down", 4), ("flaxfield", 1)),
                Steam(),
                Dust(0.12, From(PlaceKind.Base, 0, 0.10, 0.25), Sides.Both, ("moonmilk", 1)),
                Dust(0.12, From(PlaceKind.Tip, 0, 0.08, 0.20), Sides.Both, ("moonmilk", 1))).Finished(Finish.Pearl, Zone.Base, Zone.Tip),
            new DemoReading(LogSubject.Paste, 22, new Lab(-0.9, 0.4, -1.1), "Marbled by hand, streaks bold at six folds."),
            new DemoReading(LogSubject.Paste, 20, new Lab(2.8, -1.2, 5.4), "Folded too far: streaks gone flat after eleven folds. Kept it for calyxes."),
            new DemoReading(LogSubject.Rim, 9, new Lab(-1.2, 0.6, -1.3), "Scabious comes out stronger than it did in autumn."),
            new DemoReading(LogSubject.Rim, 3, new Lab(-1.5, 0.8, -1.6), "Stronger again. Went down to a light load.")),
    ])
    {
        Marbled =
        [
            new(White(("woad", 1.23), ("sloe", 0.86), ("vetch", 0.39)), 2),
            new(Grey(("woad", 0.26), ("vetch", 0.12)), 2),
            new(Grey(), 1),
        ],
    };

    private static DemoFlower Caladium => new("Caladium leaf, sea-glass", 8, 0,
    [
        new(
            new Piece("Leaf", "heart-leaf", 88, 70, 0.8, false, PartOf.Flower, 1, 0.25),
            Of("#cfe6d6", White(("oyster-shell", 0.61), ("frond", 0.05), ("woad", 0.02)), "#2e5d3a", "#3f7c51", "#c19a9f", "#abd3bf", "#a3ccb2",
                Dust(0.14, From(PlaceKind.Heart, 0, 0.20, 0.45), Sides.Face, ("sainfoin", 1), ("guelder", 1), ("plain-cornstarch", 4)),
                Dust(0.30, From(PlaceKind.Rim, 0, 2, 5), Sides.Face, ("harts-tongue", 2), ("mussel", 0.3), ("plain-cornstarch", 1)),
                Dust(0.08, Place.Whole, Sides.Back, ("duckweed", 1), ("flaxfield", 1), ("plain-cornstarch", 3)),
                Painted(new Marking(MarkingKind.Veins, 1.6, 4, 0.3, 31), 0.16, From(PlaceKind.Base, 0, 0.75, 0.25), Sides.Face, ("ragged-robin", 2), ("rowan", 1)),
                Painted(new Marking(MarkingKind.PicoteeRim, 1.6, 4, 0.5, 32), 0.30, Place.Whole, Sides.Face, ("yew-shade", 1)),
                Steam(),
                Glaze("pond-dip", 1)).Finished(Finish.Gloss, Enum.GetValues<Zone>())),
    ]);

    private static DemoFlower Astrantia => new("Astrantia", 30, 0,
    [
        new(
            new Piece("Bracts", "narrow-bract", 17, 6, 0.5, false, PartOf.Flower, 16, 0.10).Standing(80, 5),
            Of("#f0dfe0", White(("ragged-robin", 0.075), ("lichen", 0.013)), "#f7d8da", "#f5c5c6", "#f4e0df", "#e4d7c8", "#f4d8d7",
                Dust(0.08, From(PlaceKind.Tip, 0, 0.15, 0.45), Sides.Both, ("guelder", 1), ("plain-cornstarch", 4)),
                Dust(0.06, From(PlaceKind.Base, 0, 0.15, 0.20), Sides.Both, ("duckweed", 1), ("plain-cornstarch", 2)))),
        new(
            new Piece("Pom-pom", "round", 12, 12, 12, true, PartOf.Flower, 1, 0.10),
            Of("#e6b9c0", White(("ragged-robin", 0.30), ("lichen", 0.055), ("heather-bell", 0.026)), "#ea9fa4", "#eca1a5", "#e2a4a7", "#ecbec4", "#eeabb2",
                Dust(0.10, From(PlaceKind.Tip, 0, 0.40, 0.40), Sides.Both, ("guelder", 1), ("plain-cornstarch", 2)))),
    ]);
}
