using System.Text;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Files.Palettes;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Files;

/// <summary>Palettes out and in: the targets of a flower as a file for other programs, and a file's colours to choose targets from.</summary>
public static class Palettes
{
    public sealed record ColourAnswer(string Name, ColourView Colour);

    public sealed record Answer(string Name, IReadOnlyList<ColourAnswer> Colours);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/palettes/read", Read).TakesFile(Palette.LargestBytes + 1024).Computes().WithName("readPalette")
            .WithSummary("The colours of a palette file, to choose targets from.").Produces<Answer>().ProducesProblems(413, 422);
        api.MapGet("/flowers/{id:guid}/palette.gpl", (Guid id, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CancellationToken cancel) =>
            Write(id, "gpl", "text/plain", GplPalette.Write, studio, commissions, pieces, cancel)).WithName("getPaletteGpl")
            .WithSummary("The targets of a flower as a GPL palette.").Produces(200, contentType: "text/plain").ProducesProblems(404);
        api.MapGet("/flowers/{id:guid}/palette.svg", (Guid id, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CancellationToken cancel) =>
            Write(id, "svg", "image/svg+xml", SvgPalette.Write, studio, commissions, pieces, cancel)).WithName("getPaletteSvg")
            .WithSummary("The targets of a flower as an SVG.").Produces(200, contentType: "image/svg+xml").ProducesProblems(404);
    }

    private static async Task<IResult> Read(HttpRequest request, CancellationToken cancel) => Palette.Read(await request.ReadFileAsync(cancel)) is { } palette
        ? TypedResults.Ok(new Answer(palette.Name, [.. palette.Colours.Select(one => new ColourAnswer(one.Name, ColourView.From(Illuminant.D65.LabOf(one.Colour))))]))
        : ApiProblem.NotPossible([new FieldProblem("file", "notAPalette", null, null)]);

    private static async Task<IResult> Write(
        Guid id, string ending, string type, Func<Palette, string> write, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, CancellationToken cancel)
    {
        var studioId = studio.Id;
        if (await commissions.FindFlowerAsync(studioId, id, cancel) is not var (_, flower))
            return ApiProblem.NotFound();
        var colours = (await pieces.ListAsync(studioId, id, cancel)).SelectMany(piece => piece.Plan.Targets.OrderBy(target => target.Key)
            .Select(target => new PaletteColour($"{piece.Piece.Name}, {target.Key.ToString().ToLowerInvariant()}", ScreenColour.From(target.Value.Colour, Illuminant.D65))));
        var text = write(new Palette(flower.Name, [.. colours]));
        return TypedResults.File(Encoding.UTF8.GetBytes(text), type, $"{MaterialId.From(flower.Name, _ => false)}.{ending}");
    }
}
