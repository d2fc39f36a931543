using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;
using YoungTinge.Web.Mixing;

namespace YoungTinge.Web.Cabinet;

/// <summary>Everything on the shelf, with the colour it gives by itself.</summary>
public static class GetCabinet
{
    /// <summary>The load at which dusts are shown, on white paste: a full coat.</summary>
    private const double ShownLoadMgPerCm2 = 0.3;

    /// <summary>The dose at which colours are shown, in white paste.</summary>
    private const double ShownDoseGPer100g = 0.2;

    private const string ShownOn = "bright-white-paste";

    /// <param name="Kind">paste, colourant, dust, lustre, extender, glaze, thinner or wire.</param>
    /// <param name="Chip">Null for what has no colour of its own.</param>
    /// <param name="LoadLimit">g per 100 g for a colourant, mg/cm2 for a dust, else null.</param>
    public sealed record MaterialView(
        string Id, string Name, string Kind, string Form, FoodStatus FoodStatus, string DyeFamily, string Note, ColourView? Chip, double? LoadLimit);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/materials", Handle)
        .WithName("getCabinet").Produces<IReadOnlyList<MaterialView>>().Fails(503);

    private static async Task<IResult> Handle(CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var materials = await cabinet.LoadAsync(await studio.IdAsync(cancel), cancel);
        return TypedResults.Ok<IReadOnlyList<MaterialView>>([.. materials.All.Select(material => View(material, materials))]);
    }

    private static MaterialView View(Material material, Materials materials) => new(
        material.Id, material.Label.Name, CabinetStore.KindOf(material), material.Label.Form, material.Label.FoodStatus,
        material.Label.DyeFamily, material.Label.Note,
        Reflectance(material, materials) is { } face ? ColourView.From(Illuminant.D65.LabOf(face)) : null,
        material switch
        {
            Colourant colourant => colourant.LoadLimitGPer100g,
            Dust dust => dust.LoadLimitMgPerCm2,
            _ => null,
        });

    private static Spectrum? Reflectance(Material material, Materials materials)
    {
        switch (material)
        {
            case PasteBase:
                return PasteOptics.Reflectance(new PasteRecipe(material.Id, []), materials);
            case Colourant:
                return PasteOptics.Reflectance(new PasteRecipe(ShownOn, [new Dose(material.Id, ShownDoseGPer100g)]), materials);
            case Dust dust:
                var face = PasteOptics.Reflectance(new PasteRecipe(ShownOn, []), materials).Values.ToArray();
                new DustFilm(dust.Optics).LayOn(face, ShownLoadMgPerCm2);
                return new Spectrum(face);
            case Wire wire:
                return wire.Reflectance;
            default:
                return null;
        }
    }
}
