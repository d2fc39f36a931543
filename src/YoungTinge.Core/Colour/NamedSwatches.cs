namespace YoungTinge.Core.Colour;

/// <summary>A colour that makers ask for by name.</summary>
/// <param name="Id">For the words in the client: "dustyWine".</param>
public sealed record NamedSwatch(string Id, Lab Colour);

/// <summary>Our own short list of colours that flowers and cakes are asked for in; daylight, matt.</summary>
public static class NamedSwatches
{
    public static IReadOnlyList<NamedSwatch> All { get; } =
    [
        new("ivory", new Lab(93, 0, 10)),
        new("buttermilk", new Lab(91, -2, 22)),
        new("primrose", new Lab(89, -6, 38)),
        new("apricot", new Lab(79, 16, 34)),
        new("peachSkin", new Lab(82, 17, 22)),
        new("terracotta", new Lab(57, 33, 32)),
        new("rust", new Lab(46, 34, 36)),
        new("blush", new Lab(86, 10, 8)),
        new("oldRose", new Lab(66, 22, 9)),
        new("dustyWine", new Lab(44, 25, 5)),
        new("mulberry", new Lab(34, 26, -6)),
        new("lilacMist", new Lab(77, 11, -14)),
        new("heather", new Lab(62, 18, -17)),
        new("plumSkin", new Lab(36, 16, -14)),
        new("harebell", new Lab(66, 3, -26)),
        new("duskBlue", new Lab(52, -2, -19)),
        new("stormGrey", new Lab(58, -1, -6)),
        new("eucalyptus", new Lab(70, -11, 6)),
        new("sage", new Lab(67, -9, 16)),
        new("mossGreen", new Lab(50, -14, 28)),
        new("ivyGreen", new Lab(38, -15, 16)),
        new("limeFlower", new Lab(84, -16, 42)),
        new("seaGlass", new Lab(80, -17, 3)),
        new("mushroom", new Lab(72, 4, 9)),
        new("walnut", new Lab(40, 9, 14)),
        new("moonGrey", new Lab(82, 0, -2)),
    ];
}
