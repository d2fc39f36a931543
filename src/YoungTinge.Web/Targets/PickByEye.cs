using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Targets;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Targets;

/// <summary>
/// The picker by eye: a plane of lightness and colourfulness at one hue, a band of hues at one lightness, and the neighbours of the
/// picked colour; each with what the cabinet needs to come to it.
/// </summary>
public static class PickByEye
{
    public const double ChromaStep = 6;
    private const int ChromaSteps = 15;
    private const int HueStepDegrees = 10;
    private const double FirstLightness = 94;
    private const double LightnessStep = 6;
    private const int LightnessSteps = 15;
    private const double TouchDeltaE = 2.5;
    private const double ShadeDeltaE = 5;

    public sealed record Request(Lab Colour);

    /// <param name="Colour">Null where no surface can be that colour.</param>
    public sealed record CellView(ColourView? Colour, ReachedBy By);

    public sealed record NeighbourView(DifferenceWay Way, DifferenceSize Size, ColourView Colour, ReachedBy By);

    /// <param name="Plane">Rows from light to dark, each from grey outward.</param>
    /// <param name="Hues">Round the circle at this lightness and colourfulness, or as colourful as is reached.</param>
    /// <param name="Row">Of the plane that the colour is nearest to.</param>
    /// <param name="Column">Of the plane that the colour is nearest to.</param>
    public sealed record Answer(
        ColourView Colour, ReachedBy By, IReadOnlyList<IReadOnlyList<CellView>> Plane, int Row, int Column, IReadOnlyList<CellView> Hues, int Hue,
        IReadOnlyList<NeighbourView> Neighbours);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/colours/picker", Handle)
        .Computes().WithName("pickByEye").Produces<Answer>().ProducesProblems(422);

    private static async Task<IResult> Handle(Request request, CurrentStudio studio, CabinetStore cabinet, Reach reach, CancellationToken cancel)
    {
        if (!PlanCheck.IsColour(request.Colour))
            return ApiProblem.NotPossible([new FieldProblem("colour", FieldProblem.NotAColour, null, null)]);
        var map = await reach.OfAsync(cabinet, studio.Id, cancel);
        var colour = ObjectColourSolid.Nearest(request.Colour);
        CellView Cell(Lab lab) => ObjectColourSolid.Contain(lab) ? new CellView(ColourView.From(lab), map.By(lab)) : new CellView(null, ReachedBy.Nothing);
        return TypedResults.Ok(new Answer(
            ColourView.From(colour), map.By(colour),
            [.. Enumerable.Range(0, LightnessSteps).Select(row => (IReadOnlyList<CellView>)[.. Enumerable.Range(0, ChromaSteps)
                .Select(column => Cell(Lab.OfHue(FirstLightness - LightnessStep * row, ChromaStep * column, colour.HueDegrees)))])],
            Math.Clamp((int)Math.Round((FirstLightness - colour.L) / LightnessStep), 0, LightnessSteps - 1),
            Math.Clamp((int)Math.Round(colour.Chroma / ChromaStep), 0, ChromaSteps - 1),
            [.. Enumerable.Range(0, 360 / HueStepDegrees).Select(i => Cell(Calmed(colour, HueStepDegrees * i, map)))],
            (int)Math.Round(colour.HueDegrees / HueStepDegrees) % (360 / HueStepDegrees),
            [
                .. Neighbours.Of(colour, TouchDeltaE).Select(one => View(one, DifferenceSize.Touch, map)),
                .. Neighbours.Of(colour, ShadeDeltaE).Select(one => View(one, DifferenceSize.Shade, map)),
            ]));
    }

    private static NeighbourView View(Neighbour one, DifferenceSize size, Gamut map) => new(one.Way, size, ColourView.From(one.Colour), map.By(one.Colour));

    /// <summary>The same lightness at another hue, as colourful as this one or as the cabinet gets there.</summary>
    private static Lab Calmed(Lab colour, double hueDegrees, Gamut map)
    {
        const double least = 8;
        for (var chroma = Math.Max(least, colour.Chroma); chroma > least; chroma -= ChromaStep / 2)
        {
            if (map.By(Lab.OfHue(colour.L, chroma, hueDegrees)) != ReachedBy.Nothing)
                return Lab.OfHue(colour.L, chroma, hueDegrees);
        }

        return Lab.OfHue(colour.L, least, hueDegrees);
    }
}
