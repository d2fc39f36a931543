using YoungTinge.Core.Cabinet;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Studios;

/// <summary>Changes how the studio measures; everything that is planned from then on follows.</summary>
public static class SaveMeasuring
{
    public static void Map(RouteGroupBuilder api) => api.MapPut("/measuring", Handle)
        .WithName("saveMeasuring").Produces<MeasuringView>().Fails(412, 422, 503);

    private static async Task<IResult> Handle(MeasuringView request, CurrentStudio studio, StudioStore studios, CancellationToken cancel)
    {
        FieldProblem[] problems = [.. Problems(request)];
        if (problems.Length > 0)
            return Trouble.NotPossible(problems);
        var measuring = new Measuring(request.Measures, request.ScaleG, request.LeftoverDeltaE);
        return await studios.SaveAsync(await studio.IdAsync(cancel), measuring, request.Version, cancel)
            ? TypedResults.Ok(request with { Version = request.Version + 1 })
            : Trouble.Result(StatusCodes.Status412PreconditionFailed, TroubleCode.ChangedElsewhere);
    }

    private static IEnumerable<FieldProblem> Problems(MeasuringView request)
    {
        if (!Enum.IsDefined(request.Measures))
            yield return new FieldProblem("measures", "unknownWord", null, null);
        if (!BenchScale.IsPossible(request.ScaleG))
            yield return new FieldProblem("scaleG", "scaleOutOfRange", BenchScale.CoarsestG, null);
        if (request.LeftoverDeltaE is not (>= Measuring.LeastDeltaE and <= Measuring.MostDeltaE))
            yield return new FieldProblem("leftoverDeltaE", "leftoverDeltaEOutOfRange", Measuring.MostDeltaE, null);
    }
}
