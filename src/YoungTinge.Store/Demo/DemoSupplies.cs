using YoungTinge.Core.Cabinet;

namespace YoungTinge.Store.Demo;

/// <summary>What the made-up studio has left of everything, what it paid, and whom a few things do not suit.</summary>
internal static class DemoSupplies
{
    /// <summary>Pots that are nearly used up, in g: the deep wine paste runs short for the winter supper.</summary>
    private static readonly IReadOnlyDictionary<string, double> NearlyUsedUp = new Dictionary<string, double>
    {
        ["foxberry"] = 0.9,
        ["rootcellar"] = 0.4,
        ["cockle"] = 0.6,
    };

    private static readonly IReadOnlyDictionary<string, (Diet[] Diets, string Note)> NotFor = new Dictionary<string, (Diet[], string)>
    {
        ["soft-cream-paste"] = ([Diet.Vegan, Diet.Vegetarian, Diet.DairyFree], "made with gelatine and milk powder"),
        ["brushed-sheen"] = ([Diet.Vegan], "shellac"),
    };

    public static Materials Stock(Materials cabinet) => new(cabinet.All.Select(Stocked));

    private static Material Stocked(Material material)
    {
        var stocked = material with { Supply = SupplyOf(material) };
        return NotFor.TryGetValue(material.Id, out var not)
            ? stocked with { Label = stocked.Label with { NotFor = not.Diets, Note = not.Note } }
            : stocked;
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
        return potG > 0 ? new Supply(NearlyUsedUp.GetValueOrDefault(material.Id, potG), pricePerG) : new Supply(null, null);
    }
}
