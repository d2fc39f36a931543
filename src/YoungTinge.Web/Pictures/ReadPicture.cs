using YoungTinge.Core.Flowers;
using YoungTinge.Core.Pictures;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Pictures;

/// <summary>Reads colours from a picture: where the maker points, or where the zones of the flower seem to lie. Keeps nothing.</summary>
public static class ReadPicture
{
    public sealed record Request(PictureLight Light, IReadOnlyList<Box> Boxes);

    /// <param name="HasCast">Whether there was a cast to speak of.</param>
    /// <param name="LightColour">Of that light, as a screen shows it.</param>
    /// <param name="UnsureDeltaE">How far white may be off because the light is only estimated; null if it is not.</param>
    public sealed record Answer(bool HasCast, ColourView LightColour, double? UnsureDeltaE, IReadOnlyList<LightDoubt> Doubts, IReadOnlyList<PatchView> Patches);

    /// <param name="Meant">Which flower; null to be asked if that is not clear.</param>
    public sealed record DivideRequest(PictureLight Light, SeenAs SeenAs, MeantFlower? Meant);

    public sealed record PartView(ColourView Colour, double Share);

    /// <param name="IsSure">False if the place holds several colours.</param>
    public sealed record ZoneView(Zone Zone, Box Box, PatchView Patch, bool IsSure);

    /// <param name="AsksWhich">Several things stand there, or no plain ground lies behind: it has to be pointed at first, and nothing is proposed.</param>
    public sealed record Division(bool AsksWhich, IReadOnlyList<PartView> Parts, IReadOnlyList<ZoneView> Zones);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/pictures/{id:guid}/read", Read).Computes().WithName("readPicture")
            .WithSummary("Reads colours from a picture of a flower where the maker points.").Produces<Answer>().ProducesProblems(404, 422);
        api.MapPost("/dab-pictures/{id:guid}/read", ReadDab).Computes().WithName("readDabPicture")
            .WithSummary("Reads colours from a picture of a dab where the maker points.").Produces<Answer>().ProducesProblems(404, 422);
        api.MapPost("/pictures/{id:guid}/divide", Divide).Computes().WithName("dividePicture")
            .WithSummary("Where the zones of the flower seem to lie in its picture. Keeps nothing.").Produces<Division>().ProducesProblems(404, 422);
    }

    private static async Task<IResult> Read(Guid id, Request request, CurrentStudio studio, PictureDesk desk, CancellationToken cancel) =>
        await desk.FindAsync(studio.Id, id, cancel) is { } photo ? ColoursOf(photo, request) : ApiProblem.NotFound();

    private static async Task<IResult> ReadDab(Guid id, Request request, CurrentStudio studio, PictureDesk desk, CancellationToken cancel) =>
        await desk.FindLaidAsync(studio.Id, id, cancel) is { } photo ? ColoursOf(photo, request) : ApiProblem.Result(StatusCodes.Status404NotFound, ApiProblemCode.PictureGone);

    private static IResult ColoursOf(Photograph photo, Request request)
    {
        if (PictureProblems.OfBoxes(request.Light, request.Boxes) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var light = LightReading.Of(photo, request.Light);
        return TypedResults.Ok(new Answer(
            light.HasCast, ColourView.From(light.Cast.Look), light.UnsureDeltaE, light.Doubts, [.. request.Boxes.Select(box => PatchView.From(light.Read(photo, box)))]));
    }

    private static async Task<IResult> Divide(Guid id, DivideRequest request, CurrentStudio studio, PictureDesk desk, CancellationToken cancel)
    {
        if (PictureProblems.OfBoxes(request.Light, []) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        if (request.Meant is { IsPossible: false })
            return ApiProblem.NotPossible([new FieldProblem("meant", "loopNotPossible", MeantFlower.MostPoints, null)]);
        if (await desk.FindAsync(studio.Id, id, cancel) is not { } photo)
            return ApiProblem.NotFound();
        var division = FlowerDivision.Of(photo, LightReading.Of(photo, request.Light), request.SeenAs, request.Meant, request.Light.Mark);
        if (!division.IsClear)
            return TypedResults.Ok(new Division(true, [], []));
        return TypedResults.Ok(new Division(
            false,
            [.. division.Parts.Select(part => new PartView(ColourView.From(part.Colour), part.Share))],
            [.. division.Zones.Select(zone => new ZoneView(zone.Zone, zone.Box, PatchView.From(zone.Reading), zone.IsSure))]));
    }
}
