using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Devices;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.LightBox;

/// <summary>A dab of a jar laid before the simulated light box or under the simulated colour reader.</summary>
public static class ReadDabOnBench
{
    /// <param name="MaterialId">The jar that the dab is of.</param>
    /// <param name="Amount">g per 100 g, or mg/cm2.</param>
    /// <param name="BaseId">The paste below or around it.</param>
    /// <param name="Take">Which time: each has its own noise.</param>
    public sealed record Request(string MaterialId, double Amount, string BaseId, int Take);

    /// <param name="Reflectance">36 values, 380 to 730 nm.</param>
    public sealed record Spectrogram(IReadOnlyList<double> Reflectance, ColourView Colour);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/bench/light-box/dabs", Photograph).Computes().WithName("photographDab")
            .WithSummary("A dab of a jar laid before the simulated light box.").Produces<ShotView>().ProducesProblems(422);
        api.MapPost("/bench/colour-reader/dabs", Read).Computes().WithName("readDab")
            .WithSummary("A dab of a jar under the simulated colour reader.").Produces<Spectrogram>().ProducesProblems(422);
    }

    private static async Task<IResult> Photograph(Request request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        if (await DabAsync(request, studio, cabinet, cancel) is not { } dab)
            return ApiProblem.NotPossible([new FieldProblem("materialId", "unknownMaterial", null, null)]);
        return TypedResults.Ok(ShotView.From(await new LightBoxCamera(new DabScene(dab), request.Take).TakeAsync(cancel)));
    }

    private static async Task<IResult> Read(Request request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        if (await DabAsync(request, studio, cabinet, cancel) is not { } dab)
            return ApiProblem.NotPossible([new FieldProblem("materialId", "unknownMaterial", null, null)]);
        var read = await new PocketReader(dab, request.Take).ReadAsync(cancel);
        return TypedResults.Ok(new Spectrogram(read.Values.ToArray(), ColourView.From(Illuminant.D65.LabOf(read))));
    }

    private static async Task<Spectrum?> DabAsync(Request request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = studio.Id;
        // The jar itself, not what was learned of it: a learned one would be its own truth.
        var materials = await cabinet.ListedAsync(studioId, cancel);
        return StandIns.JarsOf(materials).Find(request.MaterialId) is { } jar && materials.Find(request.BaseId) is PasteBase paste && request.Amount is > 0 and <= 20
            ? StandIns.Dab(jar, request.Amount, paste, StandIns.TruthOf(studioId))
            : null;
    }
}
