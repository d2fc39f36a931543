using YoungTinge.Core.Cabinet;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Cabinet;

/// <summary>Everything on the shelf, with the colour it gives by itself.</summary>
public static class GetCabinet
{
    /// <param name="Chip">Null for what has no colour of its own.</param>
    /// <param name="LoadLimit">g per 100 g for a colourant, mg/cm2 for a dust, else null.</param>
    /// <param name="NotFor">All diets that it does not suit, by what was said and by what is in it.</param>
    public sealed record MaterialView(
        string Id, string Name, MaterialKind Kind, string Form, FoodStatus FoodStatus, string DyeFamily, string Note, ColourView? Chip,
        double? LoadLimit, IReadOnlyList<DoseUnit> Units, Supply Supply, IReadOnlyList<Diet> NotFor, IReadOnlyList<Ingredient> Contains,
        bool IsRetired, int? Gauge, double? DiameterMm, OpticsOrigin Origin, double? WorstDeltaE);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/materials", Handle)
        .KeepsAnswer().WithName("getCabinet").Produces<IReadOnlyList<MaterialView>>().ProducesProblems();

    private static async Task<IResult> Handle(CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var materials = await cabinet.LoadAsync(studio.Id, cancel);
        return TypedResults.Ok<IReadOnlyList<MaterialView>>([.. materials.All.Select(material => View(material, materials))]);
    }

    internal static MaterialView View(Material material, Materials materials) => new(
        material.Id, material.Label.Name, MaterialKinds.Of(material), material.Label.Form, material.Label.FoodStatus,
        material.Label.DyeFamily, material.Label.Note,
        SwatchColour.Of(material, materials) is { } colour ? ColourView.From(colour) : null,
        material switch
        {
            Colourant colourant => colourant.LoadLimitGPer100g,
            Dust dust => dust.LoadLimitMgPerCm2,
            _ => null,
        },
        (material as Colourant)?.Units ?? [],
        material.Supply,
        [.. Enum.GetValues<Diet>().Where(diet => !material.Label.Suits(diet))],
        material.Label.Contains,
        material.Label.IsRetired,
        (material as Wire)?.Gauge,
        (material as CoreBall)?.DiameterMm,
        material.Source.Origin,
        material.Source.WorstDeltaE);
}
