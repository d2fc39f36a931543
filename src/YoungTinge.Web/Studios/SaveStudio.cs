using YoungTinge.Core.Cabinet;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Studios;

/// <summary>Changes whose studio it is and how it measures; everything that is planned from then on follows.</summary>
public static class SaveStudio
{
    private const int LongestName = 120;

    public sealed record Request(string Name, string Maker, string TimeZone, string Currency, Measures Measures, double ScaleG, double LeftoverDeltaE);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/studio", Handle)
        .WithName("saveStudio").Produces<StudioView>().Fails(412, 422, 428, 503);

    private static async Task<IResult> Handle(Request request, HttpRequest http, HttpResponse response, CurrentStudio studio, StudioStore studios, CancellationToken cancel)
    {
        if (IfMatch.VersionOf(http) is not { } madeFrom)
            return IfMatch.Missing();
        FieldProblem[] problems = [.. Problems(request)];
        if (problems.Length > 0)
            return Trouble.NotPossible(problems);
        var changed = new Studio(
            await studio.IdAsync(cancel), request.Name.Trim(), request.Maker.Trim(), request.TimeZone, request.Currency,
            new Measuring(request.Measures, request.ScaleG, request.LeftoverDeltaE), madeFrom);
        if (!await studios.SaveAsync(changed, cancel))
            return IfMatch.Changed();
        IfMatch.Tell(response, madeFrom + 1);
        return TypedResults.Ok(StudioView.From(changed with { Version = madeFrom + 1 }));
    }

    private static IEnumerable<FieldProblem> Problems(Request request)
    {
        if (string.IsNullOrWhiteSpace(request.Name))
            yield return new FieldProblem("name", "nameMissing", null, null);
        else if (request.Name.Trim().Length > LongestName)
            yield return new FieldProblem("name", "nameTooLong", LongestName, null);
        if (request.Maker.Trim().Length > LongestName)
            yield return new FieldProblem("maker", "nameTooLong", LongestName, null);
        if (request.TimeZone.Length > 60 || !TimeZoneInfo.TryFindSystemTimeZoneById(request.TimeZone, out _))
            yield return new FieldProblem("timeZone", "unknownTimeZone", null, null);
        if (!IsCurrency(request.Currency))
            yield return new FieldProblem("currency", "unknownCurrency", null, null);
        if (!Enum.IsDefined(request.Measures))
            yield return new FieldProblem("measures", "unknownWord", null, null);
        if (!BenchScale.IsPossible(request.ScaleG))
            yield return new FieldProblem("scaleG", "scaleOutOfRange", BenchScale.CoarsestG, null);
        if (request.LeftoverDeltaE is not (>= Measuring.LeastDeltaE and <= Measuring.MostDeltaE))
            yield return new FieldProblem("leftoverDeltaE", "leftoverDeltaEOutOfRange", Measuring.MostDeltaE, null);
    }

    /// <summary>Three letters, as ISO 4217 writes them; whether they name a currency is for the browser, which knows them.</summary>
    private static bool IsCurrency(string text) => text.Length == 3 && text.All(char.IsAsciiLetterUpper);
}
