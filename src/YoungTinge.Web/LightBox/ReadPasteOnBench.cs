using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Devices;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.LightBox;

/// <summary>The paste of a piece, kneaded from jars as they really are, before the simulated light box or under the simulated colour reader.</summary>
public static class ReadPasteOnBench
{
    /// <param name="Take">Which time: each has its own noise.</param>
    public sealed record Request(Guid PieceId, int Take);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/bench/light-box/pastes", Photograph).Computes().WithName("photographPaste")
            .WithSummary("The paste of a piece laid before the simulated light box.").Produces<ShotView>().ProducesProblems(404, 422);
        api.MapPost("/bench/colour-reader/pastes", Read).Computes().WithName("readPaste")
            .WithSummary("The paste of a piece under the simulated colour reader.").Produces<ColourView>().ProducesProblems(404, 422);
    }

    private static async Task<IResult> Photograph(Request request, StudioWorks works, CabinetStore cabinet, CancellationToken cancel) =>
        await KneadedAsync(request, works, cabinet, cancel) is { } paste ? TypedResults.Ok(ShotView.From(await new LightBoxCamera(new DabScene(paste), request.Take).TakeAsync(cancel))) : ApiProblem.NotFound();

    private static async Task<IResult> Read(Request request, StudioWorks works, CabinetStore cabinet, CancellationToken cancel) =>
        await KneadedAsync(request, works, cabinet, cancel) is { } paste ? TypedResults.Ok(ColourView.From(Illuminant.D65.LabOf(await new PocketReader(paste, request.Take).ReadAsync(cancel)))) : ApiProblem.NotFound();

    /// <returns>Null if there is no such piece, or something of its paste is gone.</returns>
    private static async Task<Spectrum?> KneadedAsync(Request request, StudioWorks works, CabinetStore cabinet, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var jars = await StandIns.ReallyAsync(work.Studio.Id, cabinet, cancel);
        return work.Find(request.PieceId) is { } piece && jars.HasAllOf(piece.Plan.Paste) ? PasteOptics.Reflectance(piece.Plan.Paste, jars) : null;
    }
}
