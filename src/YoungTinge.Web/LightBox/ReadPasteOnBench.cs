using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Devices;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.LightBox;

/// <summary>The paste of a piece, kneaded from jars as they really are, before the simulated light box or under the simulated colour reader.</summary>
public static class ReadPasteOnBench
{
    /// <param name="Take">Which time: each has its own noise.</param>
    public sealed record Request(Guid PieceId, int Take)
    {
        /// <summary>What really went in; null for as planned.</summary>
        public MeasuredPaste? WentIn { get; init; }

        /// <summary>Since it was kneaded; null when its colour has come out.</summary>
        public double? RestedHours { get; init; }
    }

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/bench/light-box/pastes", Photograph).Computes().WithName("photographPaste")
            .WithSummary("The paste of a piece laid before the simulated light box.").Produces<ShotView>().ProducesProblems(404, 422);
        api.MapPost("/bench/colour-reader/pastes", Read).Computes().WithName("readPaste")
            .WithSummary("The paste of a piece under the simulated colour reader.").Produces<ColourView>().ProducesProblems(404, 422);
    }

    private static Task<IResult> Photograph(Request request, StudioWorks works, CabinetStore cabinet, CancellationToken cancel) =>
        OfKneadedAsync(request, works, cabinet, async paste => ShotView.From(await new LightBoxCamera(new DabScene(paste), request.Take).TakeAsync(cancel)), cancel);

    private static Task<IResult> Read(Request request, StudioWorks works, CabinetStore cabinet, CancellationToken cancel) =>
        OfKneadedAsync(request, works, cabinet, async paste => ColourView.From(Illuminant.D65.LabOf(await new PocketReader(paste, request.Take).ReadAsync(cancel))), cancel);

    private static async Task<IResult> OfKneadedAsync<T>(Request request, StudioWorks works, CabinetStore cabinet, Func<Spectrum, Task<T>> look, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var jars = await StandIns.ReallyAsync(work.Studio.Id, cabinet, cancel);
        if (work.Find(request.PieceId) is not { } piece)
            return ApiProblem.NotFound();
        if (StudioRules.OfDone(request.WentIn, request.RestedHours, LogSubject.Paste, jars).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var recipe = request.WentIn?.Recipe(jars) ?? piece.Plan.Paste;
        return jars.HasAllOf(recipe) ? TypedResults.Ok(await look(PasteOptics.Reflectance(recipe, jars, request.RestedHours))) : ApiProblem.NotFound();
    }
}
