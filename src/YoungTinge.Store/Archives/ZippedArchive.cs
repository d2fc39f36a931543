using System.IO.Compression;
using System.Runtime.CompilerServices;
using System.Text;
using System.Text.Json;

namespace YoungTinge.Store.Archives;

/// <summary>An archive as this build writes it.</summary>
internal sealed class ZippedArchive : ArchiveFile
{
    private const int LongestHead = 1024 * 1024;

    private readonly ZipArchive zip;
    private readonly long total;
    private long read;

    private ZippedArchive(ZipArchive zip)
    {
        this.zip = zip;
        total = Math.Max(1, zip.Entries.Sum(entry => entry.CompressedLength));
    }

    public override double Share => Math.Min(1, (double)read / total);

    public static new async Task<ArchiveFile?> OpenAsync(Stream file, CancellationToken cancel)
    {
        var zip = await ZipArchive.CreateAsync(file, ZipArchiveMode.Read, leaveOpen: true, Encoding.UTF8, cancel);
        if (zip.GetEntry(ArchiveNames.Head) is { } entry)
        {
            await using var head = await entry.OpenAsync(cancel);
            using var document = JsonDocument.Parse(await BytesAsync(head, LongestHead, cancel));
            if (HeadOf(document.RootElement) is var (version, studio))
                return new ZippedArchive(zip) { Version = version, Studio = studio };
        }

        await zip.DisposeAsync();
        return null;
    }

    public override bool Has(ArchiveTable table) => zip.GetEntry(ArchiveNames.Of(table)) is not null;

    public override async IAsyncEnumerable<string> RowsAsync(ArchiveTable table, [EnumeratorCancellation] CancellationToken cancel)
    {
        var entry = zip.GetEntry(ArchiveNames.Of(table)) ?? throw new InvalidDataException($"The archive has no {table.Name}.");
        await using var rows = await entry.OpenAsync(cancel);
        await foreach (var row in LinesAsync(rows, cancel))
            yield return row;
        read += entry.CompressedLength;
    }

    public override async IAsyncEnumerable<byte[]> PicturesAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        foreach (var entry in zip.Entries.Where(entry => entry.FullName.StartsWith(ArchiveNames.Pictures, StringComparison.Ordinal) && entry.Name != ""))
        {
            await using var picture = await entry.OpenAsync(cancel);
            yield return await BytesAsync(picture, LargestPicture, cancel);
            read += entry.CompressedLength;
        }
    }

    public override ValueTask DisposeAsync() => zip.DisposeAsync();

    /// <summary>Lines of a text, none of them longer than a row can be: a packed file may unpack to anything.</summary>
    private static async IAsyncEnumerable<string> LinesAsync(Stream text, [EnumeratorCancellation] CancellationToken cancel)
    {
        using var reader = new StreamReader(text, new UTF8Encoding(false, throwOnInvalidBytes: true), detectEncodingFromByteOrderMarks: false, bufferSize: 64 * 1024, leaveOpen: true);
        var line = new StringBuilder();
        var buffer = new char[64 * 1024];
        int count;
        while ((count = await ReadAsync()) > 0)
        {
            var from = 0;
            for (var at = 0; at < count; at++)
            {
                if (buffer[at] != '\n')
                    continue;
                line.Append(buffer, from, at - from);
                from = at + 1;
                if (line.Length > 0)
                    yield return line.ToString();
                line.Clear();
            }

            line.Append(buffer, from, count - from);
            if (line.Length > LongestRow)
                throw new InvalidDataException("A row of the archive is too long.");
        }

        if (line.Length > 0)
            yield return line.ToString();

        async Task<int> ReadAsync()
        {
            try
            {
                return await reader.ReadAsync(buffer, cancel);
            }
            catch (DecoderFallbackException exception)
            {
                throw new InvalidDataException("The archive is not written in UTF-8.", exception);
            }
        }
    }

    private static async Task<byte[]> BytesAsync(Stream from, int most, CancellationToken cancel)
    {
        using var bytes = new MemoryStream();
        var buffer = new byte[64 * 1024];
        int count;
        while ((count = await from.ReadAsync(buffer, cancel)) > 0)
        {
            if (bytes.Length + count > most)
                throw new InvalidDataException("A file in the archive is too large.");
            bytes.Write(buffer, 0, count);
        }

        return bytes.ToArray();
    }
}
