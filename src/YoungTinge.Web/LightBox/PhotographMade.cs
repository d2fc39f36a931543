using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Flowers;
using YoungTinge.Devices;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.LightBox;

/// <summary>
/// A flower as it came out in sugar, from jars as they really are, in the simulated light box. It stands there in its largest petals or leaves, of which
/// most of what is seen is made.
/// </summary>
public static class PhotographMade
{
    private const int MostPetals = 12;

    /// <param name="Take">Which time: each has its own noise.</param>
    public sealed record Request(Guid FlowerId, int Take);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/bench/light-box/made-flowers", Handle)
        .Computes().WithName("photographMade").WithSummary("A flower as it came out, in the simulated light box.").Produces<ShotView>().ProducesProblems(404);

    private static async Task<IResult> Handle(Request request, StudioWorks works, CabinetStore cabinet, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var pieces = work.PiecesOf(request.FlowerId).OrderByDescending(SeenMm2).ToList();
        if (pieces.Count == 0)
            return ApiProblem.NotFound();
        var jars = await StandIns.ReallyAsync(work.Studio.Id, cabinet, cancel);
        ZoneColourEvaluator EyeOn(PlannedPiece piece) => new(piece.Resolve(jars), piece.Piece.Shape());
        var (petals, middle) = (pieces[0], pieces.LastOrDefault(piece => IsInTheMiddle(piece.Piece)));
        var eye = EyeOn(petals);
        var made = new LitFlower(Enum.GetValues<Zone>().ToDictionary(zone => zone, eye.SeeGround), petals.Piece.OutlineId, CountOf(petals.Piece))
        {
            Middle = middle is null ? null : EyeOn(middle).SeeGround(Zone.Heart),
        };
        return TypedResults.Ok(ShotView.From(await new LightBoxCamera(new FlowerScene(made), request.Take).TakeAsync(cancel)));
    }

    private static int CountOf(Piece piece) => piece.Form.Role == PieceRole.Leaf ? 1 : Math.Clamp(piece.SeenPerPart, 1, MostPetals);

    private static bool IsInTheMiddle(Piece piece) => piece.PartOf == PartOf.Flower && piece.Form.Role is PieceRole.Petal or PieceRole.Centre or PieceRole.Stamen;

    private static double SeenMm2(PlannedPiece planned) => planned.Piece.SeenPerPart * planned.Piece.LengthMm * planned.Piece.WidthMm;
}
