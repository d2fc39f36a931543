using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Files;
using YoungTinge.Files.Spectra;
using YoungTinge.Files.Tables;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Files;

/// <summary>The studio's own data as open files.</summary>
public static class Downloads
{
    private const string Json = "application/json";
    private const int MostEntries = 100_000;

    public static void Map(RouteGroupBuilder api)
    {
        var files = api.MapGroup("/files");
        files.MapGet("/cabinet.csv", async (CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel) =>
            TextDownload.Of(CabinetTable.WriteCsv((await LoadAsync(studio, cabinet, cancel)).All), TextDownload.Csv, "cabinet.csv")).Named("getCabinetCsv", "The cabinet as a table.", TextDownload.Csv);
        files.MapGet("/cabinet.json", async (CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel) =>
            TextDownload.Of(CabinetTable.WriteJson((await LoadAsync(studio, cabinet, cancel)).All), Json, "cabinet.json")).Named("getCabinetJson", "The cabinet as JSON.", Json);
        files.MapGet("/cabinet-template.csv", () => TextDownload.Of(CabinetTable.Template(), TextDownload.Csv, "cabinet-template.csv")).Named("getCabinetTemplate", "An empty table of the cabinet, to fill in.", TextDownload.Csv);
        files.MapGet("/cabinet.schema.json", () => TextDownload.Of(OpenJson.SchemaOf<CabinetFile>("Young Tinge cabinet"), Json, "cabinet.schema.json")).Named("getCabinetSchema", "The JSON Schema of a cabinet file.", Json);
        files.MapGet("/logbook.csv", async (CurrentStudio studio, LogbookStore logbook, CabinetStore cabinet, CancellationToken cancel) =>
            TextDownload.Of(LogTable.WriteCsv(await RowsAsync(studio, logbook, cabinet, cancel)), TextDownload.Csv, "logbook.csv")).Named("getLogbookCsv", "The logbook as a table.", TextDownload.Csv);
        files.MapGet("/logbook.json", async (CurrentStudio studio, LogbookStore logbook, CabinetStore cabinet, CancellationToken cancel) =>
            TextDownload.Of(LogTable.WriteJson(await RowsAsync(studio, logbook, cabinet, cancel)), Json, "logbook.json")).Named("getLogbookJson", "The logbook as JSON.", Json);
        files.MapGet("/logbook-template.csv", () => TextDownload.Of(LogTable.Template(), TextDownload.Csv, "logbook-template.csv")).Named("getLogbookTemplate", "An empty table of the logbook, to fill in.", TextDownload.Csv);
        files.MapGet("/logbook.schema.json", () => TextDownload.Of(OpenJson.SchemaOf<LogFile>("Young Tinge logbook"), Json, "logbook.schema.json")).Named("getLogbookSchema", "The JSON Schema of a logbook file.", Json);
        files.MapGet("/spectra.txt", async (CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel) =>
            TextDownload.Of(SpectralReadings.Write(Readings(await LoadAsync(studio, cabinet, cancel))), "text/plain", "spectra.txt")).Named("getSpectra", "The spectra of the cabinet as a table of text.", "text/plain");
    }

    private static void Named(this RouteHandlerBuilder route, string name, string summary, string type) =>
        route.WithName(name).WithSummary(summary).Produces(200, contentType: type).ProducesProblems();

    private static async Task<Materials> LoadAsync(CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel) => await cabinet.ListedAsync(studio.Id, cancel);

    private static async Task<IReadOnlyList<LogRow>> RowsAsync(CurrentStudio studio, LogbookStore logbook, CabinetStore cabinet, CancellationToken cancel)
    {
        var listed = await cabinet.ListedAsync(studio.Id, cancel);
        return [.. (await logbook.ListAsync(studio.Id, null, MostEntries, cancel)).Select(entry => LogRows.From(entry, listed))];
    }

    /// <summary>What was read of dabs; of materials without, what their figures tell: a colour as its chip, a thing as its face.</summary>
    private static List<SpectralReading> Readings(Materials materials)
    {
        var readings = new List<SpectralReading>();
        foreach (var material in materials.All)
        {
            var dabs = material.Source.Dabs.Where(dab => dab.Reflectance is not null).ToList();
            readings.AddRange(dabs.Select(dab => new SpectralReading($"{material.Label.Name}, dab", dab.Amount, new Spectrum(dab.Reflectance!.ToArray()))));
            if (dabs.Count == 0 && SwatchColour.SpectrumOf(material, materials) is var (amount, spectrum))
                readings.Add(new SpectralReading($"{material.Label.Name}, figured", amount, spectrum));
        }

        return readings;
    }
}
