using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Files.Spectra;
using YoungTinge.Files.Tables;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Files;

/// <summary>
/// Files in. First a preview that says of every line what would happen; then, if no line is bad, the same file is taken in, all of it
/// or nothing, unless the cabinet has changed since the preview.
/// </summary>
public static class Imports
{
    private const long LargestFile = 5 * 1024 * 1024;

    public sealed record LineView(int Number, string Name, LineState State, IReadOnlyList<LineProblem> Problems);

    /// <param name="State">To be sent along when the file is taken in.</param>
    /// <param name="Problem">Why the file cannot be read at all; null if it can.</param>
    /// <param name="Limit">That the problem is about.</param>
    /// <param name="Columns">That the problem is about.</param>
    public sealed record Preview(
        string State, TableProblem? Problem, double? Limit, IReadOnlyList<string> Columns, int New, int Changed, int Same, int Bad, IReadOnlyList<LineView> Lines);

    public sealed record Answer(int New, int Changed);

    public sealed record ReadingView(string Name, double? Amount, IReadOnlyList<double> Reflectance, ColourView Colour);

    public static void Map(RouteGroupBuilder api)
    {
        var files = api.MapGroup("/files");
        files.MapPost("/cabinet/preview", PreviewCabinet).TakesFile(LargestFile).Computes().WithName("previewCabinet")
            .WithSummary("What a cabinet file would change, line by line. Changes nothing.").Produces<Preview>().ProducesProblems(413);
        files.MapPost("/cabinet", TakeCabinet).TakesFile(LargestFile).WithName("takeCabinet")
            .WithSummary("Takes in a cabinet file, all of it or nothing, unless the cabinet has changed since the preview.").Produces<Answer>().ProducesProblems(412, 413, 422);
        files.MapPost("/logbook/preview", PreviewLogbook).TakesFile(LargestFile).Computes().WithName("previewLogbook")
            .WithSummary("What a logbook file would add, line by line. Changes nothing.").Produces<Preview>().ProducesProblems(413);
        files.MapPost("/logbook", TakeLogbook).TakesFile(LargestFile).WithName("takeLogbook")
            .WithSummary("Takes in a logbook file, all of it or nothing.").Produces<Answer>().ProducesProblems(413, 422);
        files.MapPost("/spectra/read", ReadSpectra).TakesFile(SpectralReadings.LargestBytes + 1024).Computes().WithName("readSpectra")
            .WithSummary("The readings of a spectral file. Keeps nothing.").Produces<IReadOnlyList<ReadingView>>().ProducesProblems(413, 422);
    }

    private static async Task<IResult> PreviewCabinet(HttpRequest request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var (state, _, result) = await ReadCabinetAsync(request, studio, cabinet, cancel);
        return TypedResults.Ok(View(state, result));
    }

    private static async Task<IResult> TakeCabinet(string state, HttpRequest request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var (current, kept, result) = await ReadCabinetAsync(request, studio, cabinet, cancel);
        if (state != current)
            return ApiProblem.ChangedElsewhere();
        if (Whole(result) is not { } lines)
            return Refused();
        var versions = kept.ToDictionary(one => one.Material.Id, one => one.Version);
        var changes = lines.Where(line => line.State is LineState.New or LineState.Changed)
            .Select(line => new MaterialChange(line.Value!, versions.GetValueOrDefault(line.Value!.Id))).ToList();
        return await cabinet.SaveAsync(studio.Id, changes, cancel) is SaveMaterialsResult.Saved
            ? TypedResults.Ok(new Answer(lines.Count(line => line.State == LineState.New), lines.Count(line => line.State == LineState.Changed)))
            : ApiProblem.ChangedElsewhere();
    }

    private static async Task<IResult> PreviewLogbook(
        HttpRequest request, CurrentStudio studio, LogbookStore logbook, CabinetStore cabinet, CommissionStore commissions, PieceStore pieces, CancellationToken cancel) =>
        TypedResults.Ok(View("", await ReadLogbookAsync(request, studio, logbook, cabinet, commissions, pieces, cancel)));

    private static async Task<IResult> TakeLogbook(
        HttpRequest request, CurrentStudio studio, LogbookStore logbook, CabinetStore cabinet, CommissionStore commissions, PieceStore pieces, CancellationToken cancel)
    {
        if (Whole(await ReadLogbookAsync(request, studio, logbook, cabinet, commissions, pieces, cancel)) is not { } lines)
            return Refused();
        var listed = await cabinet.ListedAsync(studio.Id, cancel);
        var entries = lines.Where(line => line.State == LineState.New).Select(line => LogRows.ToEntry(line.Value!, listed)).ToList();
        await logbook.AddAllAsync(studio.Id, entries, cancel);
        return TypedResults.Ok(new Answer(entries.Count, 0));
    }

    private static async Task<IResult> ReadSpectra(HttpRequest request, CancellationToken cancel) => SpectralReadings.Read(await request.ReadFileAsync(cancel)) is { } readings
        ? TypedResults.Ok<IReadOnlyList<ReadingView>>([.. readings.Select(one => new ReadingView(
            one.Name, one.Amount, one.Reflectance.Values.ToArray(), ColourView.From(Illuminant.D65.LabOf(one.Reflectance))))])
        : ApiProblem.NotPossible([new FieldProblem("file", "notSpectra", SpectralReadings.MostReadings, null)]);

    private static async Task<(string State, IReadOnlyList<KeptMaterial> Kept, TableResult<Material> Result)> ReadCabinetAsync(
        HttpRequest request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var file = await request.ReadFileAsync(cancel);
        var studioId = studio.Id;
        var kept = await cabinet.ListAsync(studioId, cancel);
        var materials = new Materials(kept.Select(one => one.Material));
        return (CabinetState.Of(studioId, kept), kept, IsJson(file) ? CabinetTable.ReadJson(file, materials) : CabinetTable.ReadCsv(file, materials));
    }

    private static async Task<TableResult<LogRow>> ReadLogbookAsync(
        HttpRequest request, CurrentStudio studio, LogbookStore logbook, CabinetStore cabinet, CommissionStore commissions, PieceStore pieces, CancellationToken cancel)
    {
        var file = await request.ReadFileAsync(cancel);
        var studioId = studio.Id;
        var (all, flowers) = await commissions.ListAsync(studioId, cancel);
        var commissionOf = all.ToDictionary(commission => commission.Id, commission => commission.Name);
        var flowerOf = flowers.ToDictionary(flower => flower.Id);
        // A flower may come between the two readings.
        var names = (await pieces.ListAsync(studioId, null, cancel)).Where(piece => flowerOf.ContainsKey(piece.FlowerId))
            .Select(piece => new PieceName(piece.Id, commissionOf[flowerOf[piece.FlowerId].CommissionId], flowerOf[piece.FlowerId].Name, piece.Piece.Name)).ToList();
        var known = (await logbook.ListAsync(studioId, null, int.MaxValue, cancel)).Select(named => named.Entry.Id).ToHashSet();
        var listed = await cabinet.ListedAsync(studioId, cancel);
        return IsJson(file) ? LogTable.ReadJson(file, names, known, listed) : LogTable.ReadCsv(file, names, known, listed);
    }

    /// <summary>Every line; null if one of them is bad, or the file could not be read.</summary>
    private static IReadOnlyList<Line<T>>? Whole<T>(TableResult<T> result) where T : class =>
        result is TableResult<T>.Read { Lines: var lines } && lines.All(line => line.State != LineState.Bad) ? lines : null;

    private static IResult Refused() => ApiProblem.NotPossible([new FieldProblem("file", "linesBad", null, null)]);

    private static bool IsJson(byte[] file) => file.SkipWhile(one => one is (byte)' ' or (byte)'\n' or (byte)'\r' or (byte)'\t' or 0xEF or 0xBB or 0xBF).FirstOrDefault() == (byte)'{';

    private static Preview View<T>(string state, TableResult<T> result) where T : class
    {
        if (result is TableResult<T>.Refused refused)
            return new Preview(state, refused.Problem, refused.Limit, refused.Columns ?? [], 0, 0, 0, 0, []);
        var lines = ((TableResult<T>.Read)result).Lines;
        int Count(LineState wanted) => lines.Count(line => line.State == wanted);
        return new Preview(
            state, null, null, [], Count(LineState.New), Count(LineState.Changed), Count(LineState.Same), Count(LineState.Bad),
            [.. lines.Select(line => new LineView(line.Number, line.Name, line.State, line.Problems))]);
    }
}
