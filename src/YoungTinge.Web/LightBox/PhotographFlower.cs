using YoungTinge.Core.Targets;
using YoungTinge.Devices;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.LightBox;

/// <summary>A flower or leaf of our library, grown a little otherwise each time, in the simulated light box.</summary>
public static class PhotographFlower
{
    private const int Petals = 6;

    public sealed record Request(string StartingPointId, int Seed);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/bench/light-box/flowers", Handle)
        .Computes().WithName("photographFlower").Produces<ShotView>().ProducesProblems(404);

    private static async Task<IResult> Handle(Request request, CancellationToken cancel)
    {
        if (StartingPoints.All.FirstOrDefault(one => one.Id == request.StartingPointId) is not { Kind: StartingPointKind.Natural } natural)
            return ApiProblem.NotFound();
        var colours = natural.Targets.ToDictionary(target => target.Key, target => target.Value.Colour);
        var living = new LitFlower(colours, natural.IsLeaf ? "heart-leaf" : "round-petal", natural.IsLeaf ? 1 : Petals).Grown(request.Seed);
        return TypedResults.Ok(ShotView.From(await new LightBoxCamera(new FlowerScene(living), request.Seed).TakeAsync(cancel)));
    }
}
