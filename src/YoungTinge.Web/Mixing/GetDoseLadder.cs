using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Mixing;

/// <summary>What a colour does to a paste at eight doses up to its load limit.</summary>
public static class GetDoseLadder
{
    /// <param name="Chroma">Colourfulness C*.</param>
    /// <param name="FromBefore">Delta E to the rung before.</param>
    public sealed record RungView(double GPer100g, ColourView Colour, double Chroma, double FromBefore);

    public sealed record Answer(ColourView Paste, double LimitGPer100g, IReadOnlyList<RungView> Rungs);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/materials/{id}/dose-ladder", Handle)
        .KeepsAnswer().WithName("getDoseLadder").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(string id, string baseId, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var materials = await cabinet.LoadAsync(studio.Id, cancel);
        if (materials.Find(id) is not Colourant colourant || materials.Find(baseId) is not PasteBase paste)
            return ApiProblem.NotFound();
        var plain = SwatchColour.Of(paste, materials)!.Value;
        return TypedResults.Ok(new Answer(
            ColourView.From(plain), colourant.LoadLimitGPer100g,
            [.. DoseLadder.Of(colourant, paste, materials).Select(rung => new RungView(rung.GPer100g, ColourView.From(rung.Colour), rung.Colour.Chroma, rung.FromBefore))]));
    }
}
