using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Studios;

/// <summary>Changes whose studio it is and how it measures; everything that is planned from then on follows.</summary>
public static class SaveStudio
{
    public sealed record Request(string Name, string Maker, string TimeZone, string Currency, string Language, Measures Measures, double ScaleG, double LeftoverDeltaE, IReadOnlyList<double> HolesMm);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/studio", Handle)
        .WithName("saveStudio").Produces<StudioView>().ProducesProblems(422);

    private static async Task<IResult> Handle(Request request, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, StudioStore studios, CancellationToken cancel)
    {
        var changed = new Studio(
            studio.Id, request.Name.Trim(), request.Maker.Trim(), request.TimeZone, request.Currency,
            new Measuring(request.Measures, request.ScaleG, request.LeftoverDeltaE) { HolesMm = request.HolesMm }, madeFrom.Version)
        {
            Language = request.Language,
        };
        if (StudioRules.Of(changed).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        if (!await studios.SaveAsync(changed, cancel))
            return ApiProblem.ChangedElsewhere();
        var saved = changed with { Version = madeFrom.Version + 1 };
        MadeFrom.Tell(response, saved.Version);
        return TypedResults.Ok(StudioView.From(saved));
    }
}
