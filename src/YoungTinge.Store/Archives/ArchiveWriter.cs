using System.Data;
using System.IO.Compression;
using System.Text;
using Npgsql;

namespace YoungTinge.Store.Archives;

/// <summary>
/// Writes a studio row by row and picture by picture, so that it takes no more memory than one of them. The archive is a zip:
/// <c>studio.json</c>, <c>tables/NAME.jsonl</c> (a row a line, as the database itself writes it) and <c>pictures/SUM.jpg</c>.
/// </summary>
internal static class ArchiveWriter
{
    /// <summary>The same studio makes the same archive, to the last byte.</summary>
    private static readonly DateTimeOffset NoTime = new(2000, 1, 1, 0, 0, 0, TimeSpan.Zero);

    private static readonly UTF8Encoding Utf8 = new(encoderShouldEmitUTF8Identifier: false);

    /// <param name="withPictures">False to only name them.</param>
    public static async Task WriteAsync(NpgsqlConnection connection, Guid studioId, Stream to, bool withPictures, CancellationToken cancel)
    {
        await using var zip = await ZipArchive.CreateAsync(to, ZipArchiveMode.Create, leaveOpen: true, Utf8, cancel);
        await using (var command = Of(connection, $"""
            select jsonb_build_object('format', '{ArchiveStore.Format}', 'version', {ArchiveStore.Version}, 'studio', to_jsonb(s))::text from studio s where s.id = $1
            """, studioId))
        {
            // First and as it is, so that whose archive it is can be told from its beginning.
            var head = (string)(await command.ExecuteScalarAsync(cancel) ?? throw new InvalidOperationException("There is no such studio."));
            await using var entry = await OpenAsync(zip, ArchiveNames.Head, CompressionLevel.NoCompression, cancel);
            await entry.WriteAsync(Utf8.GetBytes(head), cancel);
        }

        foreach (var table in ArchiveTables.All)
        {
            // Names of tables and their keys are ours, from the list.
            await using var command = Of(connection, $"select to_jsonb(t)::text from {table.Name} t where {table.Condition} order by {table.Key}", studioId);
            await using var reader = await command.ExecuteReaderAsync(cancel);
            await using var entry = await OpenAsync(zip, ArchiveNames.Of(table), CompressionLevel.Optimal, cancel);
            await using var lines = new StreamWriter(entry, Utf8, leaveOpen: true) { NewLine = "\n" };
            while (await reader.ReadAsync(cancel))
                await lines.WriteLineAsync(reader.GetString(0).AsMemory(), cancel);
        }

        if (withPictures)
            await WritePicturesAsync(connection, studioId, zip, cancel);
    }

    private static async Task WritePicturesAsync(NpgsqlConnection connection, Guid studioId, ZipArchive zip, CancellationToken cancel)
    {
        await using var command = Of(connection, """
            select encode(sha256, 'hex'), jpeg from picture_file where sha256 in (select file_sha256 from picture where studio_id = $1) order by sha256
            """, studioId);
        await using var reader = await command.ExecuteReaderAsync(CommandBehavior.SequentialAccess, cancel);
        while (await reader.ReadAsync(cancel))
        {
            await using var entry = await OpenAsync(zip, ArchiveNames.OfPicture(reader.GetString(0)), CompressionLevel.NoCompression, cancel);
            await using var jpeg = await reader.GetStreamAsync(1, cancel);
            await jpeg.CopyToAsync(entry, cancel);
        }
    }

    private static Task<Stream> OpenAsync(ZipArchive zip, string name, CompressionLevel level, CancellationToken cancel)
    {
        var entry = zip.CreateEntry(name, level);
        entry.LastWriteTime = NoTime;
        return entry.OpenAsync(cancel);
    }

    private static NpgsqlCommand Of(NpgsqlConnection connection, string sql, Guid studioId)
    {
        var command = new NpgsqlCommand(sql, connection) { CommandTimeout = 0 };
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        return command;
    }
}
