using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Studios;

/// <summary>The studio: whose it is, and how it measures.</summary>
public static class GetStudio
{
    public static void Map(RouteGroupBuilder api) => api.MapGet("/studio", Handle)
        .WithName("getStudio").Produces<StudioView>().ProducesProblems();

    private static async Task<IResult> Handle(CurrentStudio studio, CancellationToken cancel) =>
        TypedResults.Ok(StudioView.From(await studio.GetAsync(cancel)));
}
