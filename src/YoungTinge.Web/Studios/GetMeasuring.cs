using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Studios;

public static class GetMeasuring
{
    public static void Map(RouteGroupBuilder api) => api.MapGet("/measuring", Handle)
        .WithName("getMeasuring").Produces<MeasuringView>().Fails(503);

    private static async Task<IResult> Handle(CurrentStudio studio, CancellationToken cancel) =>
        TypedResults.Ok(MeasuringView.From(await studio.GetAsync(cancel)));
}
