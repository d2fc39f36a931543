using System.Text.Json;

namespace YoungTinge.Store.Archives;

/// <summary>An archive that is being read, a row and a picture at a time.</summary>
internal abstract class ArchiveFile : IAsyncDisposable
{
    /// <summary>A row of any table is far below this; a longer line is no archive of ours.</summary>
    public const int LongestRow = 32 * 1024 * 1024;

    public const int LargestPicture = 8_000_000;

    /// <summary>The build that wrote it, as the number of its last migration.</summary>
    public required int Version { get; init; }

    /// <summary>The row of the studio itself, as JSON.</summary>
    public required string Studio { get; init; }

    /// <summary>How much of it has been read, 0 to 1.</summary>
    public abstract double Share { get; }

    public abstract bool Has(ArchiveTable table);

    /// <summary>The rows of a table, each as JSON.</summary>
    /// <exception cref="InvalidDataException">The file is damaged here.</exception>
    public abstract IAsyncEnumerable<string> RowsAsync(ArchiveTable table, CancellationToken cancel);

    /// <summary>Pictures that stand beside the rows.</summary>
    /// <exception cref="InvalidDataException">The file is damaged here.</exception>
    public abstract IAsyncEnumerable<byte[]> PicturesAsync(CancellationToken cancel);

    public abstract ValueTask DisposeAsync();

    /// <summary>Null if it is no archive of a studio.</summary>
    /// <param name="file">Can be sought in; stays open.</param>
    public static async Task<ArchiveFile?> OpenAsync(Stream file, CancellationToken cancel)
    {
        try
        {
            var first = new byte[1];
            var isZip = await file.ReadAsync(first, cancel) == 1 && first[0] == 'P';
            file.Position = 0;
            return isZip ? await ZippedArchive.OpenAsync(file, cancel) : await PlainArchive.OpenAsync(file, cancel);
        }
        catch (Exception exception) when (exception is InvalidDataException or JsonException)
        {
            return null;
        }
    }

    /// <summary>The studio and its version, if this is how an archive begins.</summary>
    protected static (int Version, string Studio)? HeadOf(JsonElement head) =>
        head.ValueKind == JsonValueKind.Object
        && head.TryGetProperty("format", out var format) && format.ValueKind == JsonValueKind.String && format.ValueEquals(ArchiveStore.Format)
        && head.TryGetProperty("version", out var number) && number.ValueKind == JsonValueKind.Number && number.TryGetInt32(out var version)
        && head.TryGetProperty("studio", out var studio) && studio.ValueKind == JsonValueKind.Object
            ? (version, studio.GetRawText())
            : null;
}
