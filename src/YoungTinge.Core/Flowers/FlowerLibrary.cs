using static YoungTinge.Core.Flowers.PieceRole;

namespace YoungTinge.Core.Flowers;

/// <summary>A piece of a library flower.</summary>
/// <param name="Colouring">Id of the natural colouring that its zones begin from, or one colour for all of them as #rrggbb.</param>
public sealed record LibraryPiece(Piece Piece, string Colouring);

/// <summary>The side that a flower is known by.</summary>
public enum KnownFrom
{
    Above,

    /// <summary>As it faces who looks at it: what stands up in the flower is at the top.</summary>
    Front,
    Side,

    /// <summary>From the side, with its mouth down.</summary>
    SideHanging,
}

/// <summary>A flower or leaf to begin from: pieces with usual sizes and numbers, without paste or coats.</summary>
/// <param name="Id">Lower-case words joined by hyphens.</param>
public sealed record LibraryFlower(string Id, string Name, IReadOnlyList<LibraryPiece> Pieces)
{
    public KnownFrom KnownFrom { get; init; }

    public bool IsFoliage => Bloom.IsFoliage([.. Pieces.Select(piece => piece.Piece)]);
}

/// <summary>Common flowers and leaves as they are made of paste; sizes from general knowledge of how they grow.</summary>
public static class FlowerLibrary
{
    private const double PetalMm = 0.5;
    private const double LeafMm = 0.7;
    private const string StamenColour = "#e9d27a";
    private const string GreenHeart = "#b7c878";

    public static IReadOnlyList<LibraryFlower> All { get; } =
    [
        new("rose", "Rose",
        [
            Petals("Heart petals", "round-petal", 24, 24, 5, 15, 0, "rose-petal-blush", Arrangement.Spiral),
            Petals("Middle petals", "round-petal", 34, 35, 7, 42, 3, "rose-petal-blush"),
            Petals("Outer petals", "heart-petal", 44, 46, 8, 72, 5, "rose-petal-blush"),
            Solid("Cone", "cone", 22, 15, Centre, 1, 0, 0, "#efe0cf"),
            Sepals("narrow-bract", 24, 9, 5, "rose-leaf-summer-green"),
            LeafClusters(Leaves("toothed-leaf", 46, 30, 5, "rose-leaf-summer-green"), 5),
        ]),
        new("peony", "Peony",
        [
            Petals("Inner petals", "ruffled-petal", 34, 26, 14, 35, 2, "peony-petal-shell-pink", Arrangement.Spiral, frill: 0.6),
            Petals("Outer petals", "round-petal", 56, 52, 9, 75, 6, "peony-petal-shell-pink", frill: 0.3),
            Solid("Carpels", "seed-pod", 12, 6, Centre, 3, 20, 2, GreenHeart),
            Leaves("lance-leaf", 74, 28, 3, "rose-leaf-summer-green"),
        ]),
        new("ranunculus", "Ranunculus",
        [
            Petals("Heart petals", "round-petal", 16, 16, 12, 18, 1, "ranunculus-petal-butter-yellow"),
            Petals("Middle petals", "round-petal", 28, 29, 14, 40, 4, "ranunculus-petal-butter-yellow"),
            Petals("Outer petals", "round-petal", 40, 42, 10, 72, 6, "ranunculus-petal-butter-yellow"),
            Solid("Button", "round", 13, 13, Centre, 1, 0, 0, GreenHeart),
        ]),
        new("anemone", "Anemone",
        [
            Petals("Petals", "broad-sepal", 40, 32, 8, 80, 4, "anemone-petal-violet"),
            Stamens(40, 9, "#2b2436"),
            Solid("Dark button", "round", 11, 11, Centre, 1, 0, 0, "#231f2b"),
            Leaves("fern-frond", 46, 34, 3, "fern-leaf-fresh"),
        ]),
        new("hellebore", "Hellebore",
        [
            Petals("Sepals", "broad-sepal", 46, 41, 5, 78, 3, "hellebore-sepal-green-white"),
            Solid("Nectaries", "horn", 8, 4, Stamen, 12, 40, 4, "#c5d88b"),
            Stamens(40, 12, "#efe6b4"),
            Leaves("toothed-leaf", 90, 34, 2, "hellebore-leaf-leather-green"),
        ]),
        new("tulip", "Tulip",
        [
            Petals("Inner petals", "broad-sepal", 58, 36, 3, 22, 4, "tulip-petal-crimson"),
            Petals("Outer petals", "broad-sepal", 60, 40, 3, 28, 6, "tulip-petal-crimson"),
            Solid("Pistil", "seed-pod", 20, 8, Centre, 1, 0, 0, GreenHeart),
            Leaves("strap-petal", 130, 36, 2, "hosta-leaf-blue-green", VeinPattern.Fan),
        ]) { KnownFrom = KnownFrom.Side },
        new("daffodil", "Daffodil",
        [
            new(new Piece("Trumpet", "trumpet", 32, 28, PetalMm, false, PartOf.Flower, 1, 0.3) { Form = PieceForm.Usual(Centre) with { Frill = 0.6 } }, "daffodil-trumpet-orange-frilled"),
            Petals("Petals", "pointed-petal", 36, 24, 6, 88, 6, "daffodil-petal-golden"),
            Leaves("strap-petal", 150, 12, 3, "hosta-leaf-blue-green", VeinPattern.Fan),
        ]),
        new("poppy", "Poppy",
        [
            Petals("Petals", "ruffled-petal", 46, 54, 4, 74, 3, "poppy-petal-field-red", frill: 0.7),
            Stamens(60, 12, "#34303a"),
            Solid("Pod", "seed-pod", 16, 13, Centre, 1, 0, 0, "#aebd86"),
        ]),
        new("iris", "Iris",
        [
            Petals("Standards", "ruffled-petal", 58, 42, 3, 30, 3, "iris-standard-pale-lilac", frill: 0.4),
            Petals("Falls", "tongue-petal", 62, 40, 3, 105, 4, "iris-fall-blue-violet", frill: 0.3),
            Leaves("strap-petal", 160, 22, 2, "hosta-leaf-blue-green", VeinPattern.Fan),
        ]) { KnownFrom = KnownFrom.Side },
        new("lily", "Lily",
        [
            Petals("Inner petals", "pointed-petal", 78, 34, 3, 82, 3, "lily-petal-pink-freckled", frill: 0.3),
            Petals("Outer petals", "pointed-petal", 80, 24, 3, 84, 3, "lily-petal-pink-freckled"),
            Stamens(6, 46, "#8d4a26"),
            Leaves("lance-leaf", 90, 18, 5, "bay-leaf-deep-green", VeinPattern.Fan),
        ]),
        new("dahlia", "Dahlia",
        [
            Petals("Inner petals", "spoon-petal", 20, 9, 16, 30, 3, "dahlia-petal-dusky-peach", Arrangement.Spiral),
            Petals("Middle petals", "spoon-petal", 32, 13, 16, 60, 5, "dahlia-petal-dusky-peach"),
            Petals("Outer petals", "spoon-petal", 42, 16, 16, 82, 7, "dahlia-petal-dusky-peach"),
            Solid("Heart", "round", 10, 10, Centre, 1, 0, 0, GreenHeart),
        ]),
        new("carnation", "Carnation",
        [
            Petals("Inner petals", "fringed-petal", 28, 26, 9, 28, 1, "carnation-petal-rose-pink", Arrangement.Spiral, frill: 0.8),
            Petals("Outer petals", "fringed-petal", 36, 36, 10, 70, 2, "carnation-petal-rose-pink", frill: 0.8),
            Sepals("narrow-bract", 26, 8, 5, "hosta-leaf-blue-green"),
        ]) { KnownFrom = KnownFrom.Side },
        new("sweet-pea", "Sweet pea",
        [
            Petals("Keel", "hood", 18, 14, 1, 15, 1, "sweet-pea-petal-lavender", Arrangement.OneSide),
            InBothHands(Petals("Wings", "notched-petal", 26, 20, 2, 55, 1, "sweet-pea-petal-lavender")),
            Petals("Standard", "heart-petal", 36, 46, 1, 80, 1, "sweet-pea-petal-lavender", frill: 0.5),
            Sepals("narrow-bract", 9, 4, 5, "rose-leaf-summer-green"),
        ]) { KnownFrom = KnownFrom.Front },
        new("hydrangea-floret", "Hydrangea floret",
        [
            InOne(4, Petals("Sepals", "broad-sepal", 17, 16, 1, 84, 0.5, "hydrangea-sepal-blue")),
            Solid("Bead", "round", 3, 3, Centre, 1, 0, 0, "#c4cfa6"),
            Leaves("toothed-leaf", 86, 58, 1, "rose-leaf-summer-green"),
        ]),
        new("magnolia", "Magnolia",
        [
            Petals("Inner tepals", "spoon-petal", 66, 36, 3, 28, 3, "magnolia-tepal-pink-goblet"),
            Petals("Outer tepals", "broad-sepal", 72, 44, 6, 60, 4, "magnolia-tepal-pink-goblet"),
            Solid("Cone", "cone", 22, 11, Centre, 1, 0, 0, "#cfc98f"),
        ]) { KnownFrom = KnownFrom.Side },
        new("cherry-blossom", "Cherry blossom",
        [
            Petals("Petals", "heart-petal", 16, 14, 5, 80, 1, "cherry-blossom-petal-palest-pink"),
            Stamens(20, 9, "#f3e6b6"),
            Sepals("narrow-bract", 7, 3, 5, "copper-beech-leaf-copper"),
            new(new Piece("Bud", "bud", 12, 9, 9, true, PartOf.Bud, 1, 0.3), "cherry-blossom-petal-double-rose"),
        ]),
        new("camellia", "Camellia",
        [
            Petals("Inner petals", "round-petal", 24, 22, 8, 35, 1, "camellia-petal-carmine", Arrangement.Spiral),
            Petals("Outer petals", "heart-petal", 38, 38, 10, 76, 3, "camellia-petal-carmine"),
            Stamens(30, 14, StamenColour),
            Leaves("oval-leaf", 62, 34, 3, "bay-leaf-deep-green"),
        ]),
        new("clematis", "Clematis",
        [
            Petals("Sepals", "pointed-petal", 56, 30, 6, 86, 3, "clematis-sepal-deep-violet"),
            Stamens(36, 16, "#e4dccf"),
            new(new Piece("Bud", "bud", 34, 14, 14, true, PartOf.Bud, 1, 0.25), "clematis-sepal-ice-blue"),
        ]),
        new("daisy", "Daisy",
        [
            Petals("Rays", "tongue-petal", 24, 7, 21, 85, 7, "daisy-ray-white"),
            Solid("Disc", "round", 15, 15, Centre, 1, 0, 0, "#e9bb35"),
        ]),
        new("gerbera", "Gerbera",
        [
            Petals("Inner rays", "tongue-petal", 26, 7, 24, 68, 7, "gerbera-ray-apricot-pink"),
            Petals("Outer rays", "tongue-petal", 40, 10, 26, 85, 9, "gerbera-ray-apricot-pink"),
            Solid("Disc", "round", 18, 18, Centre, 1, 0, 0, "#5a4534"),
        ]),
        new("moth-orchid", "Moth orchid",
        [
            Petals("Lip", "lip-petal", 20, 16, 1, 60, 1, "moth-orchid-petal-magenta-veined", Arrangement.OneSide),
            Petals("Wings", "round-petal", 42, 48, 2, 88, 2, "moth-orchid-petal-white"),
            Petals("Sepals", "broad-sepal", 42, 26, 3, 92, 2, "moth-orchid-petal-white"),
            Solid("Column", "seed-pod", 9, 6, Centre, 1, 0, 0, "#f0e4d6"),
        ]),
        new("pansy", "Pansy",
        [
            Petals("Upper petals", "round-petal", 30, 34, 2, 88, 1, "pansy-petal-purple-with-gold-eye", frill: 0.3),
            Petals("Side petals", "round-petal", 26, 28, 2, 85, 1, "pansy-petal-purple-with-gold-eye", frill: 0.3),
            Petals("Lower petal", "heart-petal", 28, 38, 1, 80, 1, "pansy-petal-purple-with-gold-eye", Arrangement.OneSide, frill: 0.4),
        ]),
        new("foxglove-bell", "Foxglove bell",
        [
            new(new Piece("Bell", "bell", 44, 28, PetalMm, false, PartOf.Flower, 1, 0.3) { Form = PieceForm.Usual(Centre) with { Frill = 0.4 } }, "foxglove-bell-rose-purple"),
            Sepals("narrow-bract", 12, 6, 5, "rose-leaf-summer-green"),
            new(new Piece("Bud", "bud", 18, 9, 9, true, PartOf.Bud, 1, 0.3), "foxglove-bell-cream"),
        ]) { KnownFrom = KnownFrom.SideHanging },
        new("lisianthus", "Lisianthus",
        [
            Petals("Inner petals", "ruffled-petal", 34, 30, 5, 30, 1, "lisianthus-petal-cream-with-violet-rim", Arrangement.Spiral, frill: 0.4),
            Petals("Outer petals", "ruffled-petal", 42, 40, 6, 62, 3, "lisianthus-petal-cream-with-violet-rim", frill: 0.4),
            Solid("Pistil", "seed-pod", 14, 5, Centre, 1, 0, 0, GreenHeart),
        ]) { KnownFrom = KnownFrom.Side },
        new("arum", "Arum",
        [
            new(new Piece("Spathe", "spathe", 92, 64, 0.8, false, PartOf.Flower, 1, 0.3) { Form = PieceForm.Usual(Petal) with { OpenDegrees = 50 } }, "gardenia-petal-ivory"),
            Solid("Spike", "spike", 46, 8, Centre, 1, 10, 0, "#e8c64d"),
            Leaves("arrow-leaf", 110, 66, 1, "hosta-leaf-blue-green"),
        ]) { KnownFrom = KnownFrom.Side },
        new("jasmine", "Jasmine",
        [
            InOne(5, Petals("Star", "pointed-petal", 14, 7, 1, 84, 1, "jasmine-petal-white-flushed-pink")),
            new(new Piece("Tube", "cone", 14, 3, 3, true, PartOf.Flower, 1, 0.3) { Form = PieceForm.Usual(Centre) }, "jasmine-petal-white-flushed-pink"),
            new(new Piece("Bud", "bud", 18, 5, 5, true, PartOf.Bud, 1, 0.3), "jasmine-petal-white-flushed-pink"),
            LeafClusters(Leaves("lance-leaf", 32, 12, 3, "rose-leaf-summer-green"), 3),
        ]),
        new("bluebell", "Bluebell",
        [
            new(new Piece("Bell", "lobed-tube", 20, 14, PetalMm, false, PartOf.Flower, 1, 0.3)
            {
                Form = PieceForm.Usual(Centre) with { Cut = new PieceCut(RimMm: 0.3) },
            }, "bluebell-bell-violet-blue"),
            Leaves("strap-petal", 150, 12, 3, "hosta-leaf-blue-green", VeinPattern.Fan),
        ]) { KnownFrom = KnownFrom.SideHanging },
        new("ivy", "Ivy", [Foliage("Young leaves", "ivy-leaf", 24, 24, 3, "ivy-leaf-dark"), Foliage("Leaves", "ivy-leaf", 40, 42, 3, "ivy-leaf-dark"), Foliage("Large leaves", "ivy-leaf", 56, 60, 2, "ivy-leaf-dark")]),
        new("eucalyptus", "Eucalyptus", [Foliage("Young leaves", "oval-leaf", 18, 17, 6, "eucalyptus-leaf-tinged-red"), Foliage("Leaves", "oval-leaf", 30, 26, 8, "eucalyptus-leaf-silver-round")]),
        new("fern", "Fern", [Foliage("Fronds", "fern-frond", 110, 42, 3, "fern-leaf-fresh")]),
        new("maple", "Maple", [Foliage("Leaves", "maple-leaf", 62, 64, 3, "maple-leaf-autumn-scarlet")]),
        new("oak", "Oak", [Foliage("Leaves", "oak-leaf", 74, 42, 3, "oak-leaf-autumn-tan"), Berry("Acorns", "seed-pod", 20, 13, 2, "#a88a4e")]),
        new("holly", "Holly", [Foliage("Leaves", "toothed-leaf", 54, 30, 3, "holly-leaf-glossy"), Berry("Berries", "round", 9, 9, 5, "#a81f26")]),
        new("rosemary", "Rosemary", [Foliage("Needles", "needle", 26, 3.5, 30, "rosemary-leaf-needle")]),
        new("caladium", "Caladium", [Foliage("Leaf", "heart-leaf", 88, 70, 1, "caladium-leaf-green-and-rose")]),
    ];

    public static LibraryFlower? Find(string id) => All.FirstOrDefault(flower => flower.Id == id);

    private static LibraryPiece Petals(
        string name, string outline, double lengthMm, double widthMm, int count, double openDegrees, double insetMm, string colouring,
        Arrangement arrangement = Arrangement.Ring, double frill = 0) => new(
        new Piece(name, outline, lengthMm, widthMm, PetalMm, false, PartOf.Flower, count, 0.2)
        {
            Form = PieceForm.Usual(Petal) with { Arrangement = arrangement, OpenDegrees = openDegrees, InsetMm = insetMm, Frill = frill },
        }, colouring);

    private static LibraryPiece Solid(string name, string outline, double lengthMm, double widthMm, PieceRole role, int count, double openDegrees, double insetMm, string colouring) => new(
        new Piece(name, outline, lengthMm, widthMm, Math.Min(lengthMm, widthMm), true, PartOf.Flower, count, 0.15)
        {
            Form = PieceForm.Usual(role) with { OpenDegrees = openDegrees, InsetMm = insetMm },
        }, colouring);

    private static LibraryPiece Stamens(int count, double lengthMm, string colour) => new(
        new Piece("Stamens", "stamen", lengthMm, Math.Max(1.6, 0.14 * lengthMm), 1, true, PartOf.Flower, count, 0.1) { Form = PieceForm.Usual(Stamen) }, colour);

    /// <summary>Cut in one, on a nub that the flower sits in.</summary>
    private static LibraryPiece Sepals(string outline, double lengthMm, double widthMm, int count, string colouring) => new(
        new Piece("Calyx", outline, lengthMm, widthMm, PetalMm, false, PartOf.Flower, 1, 0.15)
        {
            Form = PieceForm.Usual(Calyx) with { Veins = VeinPattern.Fan, Cut = new PieceCut(Lobes: count, NubMm: Math.Round(NubShare * lengthMm)) },
        }, colouring);

    private const double NubShare = 0.25;

    private static LibraryPiece InOne(int lobes, LibraryPiece of) => WithForm(of, form => form with { Cut = new PieceCut(Lobes: lobes) });

    private static LibraryPiece InBothHands(LibraryPiece of) => WithForm(of, form => form with { Cut = new PieceCut(InBothHands: true) });

    /// <summary>Gathered on one stalk before they are put to the stem.</summary>
    private static LibraryPiece LeafClusters(LibraryPiece of, int leaves) => WithForm(of, form => form with { GatheredBy = leaves });

    private static LibraryPiece WithForm(LibraryPiece of, Func<PieceForm, PieceForm> change) => of with { Piece = of.Piece with { Form = change(of.Piece.Form) } };

    private static LibraryPiece Leaves(string outline, double lengthMm, double widthMm, int count, string colouring, VeinPattern? veins = null)
    {
        var leaf = Foliage("Leaves", outline, lengthMm, widthMm, count, colouring);
        return leaf with { Piece = leaf.Piece with { Form = leaf.Piece.Form with { Veins = veins } } };
    }

    private static LibraryPiece Foliage(string name, string outline, double lengthMm, double widthMm, int count, string colouring) => new(
        new Piece(name, outline, lengthMm, widthMm, LeafMm, false, PartOf.Flower, count, 0.2) { Form = PieceForm.Usual(Leaf) }, colouring);

    private static LibraryPiece Berry(string name, string outline, double lengthMm, double widthMm, int count, string colour) => new(
        new Piece(name, outline, lengthMm, widthMm, widthMm, true, PartOf.Flower, count, 0.15) { Form = PieceForm.Usual(PieceRole.Berry) }, colour);
}
