using System.Runtime.CompilerServices;
using System.Text.Json;

namespace YoungTinge.Store.Archives;

/// <summary>An archive as builds up to the tenth migration wrote it: one JSON document with everything in it, pictures too.</summary>
internal sealed class PlainArchive : ArchiveFile
{
    /// <summary>It has to be in memory as a whole; those builds could not write a larger one either.</summary>
    private const long LargestBytes = 256L * 1024 * 1024;

    private readonly JsonDocument document;
    private int rows;

    private PlainArchive(JsonDocument document) => this.document = document;

    public override double Share => 1 - 1.0 / (1 + rows);

    private JsonElement Tables => document.RootElement.GetProperty("tables");

    public static new async Task<ArchiveFile?> OpenAsync(Stream file, CancellationToken cancel)
    {
        if (file.Length > LargestBytes)
            return null;
        var document = await JsonDocument.ParseAsync(file, default, cancel);
        if (HeadOf(document.RootElement) is var (version, studio) && document.RootElement.TryGetProperty("tables", out var tables) && tables.ValueKind == JsonValueKind.Object)
            return new PlainArchive(document) { Version = version, Studio = studio };
        document.Dispose();
        return null;
    }

    public override bool Has(ArchiveTable table) => Tables.TryGetProperty(table.Name, out _);

    public override async IAsyncEnumerable<string> RowsAsync(ArchiveTable table, [EnumeratorCancellation] CancellationToken cancel)
    {
        var all = Tables.GetProperty(table.Name);
        if (all.ValueKind != JsonValueKind.Array)
            throw new InvalidDataException($"{table.Name} is no list of rows.");
        foreach (var row in all.EnumerateArray())
        {
            rows++;
            yield return row.GetRawText();
        }

        await Task.CompletedTask;
    }

    public override async IAsyncEnumerable<byte[]> PicturesAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        // They stand in their rows.
        await Task.CompletedTask;
        yield break;
    }

    public override ValueTask DisposeAsync()
    {
        document.Dispose();
        return ValueTask.CompletedTask;
    }
}
