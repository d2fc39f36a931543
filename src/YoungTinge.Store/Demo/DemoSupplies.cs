using YoungTinge.Core.Cabinet;

namespace YoungTinge.Store.Demo;

/// <summary>What the made-up studio has of everything, what it paid, what is in it; and what the starter cabinet does not hold.</summary>
internal static class DemoSupplies
{
    /// <summary>Pots that are nearly used up, in g, or ml of a glaze: deep wine paste cannot be mixed in any amount, and the green of all leaves runs short.</summary>
    private static readonly IReadOnlyDictionary<string, double> NearlyUsedUp = new Dictionary<string, double>
    {
        ["foxberry"] = 0.9,
        ["rootcellar"] = 0.4,
        ["cockle"] = 0.6,
        ["harts-tongue"] = 0.8,
        ["satin-veil"] = 2.5,
    };

    private static readonly IReadOnlyDictionary<string, (Ingredient[] Contains, string Note)> Contains = new Dictionary<string, (Ingredient[], string)>
    {
        ["soft-cream-paste"] = ([Ingredient.Gelatine, Ingredient.Milk], "made with gelatine and milk powder"),
        ["brushed-sheen"] = ([Ingredient.Shellac], "shellac"),
    };

    private static readonly MaterialRecord[] More =
    [
        Crumb("Fine pollen sugar", "fine sugar", "#f4d35e", 60, 0.02),
        Crumb("Rust crumb", "gelatine", "#a0522d", 25, 0.08) with { Contains = [Ingredient.Gelatine], FoodStatus = FoodStatus.Edible },
        Crumb("Maize meal, pale", "maize meal", "#f0dc9a", 200, 0.004),
        new() { Name = "Edible glue", Kind = MaterialKind.Adhesive, Form = "gum glue", FoodStatus = FoodStatus.Edible, StockG = 45, PricePerG = 0.06 },
        new()
        {
            Name = "Fresh egg white", Kind = MaterialKind.Adhesive, Form = "egg white", FoodStatus = FoodStatus.Edible, Contains = [Ingredient.Egg],
            StockG = 30, PricePerG = 0.01, Note = "For pieces that nobody eats, or use dried egg white.",
        },
        Counted("Moss stem tape", MaterialKind.Tape, "crepe", "#5b7a3a", 3, 1.9),
        Counted("White stem tape", MaterialKind.Tape, "crepe", "#f3f2ea", 2, 1.9),
        Counted("Bracken stem tape", MaterialKind.Tape, "crepe", "#6b4a2f", 1, 1.9),
        Counted("Seed-head stamens, pale yellow", MaterialKind.Stamens, "round heads, fine", "#f2e394", 120, 0.03),
        new() { Name = "Light ball, 20 mm", Kind = MaterialKind.Core, Form = "foam", FoodStatus = FoodStatus.NotFood, DiameterMm = 20, StockPieces = 30, PricePerPiece = 0.08 },
        new() { Name = "Light ball, 30 mm", Kind = MaterialKind.Core, Form = "foam", FoodStatus = FoodStatus.NotFood, DiameterMm = 30, StockPieces = 12, PricePerPiece = 0.11 },
        Counted("Seed-head stamens, wine", MaterialKind.Stamens, "round heads, fine", "#6d2237", 40, 0.03),
    ];

    private static readonly IReadOnlyDictionary<string, int> Gauges = new Dictionary<string, int>
    {
        ["white-wire"] = 26,
        ["green-wire"] = 24,
        ["bare-wire"] = 18,
    };

    public static Materials Stock(Materials cabinet) =>
        new([.. cabinet.All.Select(Stocked), .. More.Select(sheet => MaterialFromRecord.Convert(sheet, MaterialId.From(sheet.Name, _ => false)))]);

    private static Material Stocked(Material material)
    {
        var stocked = material with { Supply = SupplyOf(material) };
        if (Contains.TryGetValue(material.Id, out var inside))
            stocked = stocked with { Label = stocked.Label with { Contains = inside.Contains, Note = inside.Note } };
        return stocked is Wire wire && Gauges.TryGetValue(wire.Id, out var gauge) ? wire with { Gauge = gauge } : stocked;
    }

    private static Supply SupplyOf(Material material)
    {
        var (potG, pricePerG) = material switch
        {
            PasteBase => (2500, 0.014),
            Colourant { Label.Form: "gel" } => (22, 0.16),
            Colourant { Label.Form: "paste" } => (18, 0.24),
            Colourant { Label.Form: "liquid" } => (34, 0.09),
            Colourant => (12, 0.55),
            Dust { Kind: DustKind.Matte } => (7, 0.75),
            Dust { Kind: DustKind.Lustre } => (5, 1.30),
            Dust => (400, 0.004),
            _ => (0.0, 0.0),
        };
        return material switch
        {
            Wire => new Supply(null, null) { StockPieces = 150, PricePerPiece = 0.05, PackSize = 50 },
            Glaze => new Supply(null, null) { StockMl = NearlyUsedUp.GetValueOrDefault(material.Id, 60), PricePerMl = 0.12, PackSize = 60 },
            Thinner => new Supply(null, null) { StockMl = 220, PricePerMl = 0.03, PackSize = 250 },
            _ when potG > 0 => new Supply(NearlyUsedUp.GetValueOrDefault(material.Id, potG), pricePerG) { PackSize = material is PasteBase ? 1000 : potG },
            _ => new Supply(null, null),
        };
    }

    private static MaterialRecord Crumb(string name, string form, string look, double stockG, double pricePerG) => new()
    {
        Name = name,
        Kind = MaterialKind.Crumb,
        Form = form,
        FoodStatus = FoodStatus.Edible,
        LabelColour = DemoPlan.Colour(look),
        StockG = stockG,
        PricePerG = pricePerG,
    };

    private static MaterialRecord Counted(string name, MaterialKind kind, string form, string look, double pieces, double pricePerPiece) => new()
    {
        Name = name,
        Kind = kind,
        Form = form,
        LabelColour = DemoPlan.Colour(look),
        StockPieces = pieces,
        PricePerPiece = pricePerPiece,
    };
}
